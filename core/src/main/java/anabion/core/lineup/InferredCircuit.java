package anabion.core.lineup;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Place;
import anabion.core.chassis.Supply;
import anabion.core.device.Section;
import anabion.core.json.Extra;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A circuit that would read what a chart prints, of the tubes alone.
 *
 * <p>Method: every charted electrode is held at its volts by a stiff source; the current that the source gives is that of the tube's law there. What feeds the electrode falls short of its rail by what is
 * charted: so many ohms. Volts that two electrodes and more share are a rail; each is fed from the one above, the highest from a battery of usual regulation. It fails where a plate is fed from a rail that
 * nobody charted: then that rail is taken to be the next one above.
 */
final class InferredCircuit {
    /** Volts that differ by less than this share belong to one rail. */
    private static final double ALIKE = 0.025;
    /** Ohms from which a plate is loaded by a resistor, and not fed through a winding. */
    private static final double LOAD = 15e3;
    /** By what share a supply gives way under its load, between none and all of it. */
    private static final double REGULATION = 0.12;
    /** Volts below zero from which a grid is biased on purpose. */
    private static final double BIASED = -1.5;
    /** Volts from which a cathode is lifted by a resistor. */
    private static final double LIFTED = 0.3;

    private static final String SUPPLY = "supply";
    private static final double CLAMP = 1;
    private static final double LEAST_AMPERES = 2e-6;
    private static final double GRID_LEAK = 470e3;
    private static final double AVC_LEAK = 1e6;
    private static final double LEAST_LEAK = 47e3;
    private static final double OSCILLATOR_LEAK = 22e3;
    private static final double BYPASSED = 500;

    private final Chassis chassis;
    private final LineUp lineUp;
    private final List<Electrode> fed;
    private final EnteredParts entered;
    private final List<Part> parts = new ArrayList<>();
    /** Plates behind a resistor, from which a capacitor leads on. */
    private final Set<String> loaded = new HashSet<>();
    /** Net of each pin of a tube that is no net of its own. */
    private final Map<String, String> joined = new HashMap<>();

    private InferredCircuit(Chassis chassis, LineUp lineUp) {
        this.chassis = chassis;
        this.lineUp = lineUp;
        this.fed = lineUp.fed();
        this.entered = new EnteredParts(chassis);
    }

    /**
     * A chassis with the tubes of another and the parts that its chart asks for, on batteries; its supply's volts are those of the battery.
     *
     * @return empty without a chart of plates or screens, and where no tube's law settles at the charted volts
     */
    static Optional<Chassis> of(Chassis chassis) {
        if (chassis.chart().isEmpty()) return Optional.empty();
        LineUp lineUp = LineUp.of(chassis, chassis.chart().get());
        InferredCircuit c = new InferredCircuit(chassis, lineUp);
        return c.fed.isEmpty() ? Optional.empty() : c.built();
    }

    // --- the currents at the charted volts ---

    private Optional<Map<String, Double>> currents() {
        List<Part> all = new ArrayList<>(tubes());
        double most =
                lineUp.volts().values().stream().mapToDouble(Math::abs).max().orElseThrow();
        Map<String, Double> held = new LinkedHashMap<>();
        fed.forEach(e -> held.put(e.label(), e.volts()));
        for (Part t : lineUp.tubes())
            for (Section s : LineUp.sections(t)) {
                if (!s.kind().amplifies()) continue;
                for (String function : List.of("k", "g1", "g3"))
                    Sockets.pin(t, function, s.name()).ifPresent(pin -> {
                        String net = t.reference() + "." + pin;
                        if (lineUp.at(t, pin).isPresent())
                            held.put(net, lineUp.at(t, pin).get());
                        else if (!joined.containsKey(net))
                            all.add(InferredParts.part(
                                    "leak " + net, InferredParts.resistor(GRID_LEAK), net, reference()));
                    });
            }
        held.forEach((net, v) -> {
            if (joined.containsKey(net)) return;
            boolean above = v >= 0;
            all.add(InferredParts.part(
                    "clamp " + net,
                    new Component.Battery(Math.max(Math.abs(v), 1e-3), CLAMP),
                    above ? net : reference(),
                    above ? reference() : net));
        });
        all.add(InferredParts.part("clamp", new Component.Battery(most, CLAMP), "clamped", reference()));
        OperatingPoint solved = new Simulator().solve(bare(all, most), Setting.of(most));
        if (!solved.converged()) return Optional.empty();
        Map<String, Double> currents = new HashMap<>();
        held.forEach((net, v) -> currents.put(
                net, Math.abs(v - solved.volts(joined.getOrDefault(net, net)).orElse(v)) / CLAMP));
        return Optional.of(currents);
    }

