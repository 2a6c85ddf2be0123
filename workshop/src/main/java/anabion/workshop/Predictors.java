package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.engine.CircuitPredictor;
import anabion.core.reading.Predictor;
import java.util.LinkedHashMap;
import java.util.Map;

/** Keeps the predictors of the sets in hand: calibrating one to its chart takes some ten solutions of the whole circuit. */
public final class Predictors {
    private static final int KEPT = 8;
    private static final Map<Chassis, Predictor> MADE = new LinkedHashMap<>(KEPT, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Chassis, Predictor> eldest) {
            return size() > KEPT;
        }
    };

    private Predictors() {}

    /** What the circuit of a chassis says; made anew when the chassis has changed. */
    public static Predictor of(Chassis chassis) {
        synchronized (MADE) {
            Predictor made = MADE.get(chassis);
            if (made == null) {
                made = CircuitPredictor.of(chassis);
                MADE.put(chassis, made);
            }
            return made;
        }
    }
}
