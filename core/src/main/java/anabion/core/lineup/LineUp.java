package anabion.core.lineup;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Part;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The tubes of a set with the direct volts that its chart prints at their pins.
 *
 * @param tubes those with a cathode of their own whose type is known
 * @param volts of a point such as {@code V4.5}, against the chart's reference
 */
public record LineUp(List<Part> tubes, Map<String, Double> volts) {
    /** Volts from which an electrode is one that a rail feeds. */
    private static final double FED = 8;

    static LineUp of(Chassis chassis, Chart chart) {
        return new LineUp(
                chassis.parts().stream()
                        .filter(Part::isTube)
                        .filter(LineUp::isKnown)
                        .toList(),
                charted(chart));
    }

    /** Direct volts of the points of a chart, on the band that it was taken on. */
    static Map<String, Double> charted(Chart chart) {
        Map<String, Double> volts = new HashMap<>();
        for (ChartRow r : chart.rows())
            if (r.measure() == Measure.DC_VOLTS
                    && (r.band().isEmpty() || r.band().equals(chart.conditions().band())))
                volts.put(r.point(), r.value());
        return volts;
    }

    /** A set as its line-up is typed: tubes and semiconductors alone, each pin on a net of its own. */
    public static Chassis alone(Chassis set) {
        List<Part> devices = set.parts().stream()
                .filter(p -> p.device().isPresent())
                .map(p -> {
                    Map<String, String> nets = new LinkedHashMap<>();
                    p.nets().keySet().forEach(pin -> nets.put(pin, p.reference() + "." + pin));
                    return p.withNets(nets);
                })
                .toList();
        return set.withStages(List.of(), List.of()).withAdjusters(List.of()).withParts(devices);
    }

    private static boolean isKnown(Part tube) {
        return !sections(tube).isEmpty()
                && sections(tube).stream()
                        .allMatch(s -> s.kind().rectifies()
                                || Sockets.pin(tube, "k", s.name()).isPresent());
    }

    static List<Section> sections(Part tube) {
        return Sockets.type(tube).map(DeviceType::sections).orElse(List.of());
    }

    /** The charted volts of a pin. */
    Optional<Double> at(Part tube, String pin) {
        return Optional.ofNullable(volts.get(tube.reference() + "." + pin));
    }

    /** Plates and screens whose volts are charted. */
    List<Electrode> fed() {
        Map<String, Electrode> all = new LinkedHashMap<>();
        for (Part t : tubes)
            for (Section s : sections(t)) {
                if (!s.kind().amplifies()) continue;
                for (String function : List.of("a", "g2"))
                    Sockets.pin(t, function, s.name())
                            .flatMap(pin -> electrode(t, s, function.equals("a"), pin))
                            .ifPresent(e -> all.putIfAbsent(e.label(), e)); // two systems may share a pin
            }
        return List.copyOf(all.values());
    }

    private Optional<Electrode> electrode(Part t, Section s, boolean plate, String pin) {
        return at(t, pin).filter(v -> v > FED).map(v -> new Electrode(t, s, plate, pin, v));
    }

    /** Where a rectifier gives its current: the one of the most volts. */
    Optional<Electrode> rectified() {
        List<Electrode> all = new ArrayList<>();
        for (Part t : tubes)
            for (Section s : sections(t))
                if (s.kind().rectifies())
                    Sockets.cathodePin(t, s.name())
                            .flatMap(pin -> electrode(t, s, true, pin))
                            .ifPresent(all::add);
        return all.stream().max(Comparator.comparingDouble(Electrode::volts));
    }
}
