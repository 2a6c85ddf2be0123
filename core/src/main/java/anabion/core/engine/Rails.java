package anabion.core.engine;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.Semiconductor;
import anabion.core.device.law.Fit;
import anabion.core.device.law.RectifierLaw;
import anabion.core.supply.Characteristic;
import anabion.core.supply.Path;
import anabion.core.supply.Rectifier;
import anabion.core.supply.Wave;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/**
 * Finds the rectifiers of a chassis, what feeds them and what they feed, from the nets alone: the reservoir is the capacitor on the
 * rectifier's cathode, or behind a small resistor there.
 */
final class Rails {
    /** Below this the plate of a rectifier sees no alternating volts. */
    private static final double DEAD = 0.5;
    /** A resistor up to this, between rectifier and reservoir or in the return, belongs to the rectifier. */
    static final double SURGE = 1000;
    /** A winding from this on, in henries, smooths a rail. */
    private static final double CHOKE = 0.5;
    /** A capacitor from this on is a reservoir, or steadies what is behind a filter resistor. */
    private static final double LARGE = 5e-7;
    /** What a dried electrolytic keeps. */
    private static final double DRIED = 0.15;
    /** Emission against the heater's share of its rated volts: half at 0.68, a fiftieth at a half. */
    private static final double HALF_HEAT = 0.68;

    private static final double HEAT_WIDTH = 0.045;
    /** Below this there is none. */
    private static final double DARK = 1e-5;

    private final Chassis chassis;
    private final Setting setting;
    private final Faults faults;
    private final Mains mains;
    private final String reference;
    private final Sockets sockets;
    private final BiFunction<Rectifier, Double, Characteristic> characteristics;

    Rails(
            Chassis chassis,
            Setting setting,
            Faults faults,
            Mains mains,
            String reference,
            BiFunction<Rectifier, Double, Characteristic> characteristics) {
        this.characteristics = characteristics;
        this.chassis = chassis;
        this.setting = setting;
        this.faults = faults;
        this.mains = mains;
        this.reference = reference;
        this.sockets = new Sockets(faults);
    }

    /**
     * One rectifier in the set.
     *
     * @param output the net of its cathode
     * @param back the net to which its current returns
     * @param reservoir the net of the reservoir
     * @param siemens of the filter resistors at the reservoir
     * @param plates the nets of its plates, in the order of the paths
     */
    record Rail(
            String name,
            String output,
            String back,
            String reservoir,
            double siemens,
            Rectifier rectifier,
            List<String> plates,
            Characteristic characteristic) {}

    /**
     * A path with its source.
     *
     * @param far the other end of the winding or mains that feeds the plate
     * @param mate in a bridge, the rectifier through which the current comes back to that end
     */
    private record Fed(Port port, String far, Optional<Port> mate) {
        String back() {
            return mate.map(Port::plate).orElse(far);
        }

        RectifierLaw law() {
            return mate.isPresent() ? port.law().doubled() : port.law();
        }
    }

    List<Rail> all() {
        List<Port> every = new ArrayList<>();
        for (Part p : chassis.parts()) for (Port port : ports(p)) if (port.law().amperes(100) > 1e-9) every.add(port);
        Map<String, List<Fed>> byCathode = new LinkedHashMap<>();
        for (Port port : every) {
            if (!mains.alternates(port.plate())) continue;
            String far = back(port.plate());
            if (Math.abs(mains.volts(port.plate()) - mains.volts(far)) <= DEAD) continue;
            Optional<Port> mate = every.stream()
                    .filter(q -> q.cathode().equals(far) && !q.plate().equals(port.plate()))
                    .findFirst();
            byCathode.computeIfAbsent(port.cathode(), k -> new ArrayList<>()).add(new Fed(port, far, mate));
        }
        List<Rail> rails = new ArrayList<>();
        byCathode.forEach((cathode, fed) -> rails.add(rail(cathode, fed)));
        return rails;
    }

