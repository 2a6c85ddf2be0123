package anabion.core.diagnosis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * What to measure next: the probe with the largest expected fall of entropy over the causes, per minute of bench time.
 *
 * <p>Method: the answers that a probe can give are cut into intervals about as wide as the meter's error (of what is heard: the outcomes); each
 * hypothesis puts its odds into them by its own spread. The entropy left is the mean, over intervals, of the entropy of what remains possible.
 * Severities of one cause count as one, and so do causes that look alike. The scale of volts is that of asinh, so that an interval near zero is a tenth of a volt wide and far from it
 * two per cent.
 */
final class NextProbes {
    private static final int MOST = 5;
    /** Bits below which nobody reaches for the probe. */
    private static final double WORTH = 0.1;

    /** Bits from which on, and number of probes of which, it is worth asking what the readings leave open of their answers. */
    private static final double FIRST_LOOK = 0.03;

    private static final int LOOKED_AT = 60;
    /** Odds from which on readings narrow what a hypothesis foresees; of the faint ones it makes no difference. */
    private static final double NARROWED = 1e-3;

    private static final Comparator<Diagnosis.NextTest> PER_MINUTE = Comparator.comparingDouble(
                    (Diagnosis.NextTest t) -> t.information() / t.minutes())
            .reversed();

    private static final int INTERVALS = 48;
    /** Volts at which asinh turns from straight to logarithmic. */
    private static final double KNEE = 4;
    /** What is heard is computed for so many of the likeliest; the rest may sound like anything. */
    private static final int LISTENED = 60;
    /** Hypotheses below these odds change nothing. */
    private static final double FAINT = 1e-5;

    private final Forecasts forecasts;
    private final List<Hypothesis> kept;
    private final double[] odds;
    private final int[] cause;
    private final int causes;
    private final double listened;

    /**
     * @param odds of those hypotheses that are still to be told apart
     * @param suspects causes that stand together, so that nobody asks which of them
     */
    NextProbes(Forecasts forecasts, Map<Hypothesis, Double> odds, List<Diagnosis.Suspect> suspects) {
        this.forecasts = forecasts;
        this.kept = odds.entrySet().stream()
                .filter(e -> e.getValue() > FAINT)
                .map(Map.Entry::getKey)
                .toList();
        this.odds = kept.stream().mapToDouble(odds::get).toArray();
        double sum = java.util.Arrays.stream(this.odds).sum();
        for (int n = 0; n < this.odds.length; n++) this.odds[n] /= sum;
        Map<String, Integer> index = new HashMap<>();
        Map<String, String> together = new HashMap<>();
        suspects.forEach(
                s -> s.causes().forEach(h -> together.put(h.cause(), s.first().cause())));
        this.cause = kept.stream()
                .map(h -> together.getOrDefault(h.cause(), h.cause()))
                .mapToInt(c -> index.computeIfAbsent(c, k -> index.size()))
                .toArray();
        this.causes = index.size();
        double[] sorted = this.odds.clone();
        java.util.Arrays.sort(sorted);
        this.listened = sorted.length <= LISTENED ? 0 : sorted[sorted.length - LISTENED];
    }

    /** The most telling per minute first. */
    List<Diagnosis.NextTest> of(List<Probe> allowed, List<Observation> evidence) {
        return worth(allowed, evidence).stream().limit(MOST).toList();
    }

    /** All that is worth doing and was not done yet, the most telling per minute first. */
    List<Diagnosis.NextTest> worth(List<? extends Probe> allowed, List<Observation> evidence) {
        Set<String> done = evidence.stream().map(o -> o.probe().text()).collect(Collectors.toSet());
        double[] sums = new double[causes];
        for (int h = 0; h < odds.length; h++) sums[cause[h]] += odds[h];
        double before = entropy(sums, 1);
        forecasts.ready(kept, allowed);
        forecasts.heardReady(heardOf(), allowed);
        List<Diagnosis.NextTest> found = new ArrayList<>();
        for (Probe p : allowed) {
            if (done.contains(p.text())) continue;
            double bits = before - (p instanceof Probe.Measured m ? left(m, List.of()) : leftSaid(p));
            if (bits > FIRST_LOOK) found.add(new Diagnosis.NextTest(p, p.minutes(), bits));
        }
        found.sort(PER_MINUTE);
        List<Optional<Given>> given = given(evidence);
        if (!given.isEmpty())
            for (int n = 0; n < Math.min(LOOKED_AT, found.size()); n++) {
                Diagnosis.NextTest t = found.get(n);
                if (t.probe() instanceof Probe.Measured m)
                    found.set(n, new Diagnosis.NextTest(m, t.minutes(), before - left(m, given)));
            }
        found.removeIf(t -> t.information() <= WORTH);
        found.sort(PER_MINUTE);
        return found;
    }

