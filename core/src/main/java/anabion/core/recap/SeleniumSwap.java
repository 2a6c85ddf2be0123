package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Device;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.quantity.Series;
import anabion.core.rectifier.Cycle;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/**
 * A silicon diode and a series resistor in a metal rectifier's place, so that the rail ends where it should.
 *
 * <p>Method: the resistor is put into the set's circuit and its value found by bisection; the nearest preferred value is then solved
 * again. Watts come from the effective current, which in pulses is two to three times the mean; the diode must bear 2√2 times the
 * alternating volts at high line.
 *
 * @param part the metal rectifier
 * @param target volts of the rail by the chart, or with the old rectifier as new
 * @param charted whether the chart gave it
 * @param ohms of the resistor; 0 where silicon alone stays below the target
 * @param reached volts of the rail with it
 * @param watts the resistor turns into heat; it is to be rated for twice that
 * @param inverse volts that the diode must bear
 */
public record SeleniumSwap(
        Part part, double target, boolean charted, double ohms, double reached, double watts, double inverse) {
    private static final double MOST = 1000;
    private static final int ROUNDS = 24;
    private static final String DIODE = "1N4007";

    /** A swap for every metal rectifier that feeds a rail. */
    static List<SeleniumSwap> of(Chassis chassis, OperatingPoint normal) {
        List<SeleniumSwap> found = new ArrayList<>();
        for (Part p : chassis.parts())
            if (metal(p) && p.nets().size() == 2) of(chassis, p, normal).ifPresent(found::add);
        return found;
    }

    static boolean metal(Part p) {
        return p.is(PartRole.METAL_RECTIFIER);
    }

    private static Optional<SeleniumSwap> of(Chassis chassis, Part p, OperatingPoint normal) {
        List<String> nets = new ArrayList<>(p.nets().values());
        String rail = nets.stream()
                .filter(n -> normal.supplies().containsKey(n))
                .findFirst()
                .orElse("");
        if (rail.isEmpty()) return Optional.empty();
        Optional<Double> charted = chassis.chart().stream()
                .flatMap(c -> c.rows().stream())
                .filter(r -> r.point().equals(rail))
                .map(r -> r.value())
                .findFirst();
        double target = charted.orElse(normal.volts(rail).orElse(0));
        Simulator engine = new Simulator();
        Setting usual = Setting.of(chassis.chart()
                .filter(c -> charted.isPresent())
                .map(c -> c.conditions().line())
                .orElse(chassis.supply().volts()));
        double low = 0;
        double high = MOST;
        boolean needed =
                engine.solve(swapped(chassis, p, rail, 1), usual).volts(rail).orElse(0) > target;
        for (int n = 0; needed && n < ROUNDS; n++) {
            double middle = (low + high) / 2;
            if (engine.solve(swapped(chassis, p, rail, middle), usual)
                            .volts(rail)
                            .orElse(0)
                    > target) low = middle;
            else high = middle;
        }
        double ohms = needed && low > 1 ? Series.E12.nearest(low) : 0;
        OperatingPoint o = engine.solve(swapped(chassis, p, rail, Math.max(1, ohms)), usual);
        Optional<Cycle> cycle = Optional.ofNullable(o.supplies().get(rail));
        double effective = cycle.map(Cycle::effective).orElse(0.0);
        String plate = nets.stream().filter(n -> !n.equals(rail)).findFirst().orElse(rail);
        // in the half cycle in which the diode blocks nothing flows, and the source does not sag
        double alternating = normal.mains()
                .map(m -> Math.abs(m.volts(plate).orElse(0)))
                .filter(v -> v > 1)
                .orElse(chassis.supply().volts());
        return Optional.of(new SeleniumSwap(
                p,
                target,
                charted.isPresent(),
                ohms,
                o.volts(rail).orElse(0),
                effective * effective * ohms,
                2 * Math.sqrt(2) * Stresses.HIGH * alternating));
    }

    private static Chassis swapped(Chassis chassis, Part old, String rail, double ohms) {
        String between = old.reference() + ".series";
        Map<String, String> nets = new LinkedHashMap<>();
        old.nets().forEach((pin, net) -> nets.put(pin, net.equals(rail) ? between : net));
        Device d = old.device().orElseThrow();
        Part diode = Part.inferred(
                        old.id(), old.reference(), new Device(DeviceKind.DIODE, DIODE, "", d.functions()), nets)
                .withPrinted(DIODE);
        Part resistor = Part.inferred(
                UUID.nameUUIDFromBytes(old.id().toString().getBytes(java.nio.charset.StandardCharsets.UTF_8)),
                "R" + old.reference() + "S",
                new Component.Resistor(ohms, 0.05, 0),
                Map.of("1", between, "2", rail));
        List<Part> parts = new ArrayList<>(chassis.parts());
        parts.set(parts.indexOf(old), diode);
        parts.add(resistor);
        return chassis.withParts(parts);
    }
}
