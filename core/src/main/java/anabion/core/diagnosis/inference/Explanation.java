package anabion.core.diagnosis.inference;

import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * Why a cause stands where it stands: every reading against what this cause would give, and what speaks for it or against it.
 *
 * @param against the rival it is weighed against: the likeliest cause that is not of its group, or a sound set
 * @param readings in the order of the evidence
 */
public record Explanation(Hypothesis cause, Hypothesis against, List<Reason> readings) {
    public Explanation {
        readings = List.copyOf(readings);
    }

    /**
     * One piece of evidence.
     *
     * @param foreseen what this cause would show, volts or ohms; empty for what is heard
     * @param sound what a sound set would show
     * @param speaks for the cause, as the natural logarithm of how many times likelier it makes this reading than the rival does; negative against
     */
    public record Reason(Observation observation, Optional<Double> foreseen, Optional<Double> sound, double speaks) {}

    /** Weighs each piece of evidence for a cause against a rival. */
    public static Explanation of(
            PredictionModel predictions, List<Observation> evidence, Hypothesis cause, Hypothesis against) {
        List<Reason> reasons = new ArrayList<>();
        for (Observation o : evidence) {
            if (o instanceof Observation.Measured m)
                reasons.add(new Reason(
                        o,
                        value(predictions, cause, m.measurement()),
                        value(predictions, predictions.healthy(), m.measurement()),
                        log(predictions, cause, m) - log(predictions, against, m)));
            else {
                int said = Posterior.outcome(o);
                double ratio = predictions.said(cause, o.measurement())[said]
                        / predictions.said(against, o.measurement())[said];
                reasons.add(new Reason(o, Optional.empty(), Optional.empty(), Math.log(ratio)));
            }
        }
        return new Explanation(cause, against, reasons);
    }

    private static Optional<Double> value(PredictionModel predictions, Hypothesis h, Measurement.Metered measurement) {
        return predictions.at(h, measurement).map(f -> measurement.unscaled(f.value()));
    }

    /** One reading by itself, slips included. */
    private static double log(PredictionModel predictions, Hypothesis h, Observation.Measured m) {
        double read = m.measurement().scaled(m.value());
        double slip = Likelihood.SLIP * predictions.slip(m.measurement(), read);
        double near =
                predictions.at(h, m.measurement()).map(f -> f.density(read)).orElse(0.0);
        return Math.log((1 - Likelihood.SLIP) * near + slip);
    }

    /** The evidence that speaks loudest, for it first, then against it. */
    public List<Reason> loudest(int most) {
        return readings.stream()
                .sorted(Comparator.comparingDouble((Reason r) -> -Math.abs(r.speaks())))
                .limit(most)
                .toList();
    }
}
