/**
 * Which fault of this chassis explains what was measured, and what to measure next.
 *
 * <p>Idea: every way in which one part can fail is a hypothesis ({@link anabion.core.diagnosis.hypothesis.Hypothesis}); the circuit predicts what each would
 * show ({@link anabion.core.diagnosis.prediction.PredictionModel}); readings are compared with all predictions at once, with the covariance that shared rails
 * and tolerances give them, and with a slip of the measurement now and then ({@link anabion.core.diagnosis.inference.Likelihood}). Bayes' rule does the rest.
 *
 * <p>Laws: the odds, "something else" among them, sum to one; the order of the evidence does not matter; a hypothesis that does not settle is
 * named, never dropped.
 *
 * <p>Example: +3 V on the output grid and a high cathode put a leak of the coupling capacitor first, a gassy tube second.
 */
package anabion.core.diagnosis;
