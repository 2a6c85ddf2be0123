/**
 * What each hypothesis would show: readings as Gaussians about a solved circuit with the fault in it, sounds and part tests as probabilities.
 *
 * <p>Laws: a prediction comes from a solution with the fault in the circuit; what scatters between specimens is linearised about it; what does not settle
 * is not foreseen.
 *
 * <p>Example: {@link anabion.core.diagnosis.prediction.PredictionModel} is made once for a chassis and asked many times.
 */
package anabion.core.diagnosis.prediction;
