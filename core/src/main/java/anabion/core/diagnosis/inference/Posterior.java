package anabion.core.diagnosis.inference;

import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.GaussianPrediction;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/** Odds of hypotheses after evidence. */
public final class Posterior {
    /** So far below the best in the logarithm, more than all that ears can add. */
    private static final double RULED_OUT = 25;

    private final PredictionModel predictions;
    private final List<Observation.Measured> measured = new ArrayList<>();
    private final List<Observation> others = new ArrayList<>();
    private final double[] read;
    private final double[] ranges;
    private final double[] slips;
    private final List<Hypothesis> hypotheses;
    private final List<String> unsettled = new ArrayList<>();
    private final Map<Hypothesis, Double> odds = new LinkedHashMap<>();
    private double other;

    /**
     * @param evidence what was measured and heard; may be empty, which leaves the priors
     * @param hypotheses among which the odds are divided
     */
    public Posterior(PredictionModel predictions, List<Observation> evidence, List<Hypothesis> hypotheses) {
        this.predictions = predictions;
        this.hypotheses = hypotheses;
        for (Observation o : evidence) {
            if (o instanceof Observation.Measured m) measured.add(m);
            else others.add(o);
        }
        read = Observation.scaled(measured);
        ranges = measured.stream().mapToDouble(m -> range(m)).toArray();
        slips = measured.stream()
                .mapToDouble(
                        m -> predictions.slip(m.measurement(), m.measurement().scaled(m.value())))
                .toArray();
        weigh();
    }

    private double range(Observation.Measured m) {
        double usual = predictions.range(m.measurement());
        double most = 2 * Math.abs(m.measurement().scaled(m.value()));
        return m.measurement() instanceof Measurement.Powered ? Math.max(usual, most) : usual;
    }

    private void weigh() {
        predictions.ready(
                hypotheses,
                measured.stream().map(Observation.Measured::measurement).toList());
        List<Hypothesis> settled = new ArrayList<>();
        List<List<GaussianPrediction>> foreseen = new ArrayList<>();
        List<Optional<List<GaussianPrediction>>> each = predictions.all(hypotheses, measured);
        for (int n = 0; n < each.size(); n++) {
            Hypothesis h = hypotheses.get(n);
            if (each.get(n).isEmpty()) unsettled.add(h.toString());
            else {
                settled.add(h);
                foreseen.add(each.get(n).get());
            }
        }
        double[] logs = foreseen.parallelStream()
                .mapToDouble(f -> Likelihood.of(read, f, slips))
                .toArray();
        for (int n = 0; n < logs.length; n++) logs[n] += Math.log(settled.get(n).prior());
        listen(settled, logs);
        double unlisted = Math.log(Hypothesis.OTHER) + Likelihood.other(read, sound(), ranges) + unlisted();
        double all = unlisted;
        for (double log : logs) all = Likelihood.logSum(all, log);
        for (int n = 0; n < logs.length; n++) odds.put(settled.get(n), Math.exp(logs[n] - all));
        other = Math.exp(unlisted - all);
    }

    /** What is heard takes long to compute, and cannot save what the meter has ruled out. */
    private void listen(List<Hypothesis> settled, double[] logs) {
        if (others.isEmpty()) return;
        double least = Arrays.stream(logs).max().orElse(0) - RULED_OUT;
        int[] open =
                IntStream.range(0, logs.length).filter(n -> logs[n] > least).toArray();
        predictions.heardReady(
                Arrays.stream(open).mapToObj(settled::get).toList(),
                others.stream().map(Observation::measurement).toList());
        for (int n : open) logs[n] += said(settled.get(n));
    }

    private List<GaussianPrediction> sound() {
        return predictions.all(predictions.healthy(), measured).orElseThrow();
    }

    /** What was heard, and what testers said. */
    private double said(Hypothesis h) {
        double log = 0;
        for (Observation o : others) log += Math.log(predictions.said(h, o.measurement())[outcome(o)]);
        return log;
    }

    private double unlisted() {
        double log = 0;
        for (Observation o : others) log += Math.log(PredictionModel.unknown(o.measurement())[outcome(o)]);
        return log;
    }

    /** Its place among the outcomes of {@link PredictionModel#said}. */
    public static int outcome(Observation o) {
        return o instanceof Observation.Heard x ? x.outcome().ordinal() : ((Observation.Tested) o).good() ? 1 : 0;
    }

    /** The odds of the others when some are rarer than their prior odds say, by a factor. */
    public Map<Hypothesis, Double> without(List<Hypothesis> rare, double factor) {
        double all = whole(rare, factor);
        Map<Hypothesis, Double> rest = new LinkedHashMap<>();
        odds.forEach((h, p) -> rest.put(h, p / all));
        rare.forEach(rest::remove);
        return rest;
    }

    /** Odds of what is on no list, some being rarer. */
    public double other(double factor, List<Hypothesis> rare) {
        return other / whole(rare, factor);
    }

    private double whole(List<Hypothesis> rare, double factor) {
        return 1 - (1 - factor) * rare.stream().mapToDouble(odds::get).sum();
    }

    /** Causes of which no circuit settled: they have no odds. */
    public List<String> unsettled() {
        return unsettled;
    }

    /** Those that matter, the likeliest first. */
    public List<Hypothesis> likely(double least, int most) {
        return odds.entrySet().stream()
                .filter(e -> e.getValue() > least)
                .sorted(Map.Entry.<Hypothesis, Double>comparingByValue(Comparator.reverseOrder()))
                .limit(most)
                .map(Map.Entry::getKey)
                .toList();
    }
}
