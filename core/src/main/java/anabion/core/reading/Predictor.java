package anabion.core.reading;

import anabion.core.chassis.Measure;
import anabion.core.chassis.Point;
import anabion.core.text.Phrase;
import java.util.List;
import java.util.Optional;

/** Says what the set's own circuit, when sound, shows at a point. */
public interface Predictor {
    /** Knows no circuit: the chart alone is restated. */
    Predictor NONE = (point, measure, condition) -> Optional.empty();

    /** Empty where the circuit says nothing about the point. */
    Optional<Prediction> at(Point point, Measure measure, Condition condition);

    /**
     * @param value what the condition's meter should show
     * @param arithmetic how it came about
     */
    record Prediction(double value, List<Phrase> arithmetic) {
        public Prediction {
            arithmetic = List.copyOf(arithmetic);
        }
    }
}