    private Rail rail(String cathode, List<Fed> fed) {
        String back = fed.get(0).back();
        String reservoir = reservoir(cathode, back);
        double surge = reservoir.equals(cathode) ? 0 : between(cathode, reservoir);
        List<Path> paths = new ArrayList<>();
        for (Fed f : fed)
            paths.add(new Path(
                    rounded(mains.volts(f.port().plate()) - mains.volts(f.far())),
                    rounded(mains.ohms(f.port().plate(), f.far()) + surge),
                    f.law()));
        double hertz = chassis.supply().hertz() > 0 ? chassis.supply().hertz() : 50;
        Optional<Part> choke = choke(cathode, back);
        if (choke.isPresent()) reservoir = other(choke.get(), cathode);
        Rectifier rectifier = new Rectifier(
                paths,
                Wave.SINE,
                hertz,
                farads(reservoir, back),
                choke.map(Rails::henries).orElse(0.0),
                choke.map(p -> ((Component.Windings) p.component())
                                .windings()
                                .get(0)
                                .ohms())
                        .orElse(0.0));
        return new Rail(
                fed.get(0).port().reference(),
                cathode,
                back,
                reservoir,
                filter(reservoir),
                rectifier,
                fed.stream().map(f -> f.port().plate()).toList(),
                characteristics.apply(rectifier, filter(reservoir)));
    }

    /** To four figures, so that a leak across the line does not ask for a characteristic of its own. */
    private static double rounded(double v) {
        if (v == 0) return 0;
        double unit = Math.pow(10, Math.floor(Math.log10(Math.abs(v))) - 3);
        return Math.rint(v / unit) * unit;
    }

    // --- the paths of one part ---

    private List<Port> ports(Part p) {
        Optional<DeviceType> type = Sockets.type(p);
        if (type.isEmpty()) return selenium(p);
        List<Port> ports = new ArrayList<>();
        Optional<Semiconductor> semiconductor = type.get().semiconductor();
        if (semiconductor.isPresent()) {
            if (semiconductor.get().law().equals("rectifier") && !faults.is(p.reference(), "open"))
                ports.add(new Port(p.reference(), sockets.need(p, "a", ""), sockets.need(p, "k", ""), Fit.silicon()));
            return ports;
        }
        for (Section s : type.get().sections()) {
            if (s.kind() != Section.Kind.RECTIFIER) continue;
            double emission = faults.emission(p.reference())
                    * emission(mains.heat(p, type.get()), setting)
                    * setting.trim(p.reference());
            RectifierLaw law = Fit.rectifier(s).weakened(Math.max(emission, 1e-12));
            String k = sockets.find(p, "k", s.name()).orElseGet(() -> sockets.cathode(p, s.name()));
            for (String a : List.of("a1", "a2", "a"))
                sockets.find(p, a, s.name()).ifPresent(net -> ports.add(new Port(p.reference(), net, k, law)));
        }
        return ports;
    }

    private List<Port> selenium(Part p) {
        boolean stack = p.device()
                .filter(d -> d.type().toUpperCase(java.util.Locale.ROOT).startsWith("SELENIUM"))
                .isPresent();
        if (!stack || faults.is(p.reference(), "open")) return List.of();
        double weak = faults.is(p.reference(), "weak") ? 0.2 : 1;
        return List.of(new Port(
                p.reference(),
                sockets.need(p, "a", ""),
                sockets.need(p, "k", ""),
                Fit.selenium(chassis.supply().volts(), 0.06).weakened(weak)));
    }

    /** Share of the emission at a share of the heater volts; nothing before the set has warmed. */
    static double emission(double heat, Setting setting) {
        if (!setting.warm()) return 0;
        double full = 1 + Math.exp(-(1 - HALF_HEAT) / HEAT_WIDTH);
        return Math.max(0, Math.min(1, full / (1 + Math.exp(-(heat - HALF_HEAT) / HEAT_WIDTH)) - DARK));
    }

