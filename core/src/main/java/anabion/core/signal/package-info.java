/**
 * What a receiver does with small signals: gains, the level that every point needs, hum, automatic volume control, responses.
 *
 * <p>Idea: a superhet is three linear problems, at the carrier, at the intermediate frequency and in the audio band, each a
 * {@link anabion.core.circuit.SmallSignal} about the operating point under the carrier; conversion conductance and the detector's
 * efficiency join them. Law: nothing here is typed in that the circuit says; what a sheet leaves out (quality and coupling of a coil)
 * has a usual value, stated in {@link anabion.core.signal.Coils}.
 *
 * <p>Example: {@code Gains.of(engine, chassis, Setting.of(230))} says that a five-tube set wants some tens of millivolts at its audio grid
 * and some tens of microvolts at its mixer's.
 */
package anabion.core.signal;
