package anabion.core.text;

import java.util.Map;

/** The user's choice of words and units. The placeholders {@code {tube}}, {@code {plate}}, … in the bundle are filled from here. */
public record Vocabulary(boolean valve, boolean oldUnits) {
    public static final Vocabulary STANDARD = new Vocabulary(false, false);

    Map<String, String> terms() {
        return valve
                ? Map.of(
                        "tube", "valve", "tubes", "valves", "plate", "anode", "Tube", "Valve", "Plate", "Anode",
                        "chassis", "chassis")
                : Map.of(
                        "tube", "tube", "tubes", "tubes", "plate", "plate", "Tube", "Tube", "Plate", "Plate", "chassis",
                        "chassis");
    }
}
