package anabion.core.diagnosis.hypothesis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.FaultFigures;
import anabion.core.simulation.fault.FaultFigures.Factor;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * How much oftener a part fails than others of its kind for where it sits: with volts across it, with a current through it, or with neither. The
 * figures are general knowledge of the trade.
 *
 * @param volts direct volts of the nets of the sound set; empty where nothing is known
 * @param grids the nets of grids and bases
 */
public record PartStress(Map<String, Double> volts, Set<String> grids) {
    /** Where nothing is known of the circuit: every part fails as often as others of its kind. */
    public static final PartStress UNKNOWN = new PartStress(Map.of(), Set.of());

    /** Share of the highest rail from which a capacitor is under stress. */
    private static final double STRESSED = 0.15;
    /** Watts from which a resistor is worn by its current. */
    private static final double WORN_WATTS = 5e-3;

    public PartStress {
        volts = Map.copyOf(volts);
        grids = Set.copyOf(grids);
    }

    /** What a sound set at work puts on its parts. */
    public static PartStress of(Chassis chassis, OperatingPoint sound) {
        Map<String, Double> volts = new HashMap<>();
        for (String n : Simulator.nets(chassis)) sound.volts(n).ifPresent(v -> volts.put(n, v));
        volts.put(chassis.reference(), 0.0);
        Set<String> grids = new HashSet<>();
        for (Part p : chassis.parts())
            p.device().ifPresent(d -> p.nets().forEach((pin, net) -> {
                if (PinNames.isInput(d.functions().getOrDefault(pin, ""))) grids.add(net);
            }));
        grids.remove(chassis.reference());
        return new PartStress(volts, grids);
    }

    /** How many times as often as usual a part fails in a way. */
    public double of(Part p, Fault f) {
        List<String> both = p.nets().values().stream().distinct().toList();
        if (both.size() != 2 || !volts.keySet().containsAll(both)) return 1;
        double across = Math.abs(volts.get(both.get(0)) - volts.get(both.get(1)));
        if (p.component() instanceof Component.Capacitor && f.mode() == FaultMode.LEAKY)
            return across < STRESSED * highest()
                    ? factor(Factor.IDLE)
                    : both.stream().anyMatch(grids::contains) ? factor(Factor.COUPLING) : factor(Factor.BYPASS);
        if (p.component() instanceof Component.Resistor r && f.mode() == FaultMode.OPEN && r.ohms() > 0)
            return across * across / r.ohms() < WORN_WATTS ? factor(Factor.IDLE) : factor(Factor.LOADED);
        return 1;
    }

    private static double factor(Factor f) {
        return FaultFigures.standard().factor(f);
    }

    private double highest() {
        return volts.values().stream().mapToDouble(Math::abs).max().orElse(0);
    }
}