    // --- what feeds it ---

    /** The net at the other end of the winding, or of the mains, that a plate is fed from. */
    private String back(String plate) {
        Set<String> seen = new LinkedHashSet<>(List.of(plate));
        Deque<String> next = new ArrayDeque<>(seen);
        while (!next.isEmpty()) {
            String at = next.poll();
            if (at.equals(Mains.L)) return Mains.N;
            if (at.equals(Mains.N)) return Mains.L;
            for (Part p : chassis.parts()) {
                if (!p.touches(at)) continue;
                if (p.component() instanceof Component.Windings w && Mains.transformer(w)) {
                    Optional<String> end = otherEnd(p, w.windings(), at);
                    if (end.isPresent()) return end.get();
                }
                for (String n : Linear.joined(p, at)) if (seen.add(n)) next.add(n);
            }
        }
        return reference;
    }

    private Optional<String> otherEnd(Part p, List<Winding> all, String net) {
        for (Winding w : all.subList(1, all.size())) {
            String from = faults.net(p, w.from());
            String to = faults.net(p, w.to());
            if (from.equals(net)) return Optional.of(to);
            if (to.equals(net)) return Optional.of(from);
        }
        return Optional.empty();
    }

    // --- what it feeds ---

    private String reservoir(String cathode, String back) {
        if (farads(cathode, back) >= LARGE) return cathode;
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Resistor r) || r.ohms() > SURGE || !p.touches(cathode)) continue;
            for (String other : p.nets().values())
                if (!other.equals(cathode) && farads(other, back) >= LARGE) return other;
        }
        return cathode;
    }

    /** A choke at a cathode that has no reservoir of its own. */
    private Optional<Part> choke(String cathode, String back) {
        if (farads(cathode, back) >= LARGE) return Optional.empty();
        return chassis.parts().stream()
                .filter(p -> p.touches(cathode)
                        && p.component() instanceof Component.Windings w
                        && w.windings().size() == 1
                        && henries(p) >= CHOKE
                        && !faults.is(p.reference(), "open")
                        && farads(other(p, cathode), back) >= LARGE)
                .findFirst();
    }

    private static double henries(Part p) {
        return ((Component.Windings) p.component()).windings().get(0).henries();
    }

    private static String other(Part p, String net) {
        return p.nets().values().stream()
                .filter(n -> !n.equals(net))
                .findFirst()
                .orElse(net);
    }

    private double between(String a, String b) {
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Resistor r && p.joins(a, b)) return r.ohms();
        return 0;
    }

    /** Capacitance from a net to the return, to the reference, or to what hangs on either by a small resistor. */
    private double farads(String net, String back) {
        Set<String> grounds = new HashSet<>(List.of(back, reference, Mains.N));
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Resistor r
                    && r.ohms() <= SURGE
                    && (p.touches(back) || p.touches(reference))
                    && !p.touches(net)) grounds.addAll(p.nets().values());
        double sum = 0;
        for (Part p : chassis.parts()) if (p.component() instanceof Capacitor c) sum += farads(p, c, net, grounds);
        return sum;
    }

    private double farads(Part p, Capacitor c, String net, Set<String> grounds) {
        if (faults.is(p.reference(), "open")) return 0;
        int last = c.farads().size() + 1;
        String common = faults.net(p, String.valueOf(last));
        double sum = 0;
        for (int n = 1; n < last; n++) {
            String end = faults.net(p, String.valueOf(n));
            boolean there =
                    (end.equals(net) && grounds.contains(common)) || (common.equals(net) && grounds.contains(end));
            if (there) sum += c.farads().get(n - 1) * (faults.is(p.reference(), "dried") ? DRIED : 1);
        }
        return sum;
    }

    /** Conductance of the resistors from the reservoir to nets that a large capacitor holds still. */
    private double filter(String reservoir) {
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
