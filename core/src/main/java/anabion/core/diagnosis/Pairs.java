package anabion.core.diagnosis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Two faults at once.
 *
 * <p>Method: a fault that is half of the truth explains some readings and leaves others as they would be in a sound set, or anywhere. Each single
 * fault is scored by the readings that it explains, whatever the rest does; the best are joined two by two, those of one part left out.
 */
final class Pairs {
    private static final double HALF = 0.5;

    private Pairs() {}

    /** @param most how many single faults are joined */
    static List<Hypothesis> of(Forecasts forecasts, List<Observation> evidence, int most) {
        Map<Hypothesis, Double> scores = new HashMap<>();
        for (Hypothesis h : forecasts.hypotheses())
            if (!h.sound()) scores.put(h, Math.log(h.prior()) + explained(forecasts, evidence, h));
        List<Hypothesis> best = forecasts.hypotheses().stream()
                .filter(scores::containsKey)
                .sorted(Comparator.comparingDouble((Hypothesis h) -> scores.get(h))
                        .reversed())
                .limit(most)
                .toList();
        List<Hypothesis> pairs = new ArrayList<>();
        for (int a = 0; a < best.size(); a++)
            for (int b = a + 1; b < best.size(); b++) {
                String one = best.get(a).from().get(0).part();
                if (!best.get(b).from().get(0).part().equals(one))
                    pairs.add(best.get(a).and(best.get(b)));
            }
        return pairs;
    }

    private static double explained(Forecasts forecasts, List<Observation> evidence, Hypothesis h) {
        double sum = 0;
        for (Observation o : evidence) {
            if (!(o instanceof Observation.Measured m)) continue;
            double read = Forecasts.scaled(m.probe(), m.value());
            double near = forecasts.at(h, m.probe()).map(f -> f.density(read)).orElse(0.0);
            sum += Math.log(HALF * near + (1 - HALF) / forecasts.range(m.probe()));
        }
        return sum;
    }
}
