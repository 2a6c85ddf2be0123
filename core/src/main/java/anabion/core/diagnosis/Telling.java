package anabion.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * How much a probe tells of what is wrong.
 *
 * <p>Method: the answers that a probe can give are cut into intervals, about the meter's error wide where sound sets lie and ever wider away from them (of
 * what is heard: the outcomes); each hypothesis puts its odds into them by its own spread. The entropy left is the mean, over intervals, of the entropy of
 * what remains possible. Severities of one cause count as one.
 */
final class Telling {
    private static final int INTERVALS = 32;
    /** The least spread, in intervals: what lies in the middle of one touches its neighbours. */
    private static final double LEAST = 0.4;
    /** What is heard is computed for so many of the likeliest. */
    private static final int LISTENED = 60;
    /** Hypotheses below these odds change nothing. */
    private static final double FAINT = 1e-5;
    /** Correlation, but for the meter's error, from which on two readings of a sound set ask the same. */
    private static final double TIED = 0.85;
    /** Odds of outcomes, on the mean over causes, that differ by less in sum are the same. */
    private static final double SAME = 0.3;
    /** Odds from which on readings narrow what a hypothesis foresees; of the faint ones it makes no difference. */
    private static final double NARROWED = 1e-3;

    private final Forecasts forecasts;
    private final List<Hypothesis> kept;
    /** Of each hypothesis the number of its cause; those of one cause follow each other. */
    private final int[] cause;

    private final double[] odds;
    /** What the readings leave open under each of the likelier hypotheses; empty without readings. */
    private final List<Optional<Given>> given;

    private final List<Observation> evidence;
    private final double before;
    private final double listened;

    /** @param evidence what further answers are foreseen from */
    private Telling(
            Forecasts forecasts, List<Hypothesis> kept, int[] cause, double[] odds, List<Observation> evidence) {
        this.forecasts = forecasts;
        this.kept = kept;
        this.cause = cause;
        this.evidence = evidence;
        double sum = Arrays.stream(odds).sum();
        this.odds = Arrays.stream(odds).map(p -> p / sum).toArray();
        this.given = given();
        double[] sorted = this.odds.clone();
        Arrays.sort(sorted);
        this.listened = sorted.length <= LISTENED ? 0 : sorted[sorted.length - LISTENED];
        Answers none = new Answers(1);
        for (int h = 0; h < odds.length; h++) put(none, h, 0, 1);
        this.before = none.left();
    }

    /**
     * @param odds of those hypotheses that are still to be told apart
     * @param same the cause under which a cause counts
     */
    static Telling of(Forecasts forecasts, Map<Hypothesis, Double> odds, UnaryOperator<String> same) {
        Map<String, List<Hypothesis>> causes = new LinkedHashMap<>();
        odds.forEach((h, p) -> {
            if (p > FAINT)
                causes.computeIfAbsent(same.apply(h.cause()), k -> new ArrayList<>())
                        .add(h);
        });
        List<Hypothesis> kept = causes.values().stream().flatMap(List::stream).toList();
        int[] cause = new int[kept.size()];
        int at = 0;
        int number = 0;
        for (List<Hypothesis> alike : causes.values()) {
            Arrays.fill(cause, at, at + alike.size(), number++);
            at += alike.size();
        }
        return new Telling(
                forecasts, kept, cause, kept.stream().mapToDouble(odds::get).toArray(), List.of());
    }

    /** The same where what the readings leave open of further answers is asked for. */
    Telling narrowed(List<Observation> readings) {
        return new Telling(forecasts, kept, cause, odds, readings);
    }

    private List<Optional<Given>> given() {
        if (Observation.measured(evidence).isEmpty()) return List.of();
        return IntStream.range(0, odds.length)
                .mapToObj(
                        h -> odds[h] < NARROWED ? Optional.<Given>empty() : Given.of(forecasts, kept.get(h), evidence))
                .toList();
    }

