/**
 * The open formats: chassis and job as JSON, readings and value lists as CSV. Streams in, records out.
 *
 * <p>Laws: reading what was written gives an equal record; unknown fields at every level survive; a bad file gives one clear
 * error with its line and field, and has no effect.
 *
 * <p>Example: {@code ChassisCodec.read(in)} of a file with an unknown field {@code "shelf": 3} writes it back unharmed.
 */
package anabion.core.format;
