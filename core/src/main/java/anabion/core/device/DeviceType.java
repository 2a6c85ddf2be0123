package anabion.core.device;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * One type of the library.
 *
 * @param name the standard type number
 * @param description what it is, in the trade's words
 * @param functions pin number to function: {@code a g1 g2 g3 k h f d aT g1T aH g1H k+g3 e b c nc}
 * @param heaterVolts 0 for semiconductors
 * @param heaterAmperes 0 for semiconductors
 * @param source what kind of source the figures have
 */
public record DeviceType(
        String name,
        String description,
        Base base,
        Map<Integer, String> functions,
        double heaterVolts,
        double heaterAmperes,
        String source) {
    public DeviceType {
        functions = java.util.Collections.unmodifiableMap(new TreeMap<>(functions));
    }

    /** The first pin that carries a function, looking into combined ones ({@code k+g3}). */
    public Optional<Integer> pinOf(String function) {
        return functions.entrySet().stream()
                .filter(e -> e.getValue().equals(function)
                        || List.of(e.getValue().split("\\+")).contains(function))
                .map(Map.Entry::getKey)
                .findFirst();
    }
}