    /** Has computed at once what would be computed when asked for. */
    void ready(List<? extends Probe> probes) {
        forecasts.ready(kept, probes);
        forecasts.heardReady(
                IntStream.range(0, odds.length)
                        .filter(h -> odds[h] >= listened)
                        .mapToObj(kept::get)
                        .toList(),
                probes);
    }

    /** Bits of a probe: the expected fall of entropy over the causes. */
    double bits(Probe p) {
        return before - (p instanceof Probe.Measured m ? left(m) : leftSaid(p));
    }

    /** The same once a probe has given the answer that is expected of it. */
    Telling after(Probe p) {
        return p instanceof Probe.Measured m ? read(m) : said(p);
    }

    /** A reading in the middle of all that is foreseen. */
    private Telling read(Probe.Measured p) {
        double[][] o = outlooks(p);
        double middle = middle(o);
        double[] now = odds.clone();
        double slip = Likelihood.SLIP / forecasts.range(p);
        for (int h = 0; h < now.length; h++)
            now[h] *= slip + (Double.isNaN(o[h][0]) ? 0 : Foreseen.density(middle - o[h][0], o[h][1]));
        List<Observation> more = new ArrayList<>(evidence);
        more.add(new Observation.Measured(p, p.unscaled(middle)));
        return new Telling(forecasts, kept, cause, now, more);
    }

    private double middle(double[][] outlooks) {
        List<Integer> known = IntStream.range(0, outlooks.length)
                .filter(h -> !Double.isNaN(outlooks[h][0]))
                .boxed()
                .sorted(Comparator.comparingDouble(h -> outlooks[h][0]))
                .toList();
        double left = known.stream().mapToDouble(h -> odds[h]).sum() / 2;
        for (int h : known) {
            left -= odds[h];
            if (left <= 0) return outlooks[h][0];
        }
        return 0;
    }

    /**
     * Whether two readings move together as long as a set is sound, such as nets behind one rail; or two signals sound alike whatever is wrong, such as
     * those put in before the fault.
     */
    boolean alike(Probe one, Probe other) {
        if (one instanceof Probe.Measured a && other instanceof Probe.Measured b) return tied(a, b);
        boolean heard = Stream.of(one, other).noneMatch(p -> p instanceof Probe.Measured || p instanceof Probe.Parted);
        return heard && soundAlike(one, other);
    }

    private boolean soundAlike(Probe one, Probe other) {
        double apart = 0;
        double all = 0;
        for (int h = 0; h < odds.length; h++) {
            if (odds[h] < listened) continue;
            double[] x = forecasts.said(kept.get(h), one);
            double[] y = forecasts.said(kept.get(h), other);
            for (int b = 0; b < x.length; b++) apart += odds[h] * Math.abs(x[b] - y[b]);
            all += odds[h];
        }
        return apart < SAME * all;
    }

    private boolean tied(Probe.Measured a, Probe.Measured b) {
        Optional<Foreseen> x = forecasts.at(forecasts.healthy(), a);
        Optional<Foreseen> y = forecasts.at(forecasts.healthy(), b);
        if (x.isEmpty() || y.isEmpty()) return false;
        double own = x.get().shared(x.get()) * y.get().shared(y.get());
        return x.get().shared(y.get()) > TIED * Math.sqrt(own);
    }

    private Telling said(Probe p) {
        Heard heard = heard(p);
        int likeliest = heard.likeliest();
        double[] now = odds.clone();
        for (int h = 0; h < now.length; h++) now[h] *= heard.of(h, likeliest);
        return new Telling(forecasts, kept, cause, now, evidence);
    }

    /** Expected entropy after a probe, in bits. */
    private double left(Probe.Measured p) {
        double[][] o = outlooks(p);
        Scale scale = Scale.about(forecasts.outlook(forecasts.healthy(), p));
        Answers answers = new Answers(INTERVALS);
        double[] range = range(o, scale);
        double width = Math.max(1e-9, (range[1] - range[0]) / INTERVALS);
        for (int h = 0; h < odds.length; h++) spread(o[h], h, scale, range[0], width, answers);
        return answers.left();
    }

