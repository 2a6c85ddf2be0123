package anabion.workshop;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.engine.CircuitPredictor;
import anabion.core.input.BadInput;
import anabion.core.reading.Condition;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * "What should it read?" at a point, with a band, controls, switches and faults of one's choice.
 *
 * @param condition with the band asked for
 */
public record Question(
        Point point,
        Condition condition,
        Map<String, Double> controls,
        Map<String, String> switches,
        List<Fault> faults) {

    /**
     * Reads the words behind a point.
     *
     * @throws BadInput naming the word that is neither a band, a setting nor a fault of this chassis
     */
    public static Question of(Chassis chassis, String point, List<String> words, Condition now) {
        Condition condition = now;
        Map<String, Double> controls = new LinkedHashMap<>();
        Map<String, String> switches = new LinkedHashMap<>();
        List<Fault> faults = new ArrayList<>();
        for (String word : words) {
            Optional<String> band = chassis.bands().stream()
                    .map(b -> b.name())
                    .filter(b -> b.equalsIgnoreCase(word))
                    .findFirst();
            if (band.isPresent()) condition = condition.withBand(band.get());
            else if (word.contains("=")) set(chassis, word, controls, switches);
            else faults.add(Fault.parse(word));
        }
        return new Question(Points.of(chassis).need(point), condition, controls, switches, faults);
    }

    private static void set(Chassis chassis, String word, Map<String, Double> controls, Map<String, String> switches) {
        String[] pair = word.split("=", 2);
        Optional<Part> part = chassis.part(pair[0].toUpperCase(java.util.Locale.ROOT));
        if (part.isPresent() && part.get().component() instanceof Component.Switch)
            switches.put(part.get().reference(), pair[1]);
        else if (part.isPresent() && part.get().component() instanceof Component.Potentiometer)
            controls.put(part.get().reference(), share(word, pair[1]));
        else
            throw BadInput.at(word)
                    .because("there is no control or switch of that name")
                    .so("write it like RV1=0.3");
    }

    private static double share(String word, String text) {
        try {
            double share = Double.parseDouble(text.replace(',', '.'));
            if (share >= 0 && share <= 1) return share;
        } catch (NumberFormatException e) {
            // said below
        }
        throw BadInput.at(word).because("a control stands between 0 and 1").so("write it like RV1=0.3");
    }

    /** The answer; empty if the engine knows no supply for this set, or the circuit does not settle. */
    public Optional<CircuitPredictor.Answer> answer(Chassis chassis) {
        return Predictors.of(chassis) instanceof CircuitPredictor p
                ? p.ask(point, condition, controls, switches, faults)
                : Optional.empty();
    }
}
