package anabion.core.lineup;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.json.Extra;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/** Parts that nobody entered, of usual size where the volts do not tell theirs. */
final class InferredParts {
    private static final double LEAST_OHMS = 20;
    /** As large as resistors are made: a chart that asks for more is misprinted, or mistyped. */
    private static final double MOST_OHMS = 22e6;

    private InferredParts() {}

    static Part part(String reference, Component component, String one, String other) {
        Map<String, String> nets = new LinkedHashMap<>();
        nets.put("1", one);
        nets.put("2", other);
        return Part.inferred(id(reference), reference, component, nets);
    }

    private static UUID id(String reference) {
        return UUID.nameUUIDFromBytes(reference.getBytes(StandardCharsets.UTF_8));
    }

    static Component resistor(double ohms) {
        return new Component.Resistor(Math.max(LEAST_OHMS, Math.min(MOST_OHMS, ohms)), 0.2, 0);
    }

    static Component electrolytic() {
        return new Component.Capacitor(List.of(16e-6), 0, Optional.of(Dielectric.ELECTROLYTIC));
    }

    static Component paper(double farads) {
        return new Component.Capacitor(List.of(farads), 0, Optional.of(Dielectric.PAPER));
    }

    static Component mica() {
        return new Component.Capacitor(List.of(1e-10), 0, Optional.of(Dielectric.MICA));
    }

    static Component winding(double ohms) {
        return new Component.Windings(List.of(new Winding(id("winding"), "primary", "1", "2", ohms, 0, 0, Extra.NONE)));
    }

    /**
     * What a chart says of the pins of some parts, restated for what feeds an inferred circuit.
     *
     * @param volts of its battery
     */
    static Chart chart(Chart c, List<Part> of, double volts, String reference) {
        Set<String> pins = of.stream()
                .flatMap(t -> t.nets().keySet().stream().map(pin -> t.reference() + "." + pin))
                .collect(Collectors.toSet());
        Chart.Conditions on = c.conditions();
        return new Chart(
                c.id(),
                c.source(),
                c.provisional(),
                c.tolerance(),
                new Chart.Conditions(
                        volts, on.meter(), on.band(), on.volume(), on.signal(), on.dial(), reference, on.extra()),
                c.rows().stream()
                        .filter(r -> r.measure() == Measure.DC_VOLTS && pins.contains(r.point()))
                        .toList(),
                c.extra());
    }
}
