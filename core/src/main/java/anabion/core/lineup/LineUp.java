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
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The tubes of a set with the direct volts that its chart prints at their pins.
 *
 * @param tubes those with a cathode of their own whose type is known
 * @param volts of a point such as {@code V4.5}, against the chart's reference
 */
record LineUp(List<Part> tubes, Map<String, Double> volts) {
    /** Volts from which an electrode is one that a rail feeds. */
    private static final double FED = 8;

    static LineUp of(Chassis chassis, Chart chart) {
        Map<String, Double> volts = new HashMap<>();
        for (ChartRow r : chart.rows())
            if (r.measure() == Measure.DC_VOLTS
                    && (r.band().isEmpty() || r.band().equals(chart.conditions().band())))
                volts.put(r.point(), r.value());
        return new LineUp(
                chassis.parts().stream()
                        .filter(Part::isTube)
                        .filter(LineUp::isKnown)
                        .toList(),
                volts);
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

    /** The charted volts of an electrode. */
    Optional<Double> at(Part tube, String function, Section section) {
        return Sockets.pin(tube, function, section.name()).flatMap(p -> at(tube, p));
    }

    /** Plates and screens whose volts are charted. */
    List<Electrode> fed() {
        List<Electrode> all = new ArrayList<>();
        for (Part t : tubes)
            for (Section s : sections(t)) {
                if (!s.kind().amplifies()) continue;
                for (String function : List.of("a", "g2"))
                    Sockets.pin(t, function, s.name()).ifPresent(pin -> at(t, pin)
                            .filter(v -> v > FED)
                            .ifPresent(v -> all.add(new Electrode(t, s, function.equals("a"), pin, v))));
            }
        return all.stream()
                .filter(e -> all.stream()
                        .filter(x -> x.label().equals(e.label()))
                        .findFirst()
                        .filter(e::equals)
                        .isPresent())
                .toList();
    }

    /** Where a rectifier gives its current: the one of the most volts. */
    Optional<Electrode> rectified() {
        List<Electrode> all = new ArrayList<>();
        for (Part t : tubes)
            for (Section s : sections(t))
                if (s.kind().rectifies())
                    Sockets.cathodePin(t, s.name()).ifPresent(pin -> at(t, pin)
                            .filter(v -> v > FED)
                            .ifPresent(v -> all.add(new Electrode(t, s, true, pin, v))));
        return all.stream().max(Comparator.comparingDouble(Electrode::volts));
    }
}
