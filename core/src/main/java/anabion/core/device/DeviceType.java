package anabion.core.device;

import anabion.core.json.Extra;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * One type of the library.
 *
 * @param name the standard type number
 * @param also other type numbers of the same type
 * @param description what it is, in the trade's words
 * @param functions pin to function: {@code a g1 g2 g3 k h f d aT g1T aH g1H k+g3 e b c nc}; a pin is a number, {@code cap} for the top
 *     cap, or an electrode's name where the numbers are not certain
 * @param labels pin to the name that data sheets give its electrode, where its place in the law is another: the fourth grid of a pentagrid is its
 *     signal grid
 * @param heaterVolts 0 for semiconductors
 * @param heaterAmperes 0 for semiconductors
 * @param sections what each of its systems does, by published figures
 * @param limits name of a rating to its value, the unit in the name
 * @param semiconductor figures of a semiconductor
 * @param flag what is not certain about the type; empty for nothing
 * @param source what kind of source the figures have
 */
public record DeviceType(
        String name,
        List<String> also,
        String description,
        Base base,
        Map<String, String> functions,
        Map<String, String> labels,
        double heaterVolts,
        double heaterAmperes,
        List<Section> sections,
        Map<String, Double> limits,
        Optional<Semiconductor> semiconductor,
        String flag,
        String source,
        Extra extra) {
    public DeviceType {
        also = List.copyOf(also);
        functions = Collections.unmodifiableMap(new LinkedHashMap<>(functions));
        labels = Collections.unmodifiableMap(new LinkedHashMap<>(labels));
        sections = List.copyOf(sections);
        limits = Collections.unmodifiableMap(new TreeMap<>(limits));
    }

    /** The first pin that carries a function, looking into combined ones ({@code k+g3}). */
    public Optional<String> pinOf(String function) {
        return functions.entrySet().stream()
                .filter(e -> e.getValue().equals(function)
                        || List.of(e.getValue().split("\\+")).contains(function))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** What a pin is called, on data sheets and screens. */
    public String label(String pin) {
        return labels.getOrDefault(pin, functions.getOrDefault(pin, ""));
    }

    /** Every pin with what it is called. */
    public Map<String, String> labelled() {
        Map<String, String> all = new LinkedHashMap<>(functions);
        all.putAll(labels);
        return all;
    }

    /** @param name of a system; empty for a tube with one */
    public Optional<Section> section(String name) {
        return sections.stream().filter(s -> s.name().equals(name)).findFirst();
    }

    /** Whether it is a rectifier tube. */
    public boolean rectifies() {
        return sections.stream().anyMatch(s -> s.kind().rectifies());
    }

    /** The system that works as a kind of device, if there is one. */
    public Optional<Section> section(Section.Kind kind) {
        return sections.stream().filter(s -> s.kind() == kind).findFirst();
    }

    /** Directly heated: the filament is the cathode. */
    public boolean directlyHeated() {
        return functions.values().stream().anyMatch(f -> f.startsWith("f"));
    }
}
