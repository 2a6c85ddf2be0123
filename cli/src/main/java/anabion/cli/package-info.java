/**
 * The headless commands: decode, validate, compare, export. No window, no JavaFX.
 *
 * <p>Laws: results go to standard output, errors to standard error; with {@code --json} both are one JSON object each; the exit
 * code is 0 for fine, 1 for a finding, 2 for bad input, 3 for an internal failure.
 */
package anabion.cli;
