package anabion.core.diagnosis;

import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.testing.SharedSets;
import java.util.HashMap;
import java.util.Map;

/** What the demo sets show, computed once for all tests: each keeps some hundred megabytes, and is for one test at a time. */
public final class SharedPredictions {
    /** Of the tests that share them. */
    public static final String LOCK = "predictions";

    private static final Map<String, PredictionModel> KEPT = new HashMap<>();

    private SharedPredictions() {}

    public static PredictionModel named(String name) {
        return KEPT.computeIfAbsent(name, n -> new PredictionModel(SharedSets.named(n), Priors.USUAL));
    }
}
