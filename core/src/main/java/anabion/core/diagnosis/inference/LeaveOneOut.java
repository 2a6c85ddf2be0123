package anabion.core.diagnosis.inference;

import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Whether a cause would stand without the reading that speaks loudest for it: one slip of the measurement can make nearly any single reading, and two that agree
 * are rarely both slips.
 */
public final class LeaveOneOut {
    private final PredictionModel predictions;
    private final List<Observation> evidence;
    private final List<Hypothesis> hypotheses;

    /** @param hypotheses that are weighed */
    public LeaveOneOut(PredictionModel predictions, List<Observation> evidence, List<Hypothesis> hypotheses) {
        this.predictions = predictions;
        this.evidence = evidence;
        this.hypotheses = hypotheses;
    }

    /**
     * Odds that the first suspect would keep without the reading that speaks loudest for it, against the next suspect or against a sound set.
     *
     * @param quiet causes that are rarer by a factor
     */
    public double kept(List<RankedCause> suspects, List<Hypothesis> quiet, double factor) {
        RankedCause first = suspects.get(0);
        Set<Observation> loudest = new LinkedHashSet<>();
        loudest.add(loudest(first.first(), predictions.healthy()));
        if (suspects.size() > 1)
            loudest.add(loudest(first.first(), suspects.get(1).first()));
        Set<String> causes = first.causes().stream().map(Hypothesis::cause).collect(Collectors.toSet());
        double least = 1;
        for (Observation left : loudest) {
            List<Observation> others = new ArrayList<>(evidence);
            others.remove(left);
            double kept = new Posterior(predictions, others, hypotheses)
                    .without(quiet, factor).entrySet().stream()
                            .filter(e -> causes.contains(e.getKey().cause()))
                            .mapToDouble(Map.Entry::getValue)
                            .sum();
            least = Math.min(least, kept);
        }
        return least;
    }

    private Observation loudest(Hypothesis cause, Hypothesis against) {
        return Explanation.of(predictions, evidence, cause, against).readings().stream()
                .max(Comparator.comparingDouble(Explanation.Reason::speaks))
                .orElseThrow()
                .observation();
    }
}
