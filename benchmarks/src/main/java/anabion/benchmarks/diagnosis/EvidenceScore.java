package anabion.benchmarks.diagnosis;

import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What came out of cases with all their evidence at once. */
final class EvidenceScore {
    static final String SOUND = "sound";
    private static final double SURE = 0.97;
    private static final double NOT_CONVICTED = 0.5;
    /** Causes that a missed case is told with. */
    private static final int TOLD = 3;

    private final List<Case> cases = new ArrayList<>();
    private final Map<String, Double> seconds = new LinkedHashMap<>();
    private final List<String> missed = new ArrayList<>();

    /**
     * What came out of one.
     *
     * @param rank place of the truth among the causes one by one, from 1; 0 where it is not named
     * @param stated odds of the first
     * @param tests that were made, apart from the evidence of the case
     */
    private record Case(String set, boolean sound, int rank, double stated, boolean cleared, int tests) {}

    /**
     * What the diagnosis said of a case.
     *
     * @param wanted the part at fault, several where either will do, or {@code sound}
     * @param tests that were made, apart from the evidence of the case, with what they showed
     */
    record Weighed(Diagnosis diagnosis, List<String> wanted, List<String> tests) {}

    static Weighed weighed(PredictionModel predictions, List<Observation> evidence, List<String> wanted) {
        return new Weighed(Diagnosis.verdictWithPairs(predictions, evidence), wanted, List.of());
    }

    synchronized void add(String set, String name, Weighed w) {
        Diagnosis d = w.diagnosis();
        List<RankedCause> singly = d.singly();
        int rank = 0;
        for (int n = singly.size() - 1; n >= 0; n--)
            if (singly.get(n).parts().stream().anyMatch(w.wanted()::contains)) rank = n + 1;
        double first = singly.isEmpty() ? 0 : singly.get(0).odds();
        boolean cleared = d.sound() >= NOT_CONVICTED || (!d.decided() && first < NOT_CONVICTED);
        boolean sound = w.wanted().contains(SOUND);
        cases.add(new Case(set, sound, rank, first, cleared, w.tests().size()));
        if (sound ? cleared : rank == 1) return;
        StringBuilder told =
                new StringBuilder(set + " " + name + " " + w.wanted() + " rank " + rank + ", tests " + w.tests() + ":");
        singly.stream().limit(TOLD).forEach(s -> told.append(String.format(" %.3f %s", s.odds(), s.causes())));
        missed.add(told + String.format(" other %.3f sound %.3f", d.other(), d.sound()));
    }

    synchronized void took(String set, long nanoseconds) {
        seconds.put(set, Math.round(nanoseconds / 1e8) / 10.0);
    }

    /** The cases whose truth is not first, a line each. */
    List<String> missed() {
        return missed.stream().sorted().toList();
    }

    boolean isEmpty() {
        return cases.isEmpty();
    }

    Map<String, Object> table() {
        List<Case> faulty = cases.stream().filter(c -> !c.sound()).toList();
        List<Case> sound = cases.stream().filter(Case::sound).toList();
        List<Case> sure = faulty.stream().filter(c -> c.stated() >= SURE).toList();
        Map<String, Object> t = new LinkedHashMap<>();
        t.put("cases", cases.size());
        t.put("first", share(faulty, faulty.stream().filter(c -> c.rank() == 1).count()));
        t.put(
                "firstThree",
                share(
                        faulty,
                        faulty.stream()
                                .filter(c -> c.rank() >= 1 && c.rank() <= 3)
                                .count()));
        t.put(
                "statedMinusRight",
                faulty.isEmpty()
                        ? 0
                        : Math.round(1e4
                                        * (faulty.stream()
                                                        .mapToDouble(Case::stated)
                                                        .average()
                                                        .orElse(0)
                                                - faulty.stream()
                                                                .filter(c -> c.rank() == 1)
                                                                .count()
                                                        / (double) faulty.size()))
                                / 1e4);
        t.put("sure", sure.size());
        t.put(
                "sureAndRight",
                share(sure, sure.stream().filter(c -> c.rank() == 1).count()));
        t.put("sound", sound.size());
        t.put(
                "soundNotConvicted",
                share(sound, sound.stream().filter(Case::cleared).count()));
        List<Integer> tests = faulty.stream().map(Case::tests).toList();
        if (Score.at(tests, 1) > 0) {
            t.put("testsMedian", Score.at(tests, 0.5));
            t.put("tests90", Score.at(tests, 0.9));
        }
        Map<String, Object> each = new LinkedHashMap<>();
        seconds.forEach((set, s) -> {
            List<Case> own = faulty.stream().filter(c -> c.set().equals(set)).toList();
            each.put(
                    set,
                    Map.of(
                            "first",
                            share(own, own.stream().filter(c -> c.rank() == 1).count()),
                            "seconds",
                            s));
        });
        if (!each.isEmpty()) t.put("sets", each);
        return t;
    }

    private static double share(List<Case> of, long n) {
        return of.isEmpty() ? 0 : Math.round(1e4 * n / of.size()) / 1e4;
    }
}
