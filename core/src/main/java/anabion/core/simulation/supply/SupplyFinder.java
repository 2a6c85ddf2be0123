package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.Semiconductor;
import anabion.core.device.SemiconductorKind;
import anabion.core.device.model.Fit;
import anabion.core.device.model.Heated;
import anabion.core.device.model.RectifierLaw;
import anabion.core.rectifier.Characteristic;
import anabion.core.rectifier.Path;
import anabion.core.rectifier.Rectifier;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Finds the rectifiers of a chassis, what feeds them and what they feed, from the nets alone: the reservoir is the capacitor on the
 * rectifier's cathode, or behind a small resistor there.
 */
public final class SupplyFinder {
    /** Below this the plate of a rectifier sees no alternating volts. */
    private static final double DEAD = 0.5;
    /** A resistor up to this, between rectifier and reservoir or in the return, belongs to the rectifier. */
    public static final double SURGE = 1000;

    private final Chassis chassis;
    private final Setting setting;
    private final Faults faults;
    private final AcSupply mains;
    private final String reference;
    private final Sockets sockets;
    private final Reservoirs behind;
    private final Characteristics characteristics;

    /** Where a rectifier's characteristic comes from. */
    public interface Characteristics {
        Characteristic of(String output, Rectifier rectifier, double siemens);
    }

    public SupplyFinder(
            Chassis chassis,
            Setting setting,
            Faults faults,
            AcSupply mains,
            String reference,
            Characteristics characteristics) {
        this.characteristics = characteristics;
        this.chassis = chassis;
        this.setting = setting;
        this.faults = faults;
        this.mains = mains;
        this.reference = reference;
        this.sockets = new Sockets(faults);
        this.behind = new Reservoirs(chassis, faults, reference);
    }

