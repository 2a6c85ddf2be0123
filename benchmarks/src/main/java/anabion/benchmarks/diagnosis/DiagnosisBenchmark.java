package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chart;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.Measurements;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.job.Outcome;
import anabion.core.simulation.chart.Calibrations;
import anabion.core.simulation.chart.ChartMaker;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Random faults, found by the tests that the diagnosis asks for, and by two plain ways of working. */
public final class DiagnosisBenchmark {
    private static final double LINE = 0.1;
    private static final double UNLISTED = 0.1;
    /** Walks longer than this are listed with those that missed. */
    private static final int LONG = 11;

    private static final int TOLD = 100;
    /** The plain ways of working take four times as long: of many cases they get the first. */
    private static final int MOST_COMPARED = 200;
    /** Specimens whose charts the mismatched cases are judged by, to each set. */
    private static final int CHARTS = 4;

    private final Chassis chassis;
    private final PredictionModel predictions;
    private final boolean mismatched;
    private final boolean pairs;
    private final List<String> trace = new ArrayList<>();

    /** @param mismatched whether its chart is believed: that of another specimen */
    private DiagnosisBenchmark(Chassis chassis, boolean mismatched, boolean pairs) {
        this.chassis = chassis;
        this.predictions = mismatched
                ? new PredictionModel(chassis, Calibrations.of(chassis), Priors.USUAL)
                : new PredictionModel(chassis, Priors.USUAL);
        this.mismatched = mismatched;
        this.pairs = pairs;
    }

    /**
     * Runs the cases of one kind.
     *
     * @param verbose prints each case that is missed
     */
    public static Map<String, Object> run(
            List<Chassis> sets, int cases, long seed, boolean mismatched, boolean pairs, boolean verbose) {
        Score score = new Score();
        AtomicInteger done = new AtomicInteger();
        int shares = sets.size() * (mismatched ? CHARTS : 2);
        IntStream.range(0, shares).parallel().forEach(share -> {
            Chassis plain = sets.get(share * sets.size() / shares);
            Chassis set = mismatched ? charted(plain, random(seed, -1 - share)) : plain;
            DiagnosisBenchmark bench = new DiagnosisBenchmark(set, mismatched, pairs);
            for (int n = share; n < cases; n += shares) {
                bench.one(random(seed, n), score, n < MOST_COMPARED);
                int walked = done.incrementAndGet();
                if (walked % TOLD == 0) System.err.println(walked + " of " + cases + " cases");
            }
            if (verbose)
                synchronized (score) {
                    bench.trace.forEach(System.err::println);
                }
        });
        return score.table();
    }

    /** Seeds that follow each other give alike first numbers; these are stirred first. */
    private static Random random(long seed, long n) {
        return new Random(new SplittableRandom(seed * 1_000_003 + n).nextLong());
    }

    /** What a chart taken on another specimen makes one believe of this design. */
    private static Chassis charted(Chassis set, Random random) {
        if (set.chart().isEmpty()) return set;
        Chart chart = ChartMaker.of(set, Specimen.of(set, random, false));
        return set.withChart(chart);
    }

    /** @param compared whether the plain ways of working are tried on it too */
    private void one(Random random, Score score, boolean compared) {
        SimulatedBench bench;
        Planted planted;
        double line;
        List<Measurement> allowed;
        boolean unlisted = mismatched && random.nextDouble() < UNLISTED;
        do {
            planted = pairs
                    ? Planted.pair(chassis, random)
                    : unlisted ? Planted.unlisted(chassis, random) : Planted.listed(chassis, random);
            line = chassis.supply().volts() * (1 + LINE * Specimen.even(random));
            bench = new SimulatedBench(chassis, planted, Specimen.of(chassis, random, mismatched), line, random);
            allowed = Measurements.of(predictions, Setting.of(bench.lineRead()), new MeterSpec.Fixed(10e6));
        } while (!bench.settles() || !bench.shows(allowed));
        List<Measurement> finer = Measurements.levels(
                predictions, allowed, chassis.bands().stream().map(Band::name).collect(Collectors.toSet()));
        Walked led = walk(Walk.led(), bench, finer);
        int half = 0;
        int pins = 0;
        if (compared) {
            half = walk(Walk.halfSplit(predictions, allowed), bench, allowed).tests();
            pins = walk(Walk.pinByPin(predictions, allowed), bench, allowed).tests();
        }
        Score.Outcome came = outcome(led, planted, unlisted);
        score.add(came, half, pins);
        if (came.rank() != 1 || came.tests() > LONG)
            trace.add(chassis.name() + " " + (unlisted ? "unlisted " : "") + planted.faults() + " rank " + came.rank()
                    + " tests " + came.tests() + " " + led.told());
    }

