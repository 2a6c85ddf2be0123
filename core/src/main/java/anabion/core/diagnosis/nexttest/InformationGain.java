package anabion.core.diagnosis.nexttest;

import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.ConditionalGaussian;
import anabion.core.diagnosis.inference.Likelihood;
import anabion.core.diagnosis.prediction.GaussianPrediction;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleSupplier;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * How much a measurement tells of what is wrong.
 *
 * <p>Method: each hypothesis puts its odds into the answers that a measurement can give, {@link ReadingBins} of what is read and outcomes of what is heard. The
 * entropy left is the mean, over answers, of the entropy of what remains possible. Severities of one cause count as one. What is foreseen is collected on
 * the caller's thread; what follows from it is computed on all processors.
 */
public final class InformationGain {
    /** What is heard is computed for so many of the likeliest. */
    private static final int LISTENED = 60;
    /** The faintest hypotheses, which hold so much of the odds together, change nothing. */
    private static final double IGNORED = 0.01;
    /** Correlation, but for the meter's error, from which on two readings of a sound set ask the same. */
    private static final double TIED = 0.85;
    /** Odds of outcomes, on the mean over causes, that differ by less in sum are the same. */
    private static final double SAME = 0.3;
    /** Odds from which on readings narrow what a hypothesis foresees; of the faint ones it makes no difference. */
    private static final double NARROWED = 1e-3;

    private static final double[] UNSETTLED = {Double.NaN, Double.NaN};

    private final PredictionModel predictions;
    private final List<Hypothesis> kept;
    /** Of each hypothesis the number of its cause; those of one cause follow each other. */
    private final int[] cause;

    private final double[] odds;
    /** What the readings leave open under each of the likelier hypotheses. */
    private final List<Optional<ConditionalGaussian>> given;

    /** Those under which they leave less open than nothing would, and the others. */
    private final List<Hypothesis> narrower;

    private final List<Hypothesis> wider;
    private final List<Observation> evidence;
    private final double before;
    private final double listened;

    /**
     * @param evidence what further answers are foreseen from
     * @param known of each hypothesis, where it has been told already
     */
    private InformationGain(
            PredictionModel predictions,
            List<Hypothesis> kept,
            int[] cause,
            double[] odds,
            List<Observation> evidence,
            List<Optional<ConditionalGaussian>> known) {
        this.predictions = predictions;
        this.kept = kept;
        this.cause = cause;
        this.evidence = evidence;
        double sum = Arrays.stream(odds).sum();
        this.odds = Arrays.stream(odds).map(p -> p / sum).toArray();
        this.given = given(known);
        this.narrower = hypotheses(true);
        this.wider = hypotheses(false);
        double[] sorted = this.odds.clone();
        Arrays.sort(sorted);
        this.listened = sorted.length <= LISTENED ? 0 : sorted[sorted.length - LISTENED];
        OutcomeEntropy none = new OutcomeEntropy(1);
        for (int h = 0; h < odds.length; h++) put(none, h, 0, 1);
        this.before = none.left();
    }

