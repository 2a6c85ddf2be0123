/**
 * Rectifier, reservoir and filter in the periodic steady state.
 *
 * <p>Idea: a rectifier behind its source's resistance charges a reservoir from which a load draws. Once per cycle everything
 * repeats; {@link anabion.core.rectifier.Rectifier} finds that cycle, and from it mean, ripple, peak and effective currents. Its
 * {@link anabion.core.rectifier.Characteristic}, mean current against mean volts, stands in the circuit of the whole set in place of
 * the rectifier, so that one operating point has the rails and everything that hangs on them.
 *
 * <p>Laws: the mean current into the reservoir is the load's; without load the reservoir stands at the peak; more load, less volts.
 *
 * <p>Example: 240 V behind 300 Ω, full wave, into 16 µF and 4 kΩ gives some 270 V with 9 V of ripple.
 */
package anabion.core.rectifier;
