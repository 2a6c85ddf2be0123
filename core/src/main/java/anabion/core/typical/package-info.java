/**
 * Circuits that many sets share, to begin a chassis from. Each is written as the lines that a person would type, so that it is also an example of
 * them.
 */
package anabion.core.typical;
