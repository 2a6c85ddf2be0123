package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.simulation.fault.Faults;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What hangs on a rectifier: its reservoir, its choke, the filter behind them; from the nets alone. */
public final class Reservoirs {
    /** A winding from this on, in henries, smooths a rail. */
    private static final double CHOKE = 0.5;
    /** A capacitor from this on is a reservoir, or steadies what is behind a filter resistor. */
    public static final double LARGE = 5e-7;

    private static final double NEXT_TO_NOTHING = 1e-12;

    private final Chassis chassis;
    private final Faults faults;
    private final String reference;

    public Reservoirs(Chassis chassis, Faults faults, String reference) {
        this.chassis = chassis;
        this.faults = faults;
        this.reference = reference;
    }

    public String reservoir(String cathode, String back) {
        if (farads(cathode, back) >= LARGE) return cathode;
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Resistor r)
                    || r.ohms() > SupplyFinder.SURGE
                    || !p.touches(cathode)) continue;
            for (String other : p.nets().values())
                if (!other.equals(cathode) && farads(other, back) >= LARGE) return other;
        }
        return cathode;
    }

    /** A choke at a cathode that has no reservoir of its own. */
    public Optional<Part> choke(String cathode, String back) {
        if (farads(cathode, back) >= LARGE) return Optional.empty();
        return chassis.parts().stream()
                .filter(p -> p.touches(cathode)
                        && p.component() instanceof Component.Windings w
                        && w.windings().size() == 1
                        && henries(p) >= CHOKE
                        && !faults.is(p.reference(), FaultMode.OPEN)
                        && farads(other(p, cathode), back) >= LARGE)
                .findFirst();
    }

    public static double henries(Part p) {
        return ((Component.Windings) p.component()).windings().get(0).henries();
    }

    public static double ohms(Part choke) {
        return ((Component.Windings) choke.component()).windings().get(0).ohms();
    }

    /** What the capacitor that drives a doubler has, with its faults; an open one passes next to nothing. */
    public double pump(Part p) {
        double farads = ((Capacitor) p.component()).farads().get(0);
        return Math.max(NEXT_TO_NOTHING, faults.farads(p.reference(), farads));
    }

    public static String other(Part p, String net) {
        return p.nets().values().stream()
                .filter(n -> !n.equals(net))
                .findFirst()
                .orElse(net);
    }

    public double between(String a, String b) {
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Resistor r && p.joins(a, b)) return r.ohms();
        return 0;
    }

    /** Capacitance from a net to the return, to the reference, or to what hangs on either by a small resistor. */
    public double farads(String net, String back) {
        Set<String> grounds = new HashSet<>(List.of(back, reference, AcSupply.N));
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Resistor r
                    && r.ohms() <= SupplyFinder.SURGE
                    && (p.touches(back) || p.touches(reference))
                    && !p.touches(net)) grounds.addAll(p.nets().values());
        double sum = 0;
        for (Part p : chassis.parts()) if (p.component() instanceof Capacitor c) sum += farads(p, c, net, grounds);
        return sum;
    }

    private double farads(Part p, Capacitor c, String net, Set<String> grounds) {
        int last = c.farads().size() + 1;
        String common = faults.net(p, String.valueOf(last));
        double sum = 0;
        for (int n = 1; n < last; n++) {
            String end = faults.net(p, String.valueOf(n));
            boolean there =
                    (end.equals(net) && grounds.contains(common)) || (common.equals(net) && grounds.contains(end));
            if (there) sum += faults.farads(p.reference(), c.farads().get(n - 1));
        }
        return sum;
    }

    /** Conductance of the resistors from the reservoir to nets that a large capacitor holds still. */
    public double filter(String reservoir) {
        double sum = 0;
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Resistor r) || !p.touches(reservoir) || r.ohms() <= 0) continue;
            for (String other : p.nets().values()) if (!other.equals(reservoir) && steady(other)) sum += 1 / r.ohms();
        }
        return sum;
    }

    private boolean steady(String net) {
        return chassis.parts().stream()
                .anyMatch(p -> p.touches(net)
                        && p.component() instanceof Capacitor c
                        && c.farads().stream().anyMatch(f -> f >= LARGE));
    }
}