    /**
     * One rectifier in the set.
     *
     * @param output the net of its cathode
     * @param back the net to which its current returns
     * @param reservoir the net of the reservoir
     * @param siemens of the filter resistors at the reservoir
     * @param plates the nets of its plates, in the order of the paths
     * @param ports all its rectifiers, the one of the first path first
     */
    public record Rail(
            String name,
            String output,
            String back,
            String reservoir,
            double siemens,
            Rectifier rectifier,
            List<String> plates,
            List<Port> ports,
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

    public List<Rail> all() {
        List<Port> every = new ArrayList<>();
        for (Part p : chassis.parts()) for (Port port : ports(p)) if (port.law().amperes(100) > 1e-9) every.add(port);
        Map<String, List<Fed>> byCathode = new LinkedHashMap<>();
        List<Rail> rails = new ArrayList<>();
        List<Port> others = new ArrayList<>(every);
        for (Port port : every) doubler(port, every, others).ifPresent(rails::add);
        for (Port port : List.copyOf(others)) {
            if (!mains.alternates(port.plate())) continue;
            String far = back(port.plate());
            if (!drives(port.plate(), far)) continue;
            Optional<Port> mate = others.stream()
                    .filter(q -> q.cathode().equals(far) && !q.plate().equals(port.plate()))
                    .findFirst();
            mate.ifPresent(others::remove);
            others.remove(port);
            byCathode.computeIfAbsent(port.cathode(), k -> new ArrayList<>()).add(new Fed(port, far, mate));
        }
        byCathode.forEach((cathode, fed) -> rails.add(rail(cathode, fed)));
        for (Port port : others) negative(port).ifPresent(rails::add);
        return rails;
    }

    private boolean drives(String net, String far) {
        return Math.abs(mains.volts(net) - mains.volts(far)) > DEAD;
    }

    private Rail rail(String cathode, List<Fed> fed) {
        String back = fed.get(0).back();
        List<Path> paths = new ArrayList<>();
        String reservoir = behind.reservoir(cathode, back);
        double surge = reservoir.equals(cathode) ? 0 : behind.between(cathode, reservoir);
        for (Fed f : fed) paths.add(path(f.port().plate(), f.far(), 1, surge, f.law()));
        List<String> plates = fed.stream().map(f -> f.port().plate()).toList();
        List<Port> ports = new ArrayList<>(fed.stream().map(Fed::port).toList());
        fed.forEach(f -> f.mate().ifPresent(ports::add));
        return rail(fed.get(0).port().reference(), cathode, back, reservoir, paths, plates, ports, 0);
    }

    private Rail rail(
            String name,
            String cathode,
            String back,
            String closest,
            List<Path> paths,
            List<String> plates,
            List<Port> ports,
            double pump) {
        Optional<Part> choke = behind.choke(cathode, back);
        String reservoir = choke.map(part -> Reservoirs.other(part, cathode)).orElse(closest);
        Rectifier rectifier = new Rectifier(
                paths,
                mains.wave(),
                mains.hertz(),
                behind.farads(reservoir, back),
                choke.map(Reservoirs::henries).orElse(0.0),
                choke.map(Reservoirs::ohms).orElse(0.0),
                pump);
        double siemens = behind.filter(reservoir);
        return new Rail(
                name,
                cathode,
                back,
                reservoir,
                siemens,
                rectifier,
                plates,
                ports,
                characteristics.of(cathode, rectifier, siemens));
    }

    private Path path(String net, String far, double sign, double more, RectifierLaw law) {
        return new Path(
                rounded(sign * (mains.volts(net) - mains.volts(far))), rounded(mains.ohms(net, far) + more), law);
    }

    /**
     * A rectifier whose cathode alternates: it makes its plate negative against the other end of what feeds it. It gives a bias, or
     * the lower half of a doubler with two reservoirs in series.
     */
    private Optional<Rail> negative(Port port) {
        if (mains.alternates(port.plate()) || !mains.alternates(port.cathode())) return Optional.empty();
        String far = back(port.cathode());
        if (!drives(port.cathode(), far)) return Optional.empty();
        List<Path> paths = List.of(path(port.cathode(), far, -1, 0, port.law()));
        String reservoir = behind.reservoir(far, port.plate());
        return Optional.of(
                rail(port.reference(), far, port.plate(), reservoir, paths, List.of(port.cathode()), List.of(port), 0));
    }

    /**
     * A doubler with a common line: a capacitor from the source to the plate of one rectifier, which another one keeps from going
     * negative. Both are then no rectifiers of their own.
     */
    private Optional<Rail> doubler(Port port, List<Port> every, List<Port> others) {
        if (mains.alternates(port.plate())) return Optional.empty();
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Capacitor c) || !p.touches(port.plate())) continue;
            String source = Reservoirs.other(p, port.plate());
            if (c.farads().get(0) < Reservoirs.LARGE || !mains.alternates(source)) continue;
            Optional<Port> clamp = every.stream()
                    .filter(q -> q.cathode().equals(port.plate()) && !q.plate().equals(port.plate()))
                    .findFirst();
            String far = back(source);
            if (clamp.isEmpty() || !drives(source, far)) continue;
            others.removeAll(List.of(port, clamp.get()));
            List<Path> paths = List.of(
                    path(source, far, 1, 0, port.law()),
                    path(source, far, 1, 0, clamp.get().law()));
            String back = clamp.get().plate();
            String reservoir = behind.reservoir(port.cathode(), back);
            return Optional.of(rail(
                    port.reference(),
                    port.cathode(),
                    back,
                    reservoir,
                    paths,
                    List.of(),
                    List.of(port, clamp.get()),
                    behind.pump(p)));
        }
        return Optional.empty();
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
            if (semiconductor.get().kind() == SemiconductorKind.RECTIFIER && !faults.is(p.reference(), FaultMode.OPEN))
                ports.add(new Port(p.reference(), sockets.need(p, "a", ""), sockets.need(p, "k", ""), Fit.silicon()));
            return ports;
        }
        for (Section s : type.get().sections()) {
            if (s.kind() != Section.Kind.RECTIFIER) continue;
            double emission = faults.emission(p.reference())
                    * emission(mains.rectifierHeat(p, type.get()), setting)
                    * setting.trim(p.reference());
            RectifierLaw law = Fit.rectifier(s).weakened(Math.max(emission, 1e-12));
            String k = sockets.find(p, "k", s.name()).orElseGet(() -> sockets.cathode(p, s.name()));
            for (String a : List.of("a1", "a2", "a"))
                sockets.find(p, a, s.name()).ifPresent(net -> ports.add(new Port(p.reference(), net, k, law)));
        }
        return ports;
    }

    private List<Port> selenium(Part p) {
        if (!p.is(PartRole.METAL_RECTIFIER) || faults.is(p.reference(), FaultMode.OPEN)) return List.of();
        double weak = faults.is(p.reference(), FaultMode.WEAK) ? 0.2 : 1;
        return List.of(new Port(
                p.reference(),
                sockets.need(p, "a", ""),
                sockets.need(p, "k", ""),
                Fit.selenium(chassis.supply().volts(), 0.06).weakened(weak)));
    }

    /** Share of the emission at a share of the heater volts; nothing before the set has warmed. */
    public static double emission(double heat, Setting setting) {
        if (!setting.warm()) return 0;
        return Heated.emission(heat);
    }

    // --- what feeds it ---

    /** The net at the other end of the winding, or of the mains, that a plate is fed from. */
    private String back(String plate) {
        Set<String> seen = new LinkedHashSet<>(List.of(plate));
        Deque<String> next = new ArrayDeque<>(seen);
        while (!next.isEmpty()) {
            String at = next.poll();
            if (at.equals(AcSupply.L)) return AcSupply.N;
            if (at.equals(AcSupply.N)) return AcSupply.L;
            for (Part p : chassis.parts()) {
                if (!p.touches(at)) continue;
                if (p.component() instanceof Component.Windings w && w.isMainsTransformer()) {
                    Optional<String> end = otherEnd(p, w.windings(), at);
                    if (end.isPresent()) return end.get();
                }
                for (String n : PassiveStamps.joined(p, at)) if (seen.add(n)) next.add(n);
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
}
