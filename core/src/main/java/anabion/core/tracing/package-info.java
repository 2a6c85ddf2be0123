/**
 * Tracing a signal through a set: where to put what in, how much a good set needs there, and what the outcomes leave.
 *
 * <p>Idea: the points of a band lie in a row from the speaker to the aerial. One that sounds as it should clears all between itself and the speaker;
 * one that does not leaves the fault there. All schools (from the sound backwards, from the aerial forwards, halving) are ways of choosing the next
 * point in one and the same {@link anabion.core.tracing.TraceTable}; the outcomes count in the diagnosis whoever chose them. A tracer that follows the
 * aerial's signal says the same from the other side. Where nobody has the circuit, a row stands for a stage's input, and
 * {@link anabion.core.tracing.StageOdds} weighs the stages of all bands together; the segments of a display are such bands.
 *
 * <p>Laws: what is left only shrinks while the outcomes agree; halving needs no more than the logarithm of the points.
 *
 * <p>Example: loud at the volume control, nothing at the IF tube's grid: the fault lies between, in the IF stage or the detector.
 */
package anabion.core.tracing;