    // --- the circuit ---

    private Optional<Chassis> built() {
        cathodes();
        return currents().map(this::built);
    }

    private Chassis built(Map<String, Double> currents) {
        Optional<Electrode> rectified = lineUp.rectified();
        double highest = fed.stream().mapToDouble(Electrode::volts).max().orElseThrow();
        Pin top = rectified
                .map(r -> new Pin(r.label(), r.tube().reference(), r.pin(), Math.max(highest, r.volts())))
                .orElseGet(() -> new Pin(
                        "rail", fed.get(0).tube().reference(), fed.get(0).pin(), highest * 1.02));
        List<Pin> rails = rails(top);
        double all = Math.max(
                LEAST_AMPERES,
                fed.stream().mapToDouble(e -> currents.get(e.label())).sum());
        double inner = REGULATION * top.volts() / all;
        double battery = top.volts() * (1 + REGULATION);
        add(top, Place.Kind.SUPPLY, new Component.Battery(battery, CLAMP), SUPPLY, reference());
        add(
                top,
                rectified.isPresent() ? Place.Kind.RECTIFIER : Place.Kind.FEED,
                InferredParts.resistor(inner),
                chain(),
                top.net());
        add(top, Place.Kind.RESERVOIR, InferredParts.electrolytic(), top.net(), reference());
        for (int n = 1; n < rails.size(); n++) between(rails.get(n - 1), rails.get(n), currents);
        for (Electrode e : fed) feed(e, rails, currents.get(e.label()));
        for (Part t : lineUp.tubes()) grids(t, currents);
        List<Part> everything = new ArrayList<>(tubes());
        everything.addAll(parts);
        return bare(everything, battery);
    }

    /** What the chart is measured against. */
    private String reference() {
        String charted = chassis.chart().orElseThrow().conditions().reference();
        return charted.isEmpty() ? Chassis.METAL : charted;
    }

    /** Where a chain of heaters ends that begins at the supply: open, it leaves everything cold. */
    private String chain() {
        String net = SUPPLY;
        if (!chassis.supply().arrangement().hasHeaterChain()) return net;
        for (Part t : lineUp.tubes()) {
            List<String> pins = Sockets.heaterPins(t);
            if (pins.isEmpty()) continue;
            String next = "heater " + t.reference();
            Place place = new Place(Place.Kind.HEATER, t.reference(), pins.get(0));
            parts.add(InferredParts.part(place.reference(), new Component.Fuse(1), net, next));
            net = next;
        }
        return net;
    }

    /** A net at a pin of a tube, with its charted volts: a rail is called after a pin that shows it. */
    private record Pin(String net, String device, String pin, double volts) {}

    /** The highest rail, then those whose volts two electrodes and more have, downwards. */
    private List<Pin> rails(Pin top) {
        List<Pin> rails = new ArrayList<>(List.of(top));
        List<Electrode> left = new ArrayList<>(fed.stream()
                .filter(e -> e.volts() < (1 - ALIKE) * top.volts())
                .sorted((a, b) -> Double.compare(b.volts(), a.volts()))
                .toList());
        while (!left.isEmpty()) {
            Electrode first = left.get(0);
            List<Electrode> alike = left.stream()
                    .filter(e -> e.volts() > (1 - ALIKE) * first.volts())
                    .toList();
            left.removeAll(alike);
            if (alike.size() < 2) continue;
            Electrode shown = alike.stream().filter(e -> !e.plate()).findFirst().orElse(first);
            rails.add(new Pin("rail " + shown.label(), shown.tube().reference(), shown.pin(), first.volts()));
        }
        return rails;
    }

