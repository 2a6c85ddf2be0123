package anabion.core.diagnosis.inference;

import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.GaussianPrediction;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What tells one cause from another.
 *
 * @param measurement what to do
 * @param one what the first would show: volts or ohms; empty for what is heard
 * @param other what the second would show
 * @param apart how far these lie apart, in standard deviations of the reading; of what is heard, as many as make the same odds
 */
public record Separation(Measurement measurement, Optional<Double> one, Optional<Double> other, double apart) {
    private static final int MOST = 5;

    /** The measurements that separate best, most per minute first; those that hardly do are left out. */
    public static List<Separation> of(
            PredictionModel predictions, List<Measurement> allowed, Hypothesis a, Hypothesis b) {
        List<Separation> all = new ArrayList<>();
        for (Measurement p : allowed) {
            if (p instanceof Measurement.Metered m)
                measured(predictions, m, a, b).ifPresent(all::add);
            else all.add(new Separation(p, Optional.empty(), Optional.empty(), heard(predictions, p, a, b)));
        }
        return all.stream()
                .filter(s -> s.apart() > 1)
                .sorted(Comparator.comparingDouble((Separation s) ->
                        -Math.min(s.apart(), 6) / s.measurement().minutes()))
                .limit(MOST)
                .toList();
    }

    private static Optional<Separation> measured(PredictionModel f, Measurement.Metered p, Hypothesis a, Hypothesis b) {
        Optional<GaussianPrediction> one = f.at(a, p);
        Optional<GaussianPrediction> two = f.at(b, p);
        if (one.isEmpty() || two.isEmpty()) return Optional.empty();
        double apart = Math.abs(one.get().value() - two.get().value())
                / Math.hypot(one.get().deviation(), two.get().deviation());
        return Optional.of(new Separation(
                p,
                Optional.of(p.unscaled(one.get().value())),
                Optional.of(p.unscaled(two.get().value())),
                apart));
    }

    /** By the overlap of the outcomes' odds: two Gaussians d apart overlap by exp(−d²/8). */
    private static double heard(PredictionModel f, Measurement p, Hypothesis a, Hypothesis b) {
        double[] one = f.said(a, p);
        double[] two = f.said(b, p);
        double overlap = 0;
        for (int n = 0; n < one.length; n++) overlap += Math.sqrt(one[n] * two[n]);
        return Math.sqrt(-8 * Math.log(Math.min(1, overlap)));
    }
}
