package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.reading.Predictor;
import anabion.core.simulation.chart.Calibrations;
import anabion.core.simulation.chart.CircuitPredictor;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;

/**
 * Keeps what the circuits of the sets in hand say: calibrating one to its chart takes some ten solutions of the whole circuit, and what its faults
 * show takes seconds. For several threads at once; a workshop has one that all share who ask of its sets.
 */
public final class Predictors {
    private static final int SETS = 8;
    /** What is foreseen of a large set takes some hundred megabytes. */
    private static final int FORESEEN = 2;

    private final Map<Chassis, Predictor> made = kept(SETS);
    private final Map<Ground, KeptPredictions> foreseen = kept(FORESEEN);

    private record Ground(Chassis chassis, Priors priors) {}

    /** A prediction model once it is made; its monitor is held by who asks them. */
    private static final class KeptPredictions {
        private PredictionModel predictions;

        synchronized <T> T ask(Supplier<PredictionModel> maker, Function<PredictionModel, T> question) {
            if (predictions == null) predictions = maker.get();
            return question.apply(predictions);
        }
    }

    private static <K, V> Map<K, V> kept(int most) {
        return new LinkedHashMap<>(most, 0.75f, true) {
            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > most;
            }
        };
    }

    /** What the circuit of a chassis says; made anew when more than its name has changed. */
    public synchronized Predictor of(Chassis named) {
        Chassis chassis = named.unnamed();
        Predictor found = made.get(chassis);
        if (found == null) {
            found = CircuitPredictor.of(chassis);
            made.put(chassis, found);
        }
        return found;
    }

    /** Asks the predictions of a chassis; who comes second waits. */
    public <T> T foreseen(Chassis named, Priors priors, Function<PredictionModel, T> question) {
        Chassis chassis = named.unnamed();
        KeptPredictions kept;
        synchronized (foreseen) {
            kept = foreseen.computeIfAbsent(new Ground(chassis, priors), g -> new KeptPredictions());
        }
        return kept.ask(() -> new PredictionModel(chassis, Calibrations.of(chassis), priors), question);
    }
}