    private void between(Pin above, Pin below, Map<String, Double> currents) {
        double amperes = fed.stream()
                .filter(e -> e.volts() <= below.volts())
                .mapToDouble(e -> currents.get(e.label()))
                .sum();
        double ohms = (above.volts() - below.volts()) / Math.max(amperes, LEAST_AMPERES);
        add(below, Place.Kind.FILTER, InferredParts.resistor(ohms), above.net(), below.net());
        add(below, Place.Kind.SMOOTHING, InferredParts.electrolytic(), below.net(), reference());
    }

    private void feed(Electrode e, List<Pin> rails, double amperes) {
        Pin rail = rails.stream()
                .filter(r -> r.volts() >= e.volts() * (1 - 1e-9))
                .reduce((a, b) -> b)
                .orElse(rails.get(0));
        double ohms = (rail.volts() - e.volts()) / Math.max(amperes, LEAST_AMPERES);
        Pin at = new Pin(e.label(), e.tube().reference(), e.pin(), e.volts());
        Place.Kind kind =
                !e.plate() ? Place.Kind.SCREEN_FEED : ohms < LOAD ? Place.Kind.PLATE_WINDING : Place.Kind.PLATE_LOAD;
        add(at, kind, InferredParts.resistor(ohms), rail.net(), e.label());
        if (kind == Place.Kind.PLATE_LOAD) loaded.add(e.label());
        if (kind == Place.Kind.PLATE_LOAD || ohms < BYPASSED) return;
        add(
                at,
                e.plate() ? Place.Kind.DECOUPLING : Place.Kind.SCREEN_BYPASS,
                InferredParts.paper(5e-8),
                e.label(),
                reference());
    }

    /** Cathodes that nothing lifts lie on the reference. */
    private void cathodes() {
        for (Part t : lineUp.tubes())
            for (Section s : LineUp.sections(t))
                if (!s.kind().rectifies())
                    Sockets.pin(t, "k", s.name())
                            .filter(pin -> lineUp.at(t, pin).orElse(0.0) < LIFTED)
                            .ifPresent(pin -> joined.put(t.reference() + "." + pin, reference()));
    }

    private void grids(Part t, Map<String, Double> currents) {
        for (Section s : LineUp.sections(t)) {
            if (!s.kind().amplifies()) continue;
            cathode(t, s, currents);
            boolean swings = !s.oscillator().isEmpty();
            String driven = swings ? s.oscillator() : converterBeside(t, s) ? "g1" : "";
            for (String grid : s.kind() == Section.Kind.HEPTODE ? List.of("g1", "g3") : List.of("g1"))
                Sockets.pin(t, grid, s.name())
                        .filter(pin -> !has(t.reference() + "." + pin))
                        .ifPresent(pin -> grid(t, s, pin, grid.equals(driven), currents));
        }
    }

    /** Whether a triode swings for the heptode in the same bulb. */
    private static boolean converterBeside(Part t, Section s) {
        return s.kind() == Section.Kind.TRIODE
                && LineUp.sections(t).stream().anyMatch(x -> x.kind() == Section.Kind.HEPTODE);
    }

    private boolean has(String net) {
        return parts.stream().anyMatch(p -> p.touches(net));
    }

    private void cathode(Part t, Section s, Map<String, Double> currents) {
        Optional<String> pin = Sockets.pin(t, "k", s.name());
        if (pin.isEmpty()) return;
        String net = t.reference() + "." + pin.get();
        double volts = lineUp.at(t, pin.get()).orElse(0.0);
        if (volts < LIFTED || has(net)) return;
        Pin at = new Pin(net, t.reference(), pin.get(), volts);
        double ohms = volts / Math.max(LEAST_AMPERES, currents.getOrDefault(net, LEAST_AMPERES));
        add(at, Place.Kind.CATHODE_RESISTOR, InferredParts.resistor(ohms), net, reference());
        add(at, Place.Kind.CATHODE_BYPASS, InferredParts.electrolytic(), net, reference());
    }