    /** What the readings leave open under each of the likelier hypotheses; empty without readings. */
    private List<Optional<Given>> given(List<Observation> evidence) {
        if (Observation.measured(evidence).isEmpty()) return List.of();
        return IntStream.range(0, odds.length)
                .mapToObj(
                        h -> odds[h] < NARROWED ? Optional.<Given>empty() : Given.of(forecasts, kept.get(h), evidence))
                .toList();
    }

    /** Expected entropy after a probe, in bits. */
    private double left(Probe.Measured p, List<Optional<Given>> given) {
        double knee = p instanceof Probe.Volts ? KNEE : 0;
        double[][] o = new double[kept.size()][];
        for (int h = 0; h < o.length; h++) o[h] = outlook(h, p, given.isEmpty() ? Optional.empty() : given.get(h));
        double[][] sums = new double[INTERVALS][causes];
        double[] all = new double[INTERVALS];
        double[] range = range(o, knee);
        double width = Math.max(1e-9, (range[1] - range[0]) / INTERVALS);
        for (int h = 0; h < odds.length; h++) spread(o[h], h, knee, range[0], width, sums, all);
        return left(sums, all);
    }

    private double[] outlook(int h, Probe.Measured p, Optional<Given> given) {
        return given.flatMap(g -> forecasts.at(kept.get(h), p).map(g::outlook))
                .orElseGet(() -> forecasts.outlook(kept.get(h), p));
    }

    private List<Hypothesis> heardOf() {
        return IntStream.range(0, odds.length)
                .filter(h -> odds[h] >= listened)
                .mapToObj(kept::get)
                .toList();
    }

    private double leftSaid(Probe p) {
        int outcomes = Forecasts.unknown(p).length;
        double[][] sums = new double[outcomes][causes];
        double[] all = new double[outcomes];
        for (int h = 0; h < odds.length; h++) {
            double[] said = odds[h] >= listened || p instanceof Probe.Parted
                    ? forecasts.said(kept.get(h), p)
                    : Forecasts.unknown(p);
            for (int b = 0; b < outcomes; b++) put(sums, all, b, h, said[b]);
        }
        return left(sums, all);
    }

    private static double left(double[][] sums, double[] all) {
        double left = 0;
        for (int b = 0; b < all.length; b++) if (all[b] > 0) left += all[b] * entropy(sums[b], all[b]);
        return left;
    }

    private void put(double[][] sums, double[] all, int interval, int h, double share) {
        sums[interval][cause[h]] += share * odds[h];
        all[interval] += share * odds[h];
    }

    private void spread(double[] o, int h, double knee, double least, double width, double[][] sums, double[] all) {
        double value = o[0];
        if (Double.isNaN(value)) {
            for (int b = 0; b < INTERVALS; b++) put(sums, all, b, h, 1.0 / INTERVALS);
            return;
        }
        double x = (scaled(value, knee) - least) / width;
        double sigma = Math.max(0.4, slope(value, knee) * o[1] / width);
        int from = (int) Math.max(0, Math.floor(x - 2.5 * sigma));
        int to = (int) Math.min(INTERVALS - 1.0, Math.floor(x + 2.5 * sigma));
        from = Math.min(from, INTERVALS - 1);
        to = Math.max(from, to);
        double sum = 0;
        double[] weight = new double[to - from + 1];
        // a bell at even steps: the ratio of neighbours falls by a constant factor
        double z = (from + 0.5 - x) / sigma;
        double step = 1 / sigma;
        double now = Math.exp(-z * z / 2);
        double ratio = Math.exp(-step * (z + step / 2));
        double falls = Math.exp(-step * step);
        for (int b = from; b <= to; b++) {
            weight[b - from] = now;
            sum += now;
            now *= ratio;
            ratio *= falls;
        }
        for (int b = from; b <= to; b++) put(sums, all, b, h, weight[b - from] / sum);
    }

    private static double[] range(double[][] all, double knee) {
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (double[] o : all) {
            if (Double.isNaN(o[0])) continue;
            double sigma = slope(o[0], knee) * o[1];
            least = Math.min(least, scaled(o[0], knee) - 2 * sigma);
            most = Math.max(most, scaled(o[0], knee) + 2 * sigma);
        }
        return new double[] {least, most};
    }

    private static double scaled(double value, double knee) {
        if (knee == 0) return value;
        double x = value / knee;
        return Math.signum(x) * Math.log(Math.abs(x) + Math.sqrt(x * x + 1));
    }

    private static double slope(double value, double knee) {
        return knee == 0 ? 1 : 1 / Math.sqrt(value * value + knee * knee);
    }

    /** In bits, of parts of a whole. */
    private static double entropy(double[] parts, double whole) {
        double bits = 0;
        for (double s : parts) if (s > 1e-9) bits -= s / whole * Math.log(s / whole);
        return bits / Math.log(2);
    }
}
