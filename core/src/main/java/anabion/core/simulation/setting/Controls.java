package anabion.core.simulation.setting;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.error.InputException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Where the controls and switches of a set stand, in the words of {@code RV1=0.3} and {@code S2=LW}.
 *
 * @param pots reference of a potentiometer to its setting, 0 to 1
 * @param switches reference of a switch to its position
 */
public record Controls(Map<String, Double> pots, Map<String, String> switches) {
    public Controls {
        pots = Map.copyOf(pots);
        switches = Map.copyOf(switches);
    }

    /**
     * Reads settings.
     *
     * @throws InputException naming the word that is no setting of a control or switch of this chassis
     */
    public static Controls of(Chassis chassis, List<String> words) {
        Map<String, Double> pots = new LinkedHashMap<>();
        Map<String, String> switches = new LinkedHashMap<>();
        for (String word : words) {
            String[] pair = word.split("=", 2);
            String reference = pair[0].toUpperCase(Locale.ROOT);
            Component part = chassis.part(reference).map(Part::component).orElse(new Component.Other(""));
            String value = pair.length > 1 ? pair[1] : "";
            if (part instanceof Component.Switch s) switches.put(reference, position(word, s, value));
            else if (part instanceof Component.Potentiometer) pots.put(reference, share(word, value));
            else
                throw InputException.at(word)
                        .because("this set has no control or switch " + pair[0])
                        .so("write it like RV1=0.3 or S2=LW");
        }
        return new Controls(pots, switches);
    }

    /** Every volume control at a share of its way. */
    public static Map<String, Double> volume(Chassis chassis, double share) {
        Map<String, Double> pots = new LinkedHashMap<>();
        for (Part p : chassis.parts()) if (p.is(PartRole.VOLUME_CONTROL)) pots.put(p.reference(), share);
        return pots;
    }

    private static String position(String word, Component.Switch s, String value) {
        return s.positions().stream()
                .filter(p -> p.equalsIgnoreCase(value))
                .findFirst()
                .orElseThrow(() -> InputException.at(word)
                        .because("the switch has no position \"" + value + "\"")
                        .so("use one of " + String.join(", ", s.positions())));
    }

    private static double share(String word, String text) {
        try {
            double share = Double.parseDouble(text.replace(',', '.'));
            if (share >= 0 && share <= 1) return share;
        } catch (NumberFormatException e) {
            // said below
        }
        throw InputException.at(word)
                .because("a control stands between 0 and 1")
                .so("write it like RV1=0.3");
    }
}