    private void grid(Part t, Section s, String pin, boolean swings, Map<String, Double> currents) {
        String net = t.reference() + "." + pin;
        Pin at = new Pin(net, t.reference(), pin, 0);
        double volts = lineUp.at(t, pin).orElse(0.0);
        if (swings) {
            double stated = s.points().get(0).leakOhms();
            add(
                    at,
                    Place.Kind.GRID_LEAK,
                    InferredParts.resistor(stated > 0 ? stated : OSCILLATOR_LEAK),
                    net,
                    reference());
            parts.add(InferredParts.part(
                            place(at, Place.Kind.OSCILLATOR), InferredParts.winding(1), "swing " + net, reference())
                    .withAssigned(Optional.of(AssignedRole.picked(PartRole.OSCILLATOR_COIL))));
            return;
        }
        Optional<Electrode> before = before(t, s);
        boolean coupled = before.filter(b -> loaded.contains(b.label())).isPresent();
        double usual = before.isEmpty() || coupled ? GRID_LEAK : AVC_LEAK;
        double amperes = currents.getOrDefault(net, 0.0);
        boolean own = volts < 0 && volts >= BIASED && amperes > 0;
        double leak = own ? Math.max(LEAST_LEAK, -volts / amperes) : usual;
        if (volts < BIASED) {
            String source = "bias " + net;
            add(at, Place.Kind.BIAS, new Component.Battery(-volts, CLAMP), reference(), source);
            add(at, Place.Kind.GRID_LEAK, InferredParts.resistor(leak), net, source);
        } else add(at, Place.Kind.GRID_LEAK, InferredParts.resistor(leak), net, reference());
        before.ifPresent(b -> add(
                at,
                coupled ? Place.Kind.COUPLING : Place.Kind.TRANSFORMER,
                coupled ? InferredParts.paper(1e-8) : InferredParts.mica(),
                b.label(),
                net));
    }

    /** The plate before a system's grid, in the order of the line-up. */
    private Optional<Electrode> before(Part t, Section s) {
        Optional<Electrode> last = Optional.empty();
        for (Electrode e : fed) {
            if (e.tube().equals(t) && e.section().equals(s)) return last;
            if (lineUp.tubes().indexOf(e.tube()) > lineUp.tubes().indexOf(t)) return last;
            if (e.plate()) last = Optional.of(e);
        }
        return last;
    }

    // --- parts ---

    private List<Part> tubes() {
        return lineUp.tubes().stream().map(this::bare).toList();
    }

    /** On its electrodes alone: its heater is warm without being fed. */
    private Part bare(Part tube) {
        List<String> heater = Sockets.heaterPins(tube);
        boolean rectifies =
                LineUp.sections(tube).stream().anyMatch(s -> s.kind().rectifies());
        Map<String, String> nets = new LinkedHashMap<>();
        for (String pin : tube.nets().keySet()) {
            String own = tube.reference() + "." + pin;
            boolean charted = rectifies && lineUp.volts().containsKey(own);
            if (rectifies ? charted : !heater.contains(pin)) nets.put(pin, joined.getOrDefault(own, own));
        }
        return tube.withNets(nets);
    }

    private void add(Pin at, Place.Kind kind, Component component, String one, String other) {
        Part own = InferredParts.part(place(at, kind), component, one, other);
        parts.add(entered.at(kind, at.net(), one.equals(at.net()) ? other : one, parts)
                .map(e -> e.withNets(own.nets()))
                .orElse(own));
    }

    private static String place(Pin at, Place.Kind kind) {
        return new Place(kind, at.device(), at.pin()).reference();
    }

    private Chassis bare(List<Part> all, double volts) {
        Supply supply = new Supply(Arrangement.BATTERY, volts, 0, "", Extra.NONE);
        return Chassis.blank(chassis.id(), chassis.identity(), supply)
                .withChart(InferredParts.chart(chassis.chart().orElseThrow(), tubes(), volts, reference()))
                .withParts(all);
    }
}
