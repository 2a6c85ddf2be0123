package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.device.DeviceType;
import anabion.core.device.MetalRectifier;
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
import anabion.core.simulation.supply.Reservoirs.Joined;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Finds the rectifiers of a chassis, what feeds them and what they feed, from the nets alone: the reservoir is the capacitor on the
 * rectifier's cathode, or behind a small resistor there.
 */
public final class SupplyFinder {
    /** A resistor up to this, between rectifier and reservoir or in the return, belongs to the rectifier. */
    public static final double SURGE = 1000;

    /** Rated current of a selenium stack that does not state one, in amperes. */
    private static final double USUAL_AMPERES = 0.06;
    /** A closed contact, in ohms. */
    private static final double CONTACT = 0.1;
    /** What a worn one still passes, where a fault does not say its resistance. */
    private static final double WORN = 0.2;

    private final Chassis chassis;
    private final Setting setting;
    private final Faults faults;
    private final AcSupply mains;
    private final Sockets sockets;
    private final Reservoirs behind;
    private final RectifierFeeds feeds;
    private final Characteristics characteristics;

    /** Where a rectifier's characteristic comes from. */
    public interface Characteristics {
        Characteristic of(String output, Rectifier rectifier, double siemens);
    }

    /**
     * @param reference the net of zero volts
     * @param characteristics where those of rectifiers come from
     */
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
        this.sockets = new Sockets(faults);
        this.behind = new Reservoirs(chassis, faults, new PassiveStamps(chassis, setting, faults), reference);
        this.feeds = new RectifierFeeds(chassis, faults, mains, reference, behind);
    }

    /**
     * A path with its source.
     *
     * @param mate in a bridge, the rectifier through which the current comes back to that end
     */
    private record Fed(Port port, RectifierFeeds.Return to, Optional<Port> mate) {
        String back() {
            return mate.map(Port::plate).orElse(to.back());
        }

        String foot() {
            return mate.map(Port::plate).orElse(to.far());
        }

        RectifierLaw law() {
            return mate.isPresent() ? port.law().doubled() : port.law();
        }
    }

    /** All rails, in the order of their rectifiers. */
    public List<SupplyRail> all() {
        List<Port> every = new ArrayList<>();
        for (Part p : chassis.parts()) for (Port port : ports(p)) if (port.law().amperes(100) > 1e-9) every.add(port);
        Map<String, List<Fed>> byCathode = new LinkedHashMap<>();
        List<SupplyRail> rails = new ArrayList<>();
        List<Port> others = new ArrayList<>(every);
        for (Port port : every) doubler(port, every, others).ifPresent(rails::add);
        for (Port port : List.copyOf(others)) {
            if (!mains.alternates(port.plate())) continue;
            RectifierFeeds.Return to = feeds.returns(port.plate(), port.cathode());
            if (!feeds.drives(port.plate(), to.far())) continue;
            Optional<Port> mate = others.stream()
                    .filter(q -> q.cathode().equals(to.far()) && !q.plate().equals(port.plate()))
                    .findFirst();
            mate.ifPresent(others::remove);
            others.remove(port);
            byCathode.computeIfAbsent(port.cathode(), k -> new ArrayList<>()).add(new Fed(port, to, mate));
        }
        byCathode.forEach((cathode, fed) -> rails.add(rail(cathode, fed)));
        rails.addAll(negative(others));
        return rails;
    }

    private SupplyRail rail(String cathode, List<Fed> fed) {
        Fed first = fed.get(0);
        List<Path> paths = new ArrayList<>();
        Joined reservoir = behind.reservoir(cathode, first.foot());
        // plates on one net share what feeds them: they are one path
        Map<String, List<Fed>> byPlate = new LinkedHashMap<>();
        for (Fed f : fed)
            byPlate.computeIfAbsent(f.port().plate(), k -> new ArrayList<>()).add(f);
        byPlate.forEach((plate, some) -> paths.add(path(
                plate,
                some.get(0).to().far(),
                1,
                reservoir.ohms(),
                some.size() > 1
                        ? some.get(0).law().weakened(some.size())
                        : some.get(0).law())));
        List<String> plates = List.copyOf(byPlate.keySet());
        List<Port> ports = new ArrayList<>(fed.stream().map(Fed::port).toList());
        fed.forEach(f -> f.mate().ifPresent(ports::add));
        return rail(
                first.port().reference(),
                cathode,
                new RectifierFeeds.Return(first.foot(), first.back()),
                reservoir,
                paths,
                plates,
                ports,
                0,
                fed.stream().anyMatch(f -> f.mate().isPresent()) ? List.of() : plates,
                false);
    }

    private SupplyRail rail(
            String name,
            String cathode,
            RectifierFeeds.Return to,
            Joined closest,
            List<Path> paths,
            List<String> plates,
            List<Port> ports,
            double pump,
            List<String> through,
            boolean below) {
        Optional<Part> choke = behind.choke(cathode, to.far());
        String reservoir = choke.map(part -> held(part, to.far())).orElse(closest.net());
        Rectifier rectifier = new Rectifier(
                paths,
                mains.wave(),
                mains.hertz(),
                behind.farads(reservoir, to.far()),
                choke.map(Reservoirs::henries).orElse(0.0),
                choke.map(Reservoirs::ohms).orElse(0.0),
                pump);
        double siemens = behind.filter(reservoir);
        return new SupplyRail(
                name,
                cathode,
                to.back(),
                reservoir,
                to.far(),
                siemens,
                rectifier,
                plates,
                ports,
                characteristics.of(cathode, rectifier, siemens),
                through,
                below);
    }

    /** The end of a choke that a large capacitor holds. */
    private String held(Part choke, String foot) {
        return choke.nets().values().stream()
                .filter(n -> behind.farads(n, foot) >= Reservoirs.LARGE)
                .findFirst()
                .orElseThrow();
    }

    private Path path(String net, String far, double sign, double more, RectifierLaw law) {
        return new Path(rounded(sign * mains.between(net, far)), rounded(mains.ohms(net, far) + more), law);
    }

    /**
     * Rectifiers whose cathodes alternate: they make their plates negative against the other end of what feeds them. One alone gives a bias, or the lower
     * half of a doubler with two reservoirs in series; two at the ends of one winding are a full-wave supply, such as the contacts of a synchronous
     * vibrator.
     */
    private List<SupplyRail> negative(List<Port> others) {
        Map<List<String>, List<Port>> together = new LinkedHashMap<>();
        for (Port port : others) {
            if (mains.alternates(port.plate()) || !mains.alternates(port.cathode())) continue;
            String far = feeds.returns(port.cathode(), port.plate()).far();
            if (feeds.drives(port.cathode(), far))
                together.computeIfAbsent(List.of(port.plate(), far), k -> new ArrayList<>())
                        .add(port);
        }
        return together.values().stream().map(this::below).toList();
    }

    private SupplyRail below(List<Port> ports) {
        Port first = ports.get(0);
        RectifierFeeds.Return to = feeds.returns(first.cathode(), first.plate());
        Joined held = behind.reservoir(first.plate(), to.far());
        List<String> cathodes = ports.stream().map(Port::cathode).toList();
        return rail(
                first.reference(),
                to.back(),
                new RectifierFeeds.Return(held.net(), first.plate()),
                new Joined(to.far(), 0),
                ports.stream()
                        .map(q -> path(q.cathode(), to.far(), -1, held.ohms(), q.law()))
                        .toList(),
                cathodes,
                ports,
                0,
                cathodes,
                true);
    }

    /**
     * A doubler with a common line: a capacitor from the source to the plate of one rectifier, which another one keeps from going
     * negative. Both are then no rectifiers of their own.
     */
    private Optional<SupplyRail> doubler(Port port, List<Port> every, List<Port> others) {
        if (mains.alternates(port.plate())) return Optional.empty();
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Capacitor c) || !p.touches(port.plate())) continue;
            String source = Reservoirs.other(p, port.plate());
            if (c.farads().get(0) < Reservoirs.LARGE || !mains.alternates(source)) continue;
            Optional<Port> clamp = every.stream()
                    .filter(q -> q.cathode().equals(port.plate()) && !q.plate().equals(port.plate()))
                    .findFirst();
            if (clamp.isEmpty()) continue;
            String far = feeds.returns(source, port.cathode()).far();
            if (!feeds.drives(source, far)) continue;
            others.removeAll(List.of(port, clamp.get()));
            String back = clamp.get().plate();
            Joined reservoir = behind.reservoir(port.cathode(), back);
            List<Path> paths = List.of(
                    path(source, far, 1, reservoir.ohms(), port.law()),
                    path(source, far, 1, 0, clamp.get().law()));
            return Optional.of(rail(
                    port.reference(),
                    port.cathode(),
                    new RectifierFeeds.Return(back, back),
                    reservoir,
                    paths,
                    List.of(),
                    List.of(port, clamp.get()),
                    behind.pump(p),
                    List.of(),
                    false));
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
        if (AcSupply.vibrates(p)) return contacts(p);
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
            if (!s.kind().rectifies()) continue;
            double emission = faults.emission(p.reference())
                    * emission(type.get(), mains.rectifierHeat(p, type.get()), setting)
                    * setting.trim(p.reference());
            RectifierLaw law = Fit.rectifier(s).weakened(Math.max(emission, 1e-12));
            String k = sockets.find(p, "k", s.name()).orElseGet(() -> filament(p, s.name()));
            for (String a : List.of("a1", "a2", "a"))
                sockets.find(p, a, s.name()).ifPresent(net -> ports.add(new Port(p.reference(), net, k, law)));
        }
        return ports;
    }

    /**
     * The second pair of contacts of a synchronous vibrator: each joins its end of the secondary (4, 5) to the reed while the reed joins the primary's end
     * of that stroke (2, 3). They conduct either way: which pole the rail has, the phase of the windings and the battery decide.
     */
    private List<Port> contacts(Part p) {
        List<Port> ports = new ArrayList<>();
        String reed = faults.net(p, "1");
        if (!p.nets().containsKey("4") || !p.nets().containsKey("5")) return ports;
        String first = faults.net(p, "4");
        boolean positive = mains.between(new WindingEnds(chassis).other(first).orElse(reed), first) > 0
                == VibratorFeed.positiveTap(chassis, p);
        for (String pin : List.of("4", "5")) {
            String end = faults.net(p, pin);
            RectifierLaw law = new RectifierLaw.Threshold(0, CONTACT);
            ports.add(positive ? new Port(p.reference(), reed, end, law) : new Port(p.reference(), end, reed, law));
        }
        return ports;
    }

    /** Where a rectifier's filament gives its current: the end, or the middle of its winding, that has the reservoir or the choke before it. */
    private String filament(Part p, String section) {
        List<String> places = new ArrayList<>(sockets.heater(p).orElse(List.of()));
        if (!places.isEmpty())
            new WindingEnds(chassis).middle(places.get(0), places.get(1)).ifPresent(places::add);
        for (String at : places) if (!behind.feet(at).isEmpty()) return at;
        for (String at : places)
            if (chassis.parts().stream()
                    .anyMatch(q -> q.touches(at)
                            && q.component() instanceof Component.Windings w
                            && w.windings().size() == 1
                            && Reservoirs.henries(q) > 0)) return at;
        return sockets.cathode(p, section);
    }

    private List<Port> selenium(Part p) {
        if (!p.is(PartRole.METAL_RECTIFIER) || faults.is(p.reference(), FaultMode.OPEN)) return List.of();
        MetalRectifier m = MetalRectifier.named(p.device().orElseThrow().type())
                .orElse(new MetalRectifier(MetalRectifier.Circuit.HALF_WAVE, 0, 0));
        RectifierLaw law = aged(p, m);
        return switch (m.circuit()) {
            case HALF_WAVE -> List.of(port(p, "a", "k", law));
            case BRIDGE ->
                List.of(
                        port(p, "ac1", "k", law),
                        port(p, "ac2", "k", law),
                        port(p, "a", "ac1", law),
                        port(p, "a", "ac2", law));
            case FULL_WAVE -> List.of(port(p, "a1", "k", law), port(p, "a2", "k", law));
            case DOUBLER -> List.of(port(p, "ac1", "k", law), port(p, "a", "ac1", law));
        };
    }

    private Port port(Part p, String plate, String cathode, RectifierLaw law) {
        return new Port(p.reference(), sockets.need(p, plate, ""), sockets.need(p, cathode, ""), law);
    }

    /** By the plate: one for each 20 V. With age its resistance grows, up to some kilohms; a fault may say how far. */
    private RectifierLaw aged(Part p, MetalRectifier m) {
        double volts = m.volts() > 0 ? m.volts() : chassis.supply().volts();
        double amperes = m.amperes() > 0 ? m.amperes() : USUAL_AMPERES;
        // each arm of a bridge bears the whole reverse volts and carries half of the current
        RectifierLaw law = Fit.selenium(volts, m.circuit() == MetalRectifier.Circuit.HALF_WAVE ? amperes : amperes / 2);
        if (!faults.is(p.reference(), FaultMode.WEAK)) return law;
        return faults.find(p.reference(), FaultMode.WEAK)
                .filter(f -> !f.amount().isEmpty())
                .map(f -> law.behind(f.ohms().value()))
                .orElse(law.weakened(WORN));
    }

    /** Share of the emission at a share of the heater volts; nothing before the set has warmed, but all of it where nothing is to be heated. */
    public static double emission(DeviceType type, double heat, Setting setting) {
        if (type.heaterVolts() <= 0) return 1;
        if (!setting.warm()) return 0;
        return Heated.emission(heat);
    }
}
