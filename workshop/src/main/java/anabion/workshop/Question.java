package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.error.InputException;
import anabion.core.reading.Condition;
import anabion.core.reading.Predictor;
import anabion.core.simulation.chart.CircuitPredictor;
import anabion.core.simulation.setting.Controls;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * "What should it read?" at a point, with a band, controls, switches and faults of one's choice.
 *
 * @param condition with the band asked for
 */
public record Question(Point point, Condition condition, Controls controls, List<Fault> faults) {

    /**
     * Reads the words behind a point.
     *
     * @throws InputException naming the word that is neither a band, a setting nor a fault of this chassis
     */
    public static Question of(Chassis chassis, String point, List<String> words, Condition now) {
        Condition condition = now;
        List<String> settings = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        for (String word : words) {
            Optional<String> band = chassis.bands().stream()
                    .map(b -> b.name())
                    .filter(b -> b.equalsIgnoreCase(word))
                    .findFirst();
            if (band.isPresent()) condition = condition.withBand(band.get());
            else if (word.contains("=")) settings.add(word);
            else faults.add(Fault.parse(word));
        }
        return new Question(Points.of(chassis).need(point), condition, Controls.of(chassis, settings), faults);
    }

    /**
     * The answer; empty if the engine knows no supply for this set, or the circuit does not settle.
     *
     * @param predictor of the chassis that was asked about
     */
    public Optional<CircuitPredictor.Answer> answer(Predictor predictor) {
        return predictor instanceof CircuitPredictor p ? p.ask(point, condition, controls, faults) : Optional.empty();
    }
}
