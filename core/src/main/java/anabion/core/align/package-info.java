/**
 * Aligning a set: what to turn, in which order, with which signal, and what the dial's errors say.
 *
 * <p>Idea: the circuit names its tuned circuits and their adjusters ({@link anabion.core.signal.FrontEnd}, the cans of the intermediate frequency);
 * an {@link anabion.core.align.AlignmentProcedure} puts them in the order of the trade, each line with the level that leaves the AVC at rest.
 * Law: rules know adjusters by the part and winding that they change, never by the words beside them.
 *
 * <p>Example: a set of which 600 on the dial brings a station of 580 has its oscillator low at that end; {@link anabion.core.align.TrackingAdvice} says by
 * how much to turn the padder and the trimmer, and what error is left between.
 */
package anabion.core.align;