    /**
     * @param odds of those hypotheses that are still to be told apart
     * @param same the cause under which a cause counts
     */
    public static InformationGain of(
            PredictionModel predictions, Map<Hypothesis, Double> odds, UnaryOperator<String> same) {
        Map<String, List<Hypothesis>> causes = new LinkedHashMap<>();
        double faint = faint(odds.values());
        odds.forEach((h, p) -> {
            if (p > faint)
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
        return new InformationGain(
                predictions, kept, cause, kept.stream().mapToDouble(odds::get).toArray(), List.of(), none(kept.size()));
    }

    private static double faint(Collection<Double> odds) {
        double[] sorted = odds.stream().mapToDouble(p -> p).sorted().toArray();
        double left = IGNORED * Arrays.stream(sorted).sum();
        int n = 0;
        while (n < sorted.length - 1 && (left -= sorted[n]) > 0) n++;
        return n == 0 ? 0 : sorted[n - 1];
    }

    /** The gain after some readings: how much they leave open of further answers. */
    public InformationGain narrowed(List<Observation> readings) {
        return new InformationGain(predictions, kept, cause, odds, readings, none(odds.length));
    }

    private static List<Optional<ConditionalGaussian>> none(int hypotheses) {
        return Collections.nCopies(hypotheses, Optional.empty());
    }

    /** @param known those that the evidence has already been told; what has become faint is dropped, what has become likelier comes in */
    private List<Optional<ConditionalGaussian>> given(List<Optional<ConditionalGaussian>> known) {
        List<Observation.Measured> measured = Observation.measured(evidence);
        if (measured.isEmpty()) return none(odds.length);
        double[] read = Observation.scaled(measured);
        List<Hypothesis> untold = IntStream.range(0, odds.length)
                .filter(h -> odds[h] >= NARROWED && known.get(h).isEmpty())
                .mapToObj(kept::get)
                .toList();
        Iterator<Optional<ConditionalGaussian>> told = predictions.all(untold, measured).parallelStream()
                .map(foreseen -> foreseen.map(f -> ConditionalGaussian.of(f, read)))
                .toList()
                .iterator();
        List<Optional<ConditionalGaussian>> all = new ArrayList<>();
        for (int h = 0; h < odds.length; h++) {
            if (odds[h] < NARROWED) all.add(Optional.empty());
            else all.add(known.get(h).isPresent() ? known.get(h) : told.next());
        }
        return all;
    }

    /** Has computed at once what would be computed when asked for. */
    public void ready(List<? extends Measurement> measurements) {
        predictions.ready(kept, measurements);
        predictions.heardReady(
                IntStream.range(0, odds.length)
                        .filter(h -> odds[h] >= listened)
                        .mapToObj(kept::get)
                        .toList(),
                measurements);
    }

    /** Bits of a measurement: the expected fall of entropy over the causes. */
    public double bits(Measurement p) {
        return bits(List.of(p))[0];
    }

    /** Bits of each measurement. */
    public double[] bits(List<Measurement> measurements) {
        List<DoubleSupplier> left = measurements.stream()
                .map(p -> p instanceof Measurement.Metered m ? left(m) : leftSaid(p))
                .toList();
        return left.parallelStream().mapToDouble(l -> before - l.getAsDouble()).toArray();
    }

    /** The gain once a measurement has given the answer that is expected of it. */
    public InformationGain after(Measurement p) {
        return p instanceof Measurement.Metered m ? read(m) : said(p);
    }

    /** A reading in the middle of all that is foreseen. */
    private InformationGain read(Measurement.Metered p) {
        double[][] o = outlooks(p).get();
        double middle = middle(o);
        double[] now = odds.clone();
        double slip = Likelihood.SLIP / predictions.range(p);
        for (int h = 0; h < now.length; h++)
            now[h] *= slip + (Double.isNaN(o[h][0]) ? 0 : GaussianPrediction.density(middle - o[h][0], o[h][1]));
        List<Observation> more = new ArrayList<>(evidence);
        more.add(new Observation.Measured(p, p.unscaled(middle)));
        Iterator<Optional<GaussianPrediction>> next =
                predictions.at(narrower, p).iterator();
        List<Optional<ConditionalGaussian>> told = given.stream()
                .map(known -> known.flatMap(g -> next.next().map(f -> g.and(f, middle))))
                .toList();
        return new InformationGain(predictions, kept, cause, now, more, told);
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
    public boolean alike(Measurement one, Measurement other) {
        if (one instanceof Measurement.Metered a && other instanceof Measurement.Metered b) return tied(a, b);
        boolean heard = Stream.of(one, other)
                .noneMatch(p -> p instanceof Measurement.Metered || p instanceof Measurement.PartTest);
        return heard && soundAlike(one, other);
    }

    private boolean soundAlike(Measurement one, Measurement other) {
        double apart = 0;
        double all = 0;
        for (int h = 0; h < odds.length; h++) {
            if (odds[h] < listened) continue;
            double[] x = predictions.said(kept.get(h), one);
            double[] y = predictions.said(kept.get(h), other);
            for (int b = 0; b < x.length; b++) apart += odds[h] * Math.abs(x[b] - y[b]);
            all += odds[h];
        }
        return apart < SAME * all;
    }

    private boolean tied(Measurement.Metered a, Measurement.Metered b) {
        Optional<GaussianPrediction> x = predictions.at(predictions.healthy(), a);
        Optional<GaussianPrediction> y = predictions.at(predictions.healthy(), b);
        if (x.isEmpty() || y.isEmpty()) return false;
        double own = x.get().shared(x.get()) * y.get().shared(y.get());
        return x.get().shared(y.get()) > TIED * Math.sqrt(own);
    }

    private InformationGain said(Measurement p) {
        Heard heard = heard(p);
        int likeliest = heard.likeliest();
        double[] now = odds.clone();
        for (int h = 0; h < now.length; h++) now[h] *= heard.of(h, likeliest);
        return new InformationGain(predictions, kept, cause, now, evidence, given);
    }

    /** Expected entropy after a measurement, in bits. */
    private DoubleSupplier left(Measurement.Metered p) {
        Supplier<double[][]> outlooks = outlooks(p);
        double[] sound = predictions.outlook(predictions.healthy(), p);
        return () -> new ReadingBins(outlooks.get(), sound).left(odds, cause);
    }

    /** Of each hypothesis middle and deviation, as far as the readings leave them open. */
    private Supplier<double[][]> outlooks(Measurement.Metered p) {
        List<Optional<GaussianPrediction>> next = predictions.at(narrower, p);
        List<double[]> others = predictions.outlook(wider, p);
        return () -> {
            Iterator<Optional<GaussianPrediction>> narrowed = next.iterator();
            Iterator<double[]> wide = others.iterator();
            return given.stream()
                    .map(g -> g.isEmpty()
                            ? wide.next()
                            : narrowed.next().map(g.get()::outlook).orElse(UNSETTLED))
                    .toArray(double[][]::new);
        };
    }

    private List<Hypothesis> hypotheses(boolean narrowed) {
        return IntStream.range(0, odds.length)
                .filter(h -> given.get(h).isPresent() == narrowed)
                .mapToObj(kept::get)
                .toList();
    }

    private void put(OutcomeEntropy answers, int h, int answer, double share) {
        answers.put(cause[h], answer, share * odds[h]);
    }

    private DoubleSupplier leftSaid(Measurement p) {
        Heard heard = heard(p);
        return () -> {
            OutcomeEntropy answers = new OutcomeEntropy(heard.outcomes());
            for (int h = 0; h < odds.length; h++)
                for (int b = 0; b < heard.outcomes(); b++) put(answers, h, b, heard.of(h, b));
            return answers.left();
        };
    }

    /** The odds of the outcomes of a measurement. */
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

    private Heard heard(Measurement p) {
        double[][] known = new double[odds.length][];
        double[] usual = new double[PredictionModel.unknown(p).length];
        double sum = 0;
        for (int h = 0; h < odds.length; h++) {
            if (odds[h] < listened && !predictions.knows(kept.get(h), p)) continue;
            known[h] = predictions.said(kept.get(h), p);
            sum += odds[h];
            for (int b = 0; b < usual.length; b++) usual[b] += odds[h] * known[h][b];
        }
        for (int b = 0; b < usual.length; b++) usual[b] /= sum;
        return new Heard(known, usual);
    }
}
