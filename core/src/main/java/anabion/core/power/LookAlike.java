package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.PinNames;
import anabion.core.device.DeviceType;
import anabion.core.json.Coded;
import anabion.core.recap.CapacitorSection;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * A fault that is common at the first power-up, with what it is called there.
 *
 * @param kind what one sees of it
 */
public record LookAlike(Kind kind, Fault fault) {
    /** What one sees of a fault. */
    public enum Kind implements Coded {
        RAIL_SHORTED,
        FILTER_LEAKY,
        RESERVOIR_DRIED,
        RECTIFIER_WEAK,
        RECTIFIER_DEAD,
        OUTPUT_DEAD,
        OUTPUT_SHORTED,
        HEATER_OPEN,
        COUPLING_LEAKY,
        TURNS_SHORTED;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** Those of a set, in the order of the kinds. */
    public static List<LookAlike> of(Chassis chassis, OperatingPoint sound) {
        Finder finder = new Finder(chassis, sound);
        for (CapacitorSection c : CapacitorSection.of(chassis)) finder.capacitor(c);
        for (Part p : chassis.parts()) finder.part(p);
        finder.found.sort(Comparator.comparing(LookAlike::kind));
        return List.copyOf(finder.found);
    }

    private static final class Finder {
        /** Share of the highest rail from which a net counts as one. */
        private static final double RAIL = 0.4;
        /** Farads of a capacitor that filters. */
        private static final double FILTERS = 2e-6;
        /** Ohms of leaks, from one that the rail hardly shows to one that is nearly a short. */
        private static final double[] FILTER_LEAKS = {15e3, 5e3, 2e3};

        private static final double[] COUPLING_LEAKS = {1e6, 330e3, 100e3};
        private static final List<String> WEAKNESS = List.of("0.3", "0.1");

        private final Chassis chassis;
        private final List<LookAlike> found = new ArrayList<>();
        private final Set<String> rails = new HashSet<>();
        private final List<String> supplies;
        private final Set<String> rectifiers = new HashSet<>();
        private final Set<String> outputs = new HashSet<>();
        private final Set<String> grids = new HashSet<>();

        Finder(Chassis chassis, OperatingPoint sound) {
            this.chassis = chassis;
            List<Rail> feeding = Rail.of(chassis, sound);
            this.supplies = feeding.stream().map(Rail::net).toList();
            sound.rectifiers().values().forEach(rectifiers::addAll);
            double most = feeding.stream()
                    .mapToDouble(r -> Math.abs(r.volts(sound)))
                    .max()
                    .orElse(0);
            for (Part p : chassis.parts())
                for (String net : p.nets().values())
                    if (most > 0 && Math.abs(sound.volts(net).orElse(0)) >= RAIL * most) rails.add(net);
            for (Part p : chassis.parts()) if (p.is(PartRole.OUTPUT_TRANSFORMER)) driven(p);
        }

        /** The tubes and transistors whose plate or collector is on the output transformer. */
        private void driven(Part transformer) {
            for (Part p : chassis.parts())
                p.device().ifPresent(d -> {
                    boolean drives = d.functions().entrySet().stream()
                            .anyMatch(e -> PinNames.isOutput(e.getValue())
                                    && transformer.touches(p.nets().getOrDefault(e.getKey(), "")));
                    if (!drives || rectifiers.contains(p.reference())) return;
                    outputs.add(p.reference());
                    d.functions().forEach((pin, function) -> {
                        if (function.startsWith("g1"))
                            Optional.ofNullable(p.nets().get(pin)).ifPresent(grids::add);
                    });
                });
        }

        private void add(Kind kind, Fault fault) {
            found.add(new LookAlike(kind, fault));
        }

        private void capacitor(CapacitorSection c) {
            boolean filters = c.farads() >= FILTERS && (rails.contains(c.plus()) || rails.contains(c.minus()));
            if (filters) {
                add(Kind.RAIL_SHORTED, Fault.of(c.key(), FaultMode.SHORT));
                for (double ohms : FILTER_LEAKS) add(Kind.FILTER_LEAKY, Fault.of(c.key(), FaultMode.LEAKY, ohms));
            }
            boolean reservoir = supplies.contains(c.plus()) || supplies.contains(c.minus());
            if (filters && reservoir && c.dielectric() == Dielectric.ELECTROLYTIC && !rectifiers.isEmpty())
                add(Kind.RESERVOIR_DRIED, Fault.of(c.key(), FaultMode.DRIED));
            boolean couples = grids.contains(c.plus()) != grids.contains(c.minus())
                    && !chassis.returns().contains(c.plus())
                    && !chassis.returns().contains(c.minus());
            if (couples)
                for (double ohms : COUPLING_LEAKS) add(Kind.COUPLING_LEAKY, Fault.of(c.key(), FaultMode.LEAKY, ohms));
        }

        private void part(Part p) {
            String ref = p.reference();
            if (p.component() instanceof Component.Windings w && w.isMainsTransformer())
                add(Kind.TURNS_SHORTED, Fault.of(ref, FaultMode.SHORT));
            Optional<DeviceType> type = Sockets.type(p);
            boolean tube = p.isTube();
            if (tube && type.map(DeviceType::heaterVolts).orElse(0.0) > 0)
                add(Kind.HEATER_OPEN, Fault.of(ref, FaultMode.HEATER_OPEN));
            if (rectifiers.contains(ref)) rectifier(ref, tube, type);
            if (!outputs.contains(ref)) return;
            add(Kind.OUTPUT_DEAD, Fault.of(ref, tube ? FaultMode.DEAD : FaultMode.OPEN));
            if (!tube) add(Kind.OUTPUT_SHORTED, Fault.of(ref, FaultMode.SHORT));
        }

        private void rectifier(String ref, boolean tube, Optional<DeviceType> type) {
            if (tube) {
                for (String share : WEAKNESS) add(Kind.RECTIFIER_WEAK, new Fault(ref, FaultMode.EMISSION, share));
                add(Kind.RECTIFIER_DEAD, Fault.of(ref, FaultMode.DEAD));
                return;
            }
            add(Kind.RECTIFIER_DEAD, Fault.of(ref, FaultMode.OPEN));
            if (type.isEmpty()) add(Kind.RECTIFIER_WEAK, Fault.of(ref, FaultMode.WEAK));
        }
    }
}
