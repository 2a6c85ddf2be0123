package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.Solution;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Function;

/**
 * What a vibrator chops.
 *
 * @param volts of the battery now
 */
record VibratorFeed(
        Chassis chassis, Faults faults, PassiveStamps linear, double volts, Function<Circuit, Solution> solver) {
    /**
     * Direct volts at the primary before the vibrator draws, and the ohms behind them: of the battery, fuses, switches and chokes on the way, and its own
     * contact.
     */
    record Lead(double volts, double ohms) {}

    /**
     * Thévenin's equivalent of the battery, all that lies between it and the primary, and the heaters that load it.
     *
     * @param tap of the primary
     * @param reed of the vibrator
     */
    Lead lead(String tap, String reed) {
        Solution quiet = solver.apply(circuit(tap, reed).build());
        Solution pushed =
                solver.apply(circuit(tap, reed).current("probe", reed, tap, 1).build());
        double before = quiet.volts(tap).orElse(0) - quiet.volts(reed).orElse(0);
        double after = pushed.volts(tap).orElse(0) - pushed.volts(reed).orElse(0);
        return new Lead(Math.abs(before), Math.max(0, after - before) + PassiveStamps.CONTACT);
    }

    private Circuit.Builder circuit(String tap, String reed) {
        Circuit.Builder c = Circuit.of(reed);
        c.node(tap);
        for (Part p : chassis.parts()) {
            if (p.component() instanceof Component.Battery b) battery(p, b, c);
            else if (p.device().isPresent()) heater(p, c);
            else if (!(p.component() instanceof Component.Windings w && w.isMainsTransformer())) linear.add(p, c);
        }
        return c;
    }

    private void battery(Part p, Component.Battery b, Circuit.Builder c) {
        if (faults.is(p.reference(), FaultMode.OPEN)) return;
        String source = p.reference() + ".emf";
        c.source(p.reference(), source, faults.net(p, "2"), b.volts() * volts / nominal());
        c.resistor(p.reference() + ".inner", source, faults.net(p, "1"), PassiveStamps.inner(p, b, faults));
    }

    private void heater(Part p, Circuit.Builder c) {
        if (new Sockets(faults).isOpen(p)) return;
        Sockets.type(p).ifPresent(t -> new Sockets(faults)
                .pieces(p, t)
                .forEach(h -> c.resistor(p.reference() + h, h.from(), h.to(), h.ohms())));
    }

    /** Volts of the highest battery, as it is called. */
    double nominal() {
        return chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Battery)
                .mapToDouble(p -> ((Component.Battery) p.component()).volts())
                .max()
                .orElse(chassis.supply().volts());
    }

    /** Whether the battery's negative pole is on the reed's side of a vibrator, so that the primary's tap is positive. */
    static boolean positiveTap(Chassis chassis, Part vibrator) {
        Set<String> reached = new HashSet<>(List.of(vibrator.nets().get("1")));
        for (boolean grown = true; grown; ) {
            grown = false;
            for (Part p : chassis.parts())
                for (String at : List.copyOf(reached))
                    if (p.touches(at) && !AcSupply.vibrates(p)) grown |= reached.addAll(PassiveStamps.joined(p, at));
        }
        return chassis.parts().stream()
                .noneMatch(p -> p.component() instanceof Component.Battery
                        && reached.contains(p.nets().get("1")));
    }
}
