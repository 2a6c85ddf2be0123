package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.Measurements;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.format.EvidenceCodec;
import anabion.core.simulation.chart.Calibrations;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/**
 * Weighs the cases of {@link ForeignCases}, volts and complaints from another simulator with other laws: all at once without a further test, or led from the complaint by the tests that the diagnosis asks for.
 */
public final class ForeignBenchmark {
    /** On these the spreads were chosen. */
    private static final List<String> TUNED_ON = List.of("halcyon", "brae", "lark");

    /** More than sound specimens lie off each other's charts: a share, and volts. */
    private static final double OFF = 0.25;

    private static final double LITTLE = 0.4;

    private ForeignBenchmark() {}

    /**
     * All sets: the cases that may be tuned on and those that are held back, and apart the three that the spreads were chosen on and the others.
     *
     * @param only names of sets; empty for all
     * @param held whether the cases that are held back are weighed, instead of the others
     * @param led whether tests are asked for one by one, instead of all volts at once
     * @param missed whether each case whose truth is not first is told
     */
    public static Map<String, Object> measure(List<String> only, boolean held, boolean led, boolean missed) {
        Map<String, Chassis> sets = ForeignCases.sets();
        for (String name : only)
            if (!sets.containsKey(name))
                throw InputException.at(name)
                        .because("there are no foreign cases of such a set")
                        .so("use some of " + String.join(", ", sets.keySet()));
        if (!only.isEmpty()) sets.keySet().retainAll(only);
        Map<Share, EvidenceScore> scores = new EnumMap<>(Share.class);
        for (Share s : Share.values()) scores.put(s, new EvidenceScore());
        sets.entrySet().parallelStream().forEach(e -> {
            weigh(e.getKey(), e.getValue(), held, led, scores);
            System.err.println(e.getKey());
        });
        if (missed) scores.get(Share.ALL).missed().forEach(System.err::println);
        Map<String, Object> t = new LinkedHashMap<>();
        scores.forEach((s, score) -> {
            if (!score.isEmpty()) t.put(s.words, score.table());
        });
        return t;
    }

    /** Which cases are counted together. */
    private enum Share {
        ALL("all"),
        SHOWN("whose volts show it"),
        SHOWN_TUNED("of these, sets that spreads were chosen on"),
        SHOWN_OTHERS("of these, other sets"),
        HEARD("that are heard alone, or measured otherwise");

        private final String words;

        Share(String words) {
            this.words = words;
        }
    }

    private static List<Share> shares(String set, boolean shown) {
        if (!shown) return List.of(Share.ALL, Share.HEARD);
        return List.of(Share.ALL, Share.SHOWN, TUNED_ON.contains(set) ? Share.SHOWN_TUNED : Share.SHOWN_OTHERS);
    }

    /** Whether any reading lies off the chart, restated for the line, by more than sound ones do. */
    private static boolean shown(ForeignSet foreign, List<Observation> evidence) {
        return shown(foreign, evidence, p -> true);
    }

    /** @param which points that count */
    static boolean shown(ForeignSet foreign, List<Observation> evidence, Predicate<String> which) {
        Map<String, Double> charted = new HashMap<>();
        foreign.chart().rows().forEach(r -> charted.put(r.point(), r.value()));
        double line = foreign.chart().conditions().line();
        return evidence.stream()
                .anyMatch(o -> o instanceof Observation.Measured m
                        && m.measurement() instanceof Measurement.Volts v
                        && which.test(v.point())
                        && off(m.value(), charted.get(v.point()) * v.setting().line() / line));
    }

    private static boolean off(double read, double charted) {
        return Math.abs(read - charted) > OFF * Math.abs(charted) + LITTLE;
    }

    private static void weigh(String name, Chassis plain, boolean held, boolean led, Map<Share, EvidenceScore> scores) {
        ForeignSet foreign = ForeignSet.of(name);
        Chassis set = foreign.chassis(plain);
        long start = System.nanoTime();
        PredictionModel predictions = new PredictionModel(set, Calibrations.of(set), Priors.USUAL);
        for (ForeignSet.Case c : foreign.cases()) {
            if (c.held() != held) continue;
            try {
                List<Observation> evidence = EvidenceCodec.read(new StringReader(c.evidence()), set);
                EvidenceScore.Weighed w = led
                        ? led(predictions, plain, c, evidence)
                        : EvidenceScore.weighed(predictions, evidence, List.of(c.truth()));
                boolean sound = c.truth().equals(ForeignSet.SOUND);
                for (Share s : shares(name, sound || shown(foreign, evidence)))
                    scores.get(s).add(name, c.name(), w);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        scores.get(Share.ALL).took(name, System.nanoTime() - start);
    }

    private static EvidenceScore.Weighed led(
            PredictionModel predictions, Chassis set, ForeignSet.Case c, List<Observation> evidence) {
        Random random = new Random(new SplittableRandom(c.name().hashCode()).nextLong());
        ForeignSpecimen bench = new ForeignSpecimen(set, c, evidence, random);
        List<Measurement> allowed = bench.allowed(predictions);
        List<Measurement> finer = Measurements.levels(
                predictions, allowed, set.bands().stream().map(Band::name).collect(Collectors.toSet()));
        Walked walked =
                Walked.of(Walk.led(), bench, bench.complaint(), known -> Diagnosis.of(predictions, known, finer));
        return new EvidenceScore.Weighed(walked.verdict(), List.of(c.truth()), walked.readings());
    }
}