    private double[][] outlooks(Probe.Measured p) {
        double[][] o = new double[kept.size()][];
        for (int h = 0; h < o.length; h++) o[h] = outlook(h, p, given.isEmpty() ? Optional.empty() : given.get(h));
        return o;
    }

    private double[] outlook(int h, Probe.Measured p, Optional<Given> by) {
        return by.flatMap(g -> forecasts.at(kept.get(h), p).map(g::outlook))
                .orElseGet(() -> forecasts.outlook(kept.get(h), p));
    }

    /** Straight about what a sound set shows, as far as sound sets differ, and logarithmic beyond. */
    private record Scale(double middle, double unit) {
        static Scale about(double[] sound) {
            return Double.isNaN(sound[0]) ? new Scale(0, 1) : new Scale(sound[0], sound[1]);
        }

        double of(double value) {
            double x = (value - middle) / unit;
            return Math.signum(x) * Math.log(Math.abs(x) + Math.sqrt(x * x + 1));
        }

        /** Of a small difference at a value. */
        double of(double difference, double value) {
            double off = value - middle;
            return difference / Math.sqrt(off * off + unit * unit);
        }
    }

    private static double[] range(double[][] all, Scale scale) {
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (double[] o : all) {
            if (Double.isNaN(o[0])) continue;
            double sigma = scale.of(o[1], o[0]);
            least = Math.min(least, scale.of(o[0]) - 2 * sigma);
            most = Math.max(most, scale.of(o[0]) + 2 * sigma);
        }
        return new double[] {least, most};
    }

    private void spread(double[] o, int h, Scale scale, double least, double width, Answers answers) {
        double value = o[0];
        if (Double.isNaN(value)) {
            for (int b = 0; b < INTERVALS; b++) put(answers, h, b, 1.0 / INTERVALS);
            return;
        }
        double x = (scale.of(value) - least) / width;
        double sigma = Math.max(LEAST, scale.of(o[1], value) / width);
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
        for (int b = from; b <= to; b++) put(answers, h, b, weight[b - from] / sum);
    }

    private void put(Answers answers, int h, int answer, double share) {
        answers.put(cause[h], answer, share * odds[h]);
    }

    private double leftSaid(Probe p) {
        Heard heard = heard(p);
        Answers answers = new Answers(heard.outcomes());
        for (int h = 0; h < odds.length; h++)
            for (int b = 0; b < heard.outcomes(); b++) put(answers, h, b, heard.of(h, b));
        return answers.left();
    }

    /** The odds of the outcomes of a probe. */
    private static final class Heard {
        private final double[][] known;
        private final double[] usual;

        /**
         * @param known of each hypothesis, where they were computed
         * @param usual of all these on the whole
         */
        Heard(double[][] known, double[] usual) {
            this.known = known;
            this.usual = usual;
        }

        int outcomes() {
            return usual.length;
        }

        /** Nothing is to be learned of what was not computed: it answers as the others do. */
        double of(int h, int outcome) {
            return known[h] == null ? usual[outcome] : known[h][outcome];
        }

        int likeliest() {
            int most = 0;
            for (int b = 1; b < usual.length; b++) if (usual[b] > usual[most]) most = b;
            return most;
        }
    }

    private Heard heard(Probe p) {
        double[][] known = new double[odds.length][];
        double[] usual = new double[Forecasts.unknown(p).length];
        double sum = 0;
        for (int h = 0; h < odds.length; h++) {
            if (odds[h] < listened && !forecasts.knows(kept.get(h), p)) continue;
            known[h] = forecasts.said(kept.get(h), p);
            sum += odds[h];
            for (int b = 0; b < usual.length; b++) usual[b] += odds[h] * known[h][b];
        }
        for (int b = 0; b < usual.length; b++) usual[b] /= sum;
        return new Heard(known, usual);
    }
}
