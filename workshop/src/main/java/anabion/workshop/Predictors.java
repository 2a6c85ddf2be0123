package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.engine.CircuitPredictor;
import anabion.core.reading.Predictor;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Keeps the predictors of the sets in hand: calibrating one to its chart takes some ten solutions of the whole circuit. For several threads at once;
 * a workshop has one that all share who ask of its sets.
 */
public final class Predictors {
    private static final int KEPT = 8;
    private final Map<Chassis, Predictor> made = new LinkedHashMap<>(KEPT, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Chassis, Predictor> eldest) {
            return size() > KEPT;
        }
    };

    /** What the circuit of a chassis says; made anew when the chassis has changed. */
    public synchronized Predictor of(Chassis chassis) {
        Predictor found = made.get(chassis);
        if (found == null) {
            found = CircuitPredictor.of(chassis);
            made.put(chassis, found);
        }
        return found;
    }
}
