package anabion.core.diagnosis.inference;

import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.GaussianPrediction;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Two faults at once.
 *
 * <p>Method: a fault that is half of the truth explains some readings and leaves others as they would be in a sound set, or anywhere. Each single
 * fault is scored by the readings that it explains, whatever the rest does; the best are joined two by two, those of one part left out. Of these pairs
 * there are too many to be solved while somebody waits, so that each is first judged as if what its two faults do added up; the best are then solved
 * as they are. It fails where neither fault alone explains anything, or two undo each other.
 */
public final class Pairs {
    private static final double HALF = 0.5;
    /** Single faults that are joined, and pairs that are solved. */
    private static final int JOINED = 40;

    private static final int SOLVED = 80;

    private final PredictionModel predictions;
    private final List<Observation.Measured> measured;
    private final List<Observation> heard;
    private final double[] read;
    private final double[] slips;
    private final List<GaussianPrediction> sound;
    private final Map<Hypothesis, Optional<List<GaussianPrediction>>> alone = new HashMap<>();
    private final Map<Hypothesis, double[]> said = new HashMap<>();

    private Pairs(PredictionModel predictions, List<Observation> evidence) {
        this.predictions = predictions;
        this.measured = Observation.measured(evidence);
        this.heard = evidence.stream()
                .filter(o -> !(o instanceof Observation.Measured))
                .toList();
        this.read = Observation.scaled(measured);
        this.slips = new double[read.length];
        for (int i = 0; i < read.length; i++)
            slips[i] = predictions.slip(measured.get(i).measurement(), read[i]);
        this.sound = predictions.all(predictions.healthy(), measured).orElseThrow();
    }

    /** The pairs worth solving, the likeliest as it seems first. */
    public static List<Hypothesis> of(PredictionModel predictions, List<Observation> evidence) {
        return new Pairs(predictions, evidence).best();
    }

    private List<Hypothesis> best() {
        List<Hypothesis> single = single();
        Map<Hypothesis, Double> scores = new HashMap<>();
        for (int a = 0; a < single.size(); a++)
            for (int b = a + 1; b < single.size(); b++) {
                String one = single.get(a).from().get(0).part();
                if (single.get(b).from().get(0).part().equals(one)) continue;
                Hypothesis both = single.get(a).and(single.get(b));
                scores.put(both, Math.log(both.prior()) + together(single.get(a), single.get(b)));
            }
        return scores.keySet().stream()
                .sorted(Comparator.comparingDouble((Hypothesis h) -> scores.get(h))
                        .reversed())
                .limit(SOLVED)
                .toList();
    }

    private List<Hypothesis> single() {
        Map<Hypothesis, Double> scores = new HashMap<>();
        for (Hypothesis h : predictions.hypotheses()) if (!h.sound()) scores.put(h, Math.log(h.prior()) + explained(h));
        return predictions.hypotheses().stream()
                .filter(scores::containsKey)
                .sorted(Comparator.comparingDouble((Hypothesis h) -> scores.get(h))
                        .reversed())
                .limit(JOINED)
                .toList();
    }

    private double explained(Hypothesis h) {
        double sum = 0;
        for (int i = 0; i < read.length; i++) {
            Measurement.Metered measurement = measured.get(i).measurement();
            double value = read[i];
            double near =
                    predictions.at(h, measurement).map(f -> f.density(value)).orElse(0.0);
            sum += Math.log(HALF * near + (1 - HALF) / predictions.range(measurement));
        }
        return sum;
    }

    /** Logarithm of the likelihood, as if what both do to each reading added up, and of the two the ear heard the one that explains it. */
    private double together(Hypothesis a, Hypothesis b) {
        Optional<List<GaussianPrediction>> one = alone(a);
        Optional<List<GaussianPrediction>> other = alone(b);
        if (one.isEmpty() || other.isEmpty()) return Double.NEGATIVE_INFINITY;
        List<GaussianPrediction> both = new ArrayList<>();
        for (int i = 0; i < read.length; i++)
            both.add(one.get().get(i).and(other.get().get(i), sound.get(i)));
        double log = Likelihood.of(read, both, slips);
        double[] first = said(a);
        double[] second = said(b);
        for (int i = 0; i < first.length; i++) log += Math.log(Math.max(first[i], second[i]));
        return log;
    }

    private Optional<List<GaussianPrediction>> alone(Hypothesis h) {
        return alone.computeIfAbsent(h, k -> predictions.all(k, measured));
    }

    private double[] said(Hypothesis h) {
        return said.computeIfAbsent(h, k -> heard.stream()
                .mapToDouble(o -> predictions.said(k, o.measurement())[Posterior.outcome(o)])
                .toArray());
    }
}
