package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.simulation.fault.Faults;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
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
    private final PassiveStamps linear;
    private final Map<String, Set<String>> grounds = new HashMap<>();
    private final String reference;

    /** @param reference the net of zero volts */
    public Reservoirs(Chassis chassis, Faults faults, PassiveStamps linear, String reference) {
        this.chassis = chassis;
        this.linear = linear;
        this.faults = faults;
        this.reference = reference;
    }

    /**
     * A net that small resistances join to another.
     *
     * @param ohms of the way
     */
    public record Joined(String net, double ohms) {}

    /** The nets that fuses, closed switches, lamps and small resistors join to a net, the nearest first, itself before all. */
    public List<Joined> near(String net) {
        Map<String, Double> ohms = new LinkedHashMap<>();
        PriorityQueue<Joined> next = new PriorityQueue<>(Comparator.comparingDouble(Joined::ohms));
        next.add(new Joined(net, 0));
        while (!next.isEmpty()) {
            Joined at = next.poll();
            if (ohms.putIfAbsent(at.net(), at.ohms()) != null) continue;
            for (Part p : chassis.partsOn(at.net()))
                linear.leads(p, at.net()).forEach((n, r) -> {
                    if (at.ohms() + r <= SupplyFinder.SURGE) next.add(new Joined(n, at.ohms() + r));
                });
        }
        return ohms.entrySet().stream()
                .map(e -> new Joined(e.getKey(), e.getValue()))
                .toList();
    }

    /** The nearest net to a cathode that a large capacitor holds against the return; the cathode itself where there is none. */
    public Joined reservoir(String cathode, String foot) {
        return near(cathode).stream()
                .filter(n -> farads(n.net(), foot) >= LARGE)
                .findFirst()
                .orElse(new Joined(cathode, 0));
    }

    /** The other ends of the large capacitors at a net and at those near it, the nearest first. */
    public List<String> feet(String cathode) {
        List<String> feet = new ArrayList<>();
        for (Joined n : near(cathode))
            for (Part p : chassis.partsOn(n.net()))
                if (p.component() instanceof Capacitor c) {
                    int last = c.farads().size() + 1;
                    String common = faults.net(p, String.valueOf(last));
                    for (int k = 1; k < last; k++) {
                        String end = faults.net(p, String.valueOf(k));
                        if (faults.farads(p, k, c.farads().get(k - 1)) < LARGE) continue;
                        if (end.equals(n.net())) feet.add(common);
                        else if (common.equals(n.net())) feet.add(end);
                    }
                }
        return feet;
    }

    /** A choke at a cathode, or near it, that has no reservoir of its own. */
    public Optional<Part> choke(String cathode, String foot) {
        for (Joined n : near(cathode)) {
            if (farads(n.net(), foot) >= LARGE) return Optional.empty();
            Optional<Part> found = chassis.partsOn(n.net()).stream()
                    .filter(p -> isChoke(p)
                            && !faults.is(p.reference(), FaultMode.OPEN)
                            && farads(other(p, n.net()), foot) >= LARGE)
                    .findFirst();
            if (found.isPresent()) return found;
        }
        return Optional.empty();
    }

    /** Whether a part is one winding that smooths a rail: a choke, a field coil. */
    public static boolean isChoke(Part p) {
        return p.component() instanceof Component.Windings w && w.windings().size() == 1 && henries(p) >= CHOKE;
    }

    /** Of the only winding of a choke; 0 where it is not stated. */
    public static double henries(Part p) {
        return ((Component.Windings) p.component()).windings().get(0).henries();
    }

    /** Of the only winding of a choke; 0 where it is not stated. */
    public static double ohms(Part choke) {
        return ((Component.Windings) choke.component()).windings().get(0).ohms();
    }

    /** What the capacitor that drives a doubler has, with its faults; an open one passes next to nothing. */
    public double pump(Part p) {
        double farads = ((Capacitor) p.component()).farads().get(0);
        return Math.max(NEXT_TO_NOTHING, faults.farads(p, 1, farads));
    }

    /** The net at the other end of a part with two; the net itself where both ends are on it. */
    public static String other(Part p, String net) {
        return p.nets().values().stream()
                .filter(n -> !n.equals(net))
                .findFirst()
                .orElse(net);
    }

    /** Capacitance from a net to the return, to the reference, or to what hangs on either by small resistances. */
    public double farads(String net, String foot) {
        Set<String> grounds = grounds(foot);
        double sum = 0;
        for (Part p : chassis.partsOn(net)) if (p.component() instanceof Capacitor c) sum += farads(p, c, net, grounds);
        return sum;
    }

    private Set<String> grounds(String foot) {
        return grounds.computeIfAbsent(foot, f -> {
            Set<String> nets = new HashSet<>();
            for (String end : List.of(f, reference)) for (Joined n : near(end)) nets.add(n.net());
            return nets;
        });
    }

    private double farads(Part p, Capacitor c, String net, Set<String> grounds) {
        int last = c.farads().size() + 1;
        String common = faults.net(p, String.valueOf(last));
        double sum = 0;
        for (int n = 1; n < last; n++) {
            String end = faults.net(p, String.valueOf(n));
            boolean there =
                    (end.equals(net) && grounds.contains(common)) || (common.equals(net) && grounds.contains(end));
            if (there) sum += faults.farads(p, n, c.farads().get(n - 1));
        }
        return sum;
    }

    /** Conductance of the resistors from the reservoir to nets that a large capacitor holds still. */
    public double filter(String reservoir) {
        double sum = 0;
        for (Part p : chassis.partsOn(reservoir)) {
            if (!(p.component() instanceof Component.Resistor r) || r.ohms() <= 0) continue;
            for (String other : p.nets().values()) if (!other.equals(reservoir) && steady(other)) sum += 1 / r.ohms();
        }
        return sum;
    }

    private boolean steady(String net) {
        return chassis.partsOn(net).stream()
                .anyMatch(p -> p.component() instanceof Capacitor c
                        && c.farads().stream().anyMatch(f -> f >= LARGE));
    }
}
