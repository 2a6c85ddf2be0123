package anabion.core.diagnosis.inference;

import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Amperes;
import anabion.core.diagnosis.evidence.Frequency;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Puts together what no measurement can tell apart: causes whose predictions lie within the meter's error of each other at every measurement that is allowed,
 * and that sound alike at every point.
 */
public final class Groups {
    /** A meter's error: relative, and of the logarithm of ohms. */
    private static final double VOLTS = 0.02;

    private static final double WATTS = 0.1;
    /** Of the logarithm of amperes. */
    private static final double AMPERES = 0.04;

    private static final double ALTERNATING = 0.05;
    /** Alternating volts that a meter shows of nothing. */
    private static final double PICKED_UP = 0.1;

    private static final double OHMS = 0.02;
    /** An output meter's error, of the logarithm of a level: a decibel and a half. */
    private static final double LEVEL = 0.075;
    /** A few hundredths of a frequency, by which dials are off. */
    private static final double HERTZ = 0.02;
    /** Outcomes of listening whose odds differ by less than this in sum sound alike. */
    private static final double EAR = 0.3;

    private final PredictionModel predictions;
    private final List<Measurement.Metered> measured = new ArrayList<>();
    private final List<Measurement> heard = new ArrayList<>();

    /** @param allowed measurements that may tell causes apart */
    public Groups(PredictionModel predictions, List<Measurement> allowed) {
        this.predictions = predictions;
        for (Measurement p : allowed) {
            if (p instanceof Measurement.Metered m) measured.add(m);
            else heard.add(p);
        }
    }

    /** Suspects, the likeliest first: the severities of one cause summed, and causes that look alike together. */
    public List<RankedCause> of(Map<Hypothesis, Double> odds, List<Hypothesis> likely) {
        Map<String, Double> byCause = new LinkedHashMap<>();
        odds.forEach((h, p) -> byCause.merge(h.cause(), p, Double::sum));
        List<List<Hypothesis>> groups = new ArrayList<>();
        for (Hypothesis h : likely) {
            if (groups.stream().flatMap(List::stream).anyMatch(g -> g.cause().equals(h.cause()))) continue;
            groups.stream()
                    .filter(g -> alike(g.get(0), h))
                    .findFirst()
                    .ifPresentOrElse(g -> g.add(h), () -> groups.add(new ArrayList<>(List.of(h))));
        }
        return groups.stream()
                .map(g -> new RankedCause(
                        g, g.stream().mapToDouble(h -> byCause.get(h.cause())).sum()))
                .sorted(Comparator.comparingDouble(RankedCause::odds).reversed())
                .toList();
    }

    /** Whether no allowed measurement tells the two apart. */
    public boolean alike(Hypothesis a, Hypothesis b) {
        for (Measurement.Metered p : measured) {
            double[] x = predictions.outlook(a, p);
            double[] y = predictions.outlook(b, p);
            // not where one is no number
            if (!(Math.abs(x[0] - y[0]) <= error(p, x, y))) return false;
        }
        for (Measurement p : heard) {
            double[] one = predictions.said(a, p);
            double[] two = predictions.said(b, p);
            double sum = 0;
            for (int n = 0; n < one.length; n++) sum += Math.abs(one[n] - two[n]);
            if (sum > EAR) return false;
        }
        return true;
    }

    private double error(Measurement.Metered p, double[] a, double[] b) {
        if (p instanceof Measurement.Volts)
            return VOLTS * Math.max(Math.abs(a[0]), Math.abs(b[0])) + predictions.little();
        if (p instanceof AlternatingVolts) return ALTERNATING * Math.max(Math.abs(a[0]), Math.abs(b[0])) + PICKED_UP;
        if (p instanceof Amperes) return AMPERES;
        if (p instanceof Measurement.Powered) return WATTS * Math.max(Math.abs(a[0]), Math.abs(b[0]));
        if (p instanceof Measurement.Level) return LEVEL;
        if (p instanceof Frequency) return HERTZ;
        // of ohms through electrolytics nobody knows more than their order
        return OHMS + Math.max(Math.abs(a[2]), Math.abs(b[2]));
    }
}