    private Walked walk(Walk walk, SimulatedBench bench, List<Measurement> allowed) {
        List<Observation> complaint = allowed.stream()
                .filter(Measurement.Listen.class::isInstance)
                .map(bench::answer)
                .toList();
        return Walked.of(walk, bench, complaint, evidence -> look(walk, evidence, allowed));
    }

    private static Score.Outcome outcome(Walked walked, Planted planted, boolean unlisted) {
        Diagnosis last = walked.verdict();
        Predicate<RankedCause> truth = s -> isTruth(s, planted.causes(), unlisted);
        Predicate<RankedCause> part =
                s -> truth.test(s) || (!unlisted && s.parts().containsAll(planted.parts()));
        List<Diagnosis> tested = walked.verdicts().stream().skip(1).toList();
        return new Score.Outcome(
                rank(last, truth, unlisted),
                rank(last, part, unlisted),
                walked.tests(),
                last.suspects().isEmpty() ? 1 : last.suspects().get(0).causes().size(),
                walked.finished(),
                walked.evidence().stream()
                        .limit(walked.evidence().size() - walked.tests())
                        .anyMatch(o -> o instanceof Observation.Heard h && h.outcome() != Outcome.LOUD),
                tested.stream().map(d -> Math.max(top(d), d.other())).toList(),
                tested.stream().map(d -> rank(d, truth, unlisted) == 1).toList());
    }

    private Diagnosis look(Walk walk, List<Observation> evidence, List<Measurement> allowed) {
        if (pairs) return Diagnosis.withPairs(predictions, evidence);
        return walk.asks()
                ? Diagnosis.of(predictions, evidence, allowed)
                : Diagnosis.verdict(predictions, evidence, allowed);
    }

    private static double top(Diagnosis d) {
        return d.suspects().isEmpty() ? 0 : d.suspects().get(0).odds();
    }

    /**
     * Place of the truth among suspects, "something else" and "nothing" by their odds.
     *
     * @param unlisted whether no list has it
     */
    private static int rank(Diagnosis d, Predicate<RankedCause> truth, boolean unlisted) {
        List<Map.Entry<Double, Boolean>> all = new ArrayList<>();
        for (RankedCause s : d.suspects()) all.add(Map.entry(s.odds(), truth.test(s)));
        all.add(Map.entry(d.other(), unlisted));
        all.add(Map.entry(d.sound(), false));
        all.sort((a, b) -> Double.compare(b.getKey(), a.getKey()));
        for (int n = 0; n < all.size(); n++) if (all.get(n).getValue()) return n + 1;
        return 0;
    }

    /** Whether a suspect is the truth. Of what is on no list either of two faults counts: it is found and put right. */
    private static boolean isTruth(RankedCause s, Set<String> truth, boolean unlisted) {
        return unlisted
                ? truth.stream().anyMatch(t -> names(s, t))
                : truth.stream().allMatch(t -> names(s, t));
    }

    private static boolean names(RankedCause s, String cause) {
        return s.causes().stream()
                .anyMatch(h -> List.of(h.cause().split(" \\+ ")).contains(cause));
    }

    /** Both kinds, or one. */
    public static Map<String, Object> measure(
            List<Chassis> sets,
            int cases,
            long seed,
            boolean matched,
            boolean mismatched,
            boolean pairs,
            boolean verbose) {
        for (Chassis set : sets)
            if (!CircuitPredictor.powered(set))
                throw InputException.at(set.name())
                        .because("it has no circuit with a supply, so no fault can be planted")
                        .so("enter its parts and nets first");
        Map<String, Object> all = new LinkedHashMap<>();
        if (matched) all.put("matched", run(sets, cases, seed, false, pairs, verbose));
        if (mismatched) all.put("mismatched", run(sets, cases, seed, true, pairs, verbose));
        return all;
    }
}
