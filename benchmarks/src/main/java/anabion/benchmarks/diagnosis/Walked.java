package anabion.benchmarks.diagnosis;

import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * A way of choosing tests, gone to its end: until one cause is enough to be repaired, or nothing is, or no test is left.
 *
 * @param evidence the complaint and all that was measured
 * @param verdicts the first on the complaint alone, one more after each test
 */
record Walked(List<Observation> evidence, List<Diagnosis> verdicts) {
    private static final int MOST_TESTS = 40;

    /**
     * Goes it.
     *
     * @param complaint what a set arrives with: no tests of the walk
     * @param look what the evidence says
     */
    static Walked of(Walk walk, Bench bench, List<Observation> complaint, Function<List<Observation>, Diagnosis> look) {
        List<Observation> evidence = new ArrayList<>(complaint);
        List<Diagnosis> verdicts = new ArrayList<>(List.of(look.apply(evidence)));
        for (int tests = 0; tests < MOST_TESTS; tests++) {
            Diagnosis now = verdicts.get(verdicts.size() - 1);
            if (finished(now)) break;
            Optional<Measurement> next = walk.next(now, evidence);
            if (next.isEmpty()) break;
            evidence.add(bench.answer(next.get()));
            verdicts.add(look.apply(evidence));
        }
        return new Walked(evidence, verdicts);
    }

    private static boolean finished(Diagnosis d) {
        return d.decided() || d.other() >= Diagnosis.DECIDED_ODDS || d.sound() >= Diagnosis.DECIDED_ODDS;
    }

    boolean finished() {
        return finished(verdict());
    }

    int tests() {
        return verdicts.size() - 1;
    }

    /** The last. */
    Diagnosis verdict() {
        return verdicts.get(verdicts.size() - 1);
    }

    /** What each test showed. */
    List<String> readings() {
        return evidence.stream()
                .skip(evidence.size() - tests())
                .map(Walked::told)
                .toList();
    }

    /** What was measured and said, in a line. */
    String told() {
        Diagnosis d = verdict();
        String readings = evidence.stream().map(Walked::told).collect(Collectors.joining("; "));
        String causes = d.suspects().stream()
                .limit(3)
                .map(s -> String.format(" %.2f %s", s.odds(), s.causes()))
                .collect(Collectors.joining());
        return readings
                + causes
                + String.format(" other %.2f sound %.2f unsettled %s", d.other(), d.sound(), d.unsettled());
    }

    private static String told(Observation o) {
        String answer = "";
        if (o instanceof Observation.Measured m) answer = String.format("%.3g", m.value());
        if (o instanceof Observation.Heard h) answer = h.outcome().code();
        if (o instanceof Observation.Tested t) answer = t.good() ? "good" : "bad";
        return o.measurement().text() + "=" + answer;
    }
}
