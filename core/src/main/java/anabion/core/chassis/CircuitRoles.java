package anabion.core.chassis;

import anabion.core.chassis.AssignedRole.Basis;
import anabion.core.chassis.NetMap.Electrode;
import anabion.core.device.MetalRectifier;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** What the circuit shows of the roles of its parts, where nobody picked one and no words tell. */
final class CircuitRoles {
    /** Farads of a gang's section, fully meshed. */
    private static final double GANG_LEAST = 1e-10;

    private static final double GANG_MOST = 7e-10;
    private static final double TRIMMER_MOST = 1e-10;
    private static final double SMALL = 1.05e-9;
    private static final double FILTERS = 5e-9;
    /** Ohms up to which a resistor behind a detector filters rather than loads. */
    private static final double FILTER_OHMS = 2.5e5;

    private final List<Part> parts;
    private final NetMap nets;
    private final IdentityHashMap<Part, PartRole> roles = new IdentityHashMap<>();
    private final Set<String> gang = new HashSet<>();

    private CircuitRoles(List<Part> parts, String reference) {
        this.parts = parts;
        this.nets = new NetMap(parts, reference);
    }

    /**
     * The parts, each with its role as far as it is known.
     *
     * @param fm whether the set has an FM band
     */
    static PartList complete(List<Part> parts, String reference, boolean fm) {
        if (parts instanceof PartList done && done.holds(reference, fm)) return done;
        return new PartList(find(parts, reference, fm), reference, fm);
    }

    private static List<Part> find(List<Part> parts, String reference, boolean fm) {
        List<Part> told = parts.stream().map(CircuitRoles::told).toList();
        if (told.stream().allMatch(p -> p.assigned().isPresent())) return told;
        IdentityHashMap<Part, PartRole> seen = new CircuitRoles(told, reference).find(fm);
        List<Part> all = new ArrayList<>();
        for (Part p : told)
            all.add(
                    p.assigned().isPresent() || !seen.containsKey(p)
                            ? p
                            : p.withAssigned(Optional.of(new AssignedRole(seen.get(p), Basis.CIRCUIT))));
        return List.copyOf(all);
    }

    private static Part told(Part p) {
        return p.assigned().filter(r -> r.basis() == Basis.CIRCUIT).isPresent() ? p.withAssigned(Optional.empty()) : p;
    }

    private IdentityHashMap<Part, PartRole> find(boolean fm) {
        for (Part p : parts) p.role().ifPresent(r -> roles.put(p, r));
        for (Part p : parts) if (gang(p)) see(p, PartRole.TUNING_GANG);
        for (Part p : parts)
            if (is(p, PartRole.TUNING_GANG)) {
                List<String> sections = new ArrayList<>(p.nets().values());
                if (sections.size() > 1) sections.remove(sections.size() - 1);
                sections.stream().filter(n -> !nets.isReference(n)).forEach(gang::add);
            }
        new CoilRoles(parts, nets, gang, fm).find().forEach(this::see);
        Set<String> detector = detector();
        for (Part p : parts) {
            if (NetMap.farads(p) > 0 && p.nets().size() == 2)
                capacitor(p, detector).ifPresent(r -> see(p, r));
            if (vibrates(p)) see(p, PartRole.VIBRATOR);
            if (p.component() instanceof Component.Potentiometer) control(p).ifPresent(r -> see(p, r));
        }
        for (Part p : parts) {
            if (p.component() instanceof Component.Resistor r && p.nets().size() == 2)
                resistor(p, r.ohms(), detector).ifPresent(x -> see(p, x));
            if (metal(p)) see(p, PartRole.METAL_RECTIFIER);
            boolean transistor = p.device()
                    .filter(d -> d.deviceKind() == DeviceKind.TRANSISTOR)
                    .isPresent();
            if (transistor && nets.ends(p).stream().anyMatch(n -> on(n, PartRole.OSCILLATOR_COIL)))
                see(p, PartRole.OSCILLATOR);
        }
        return roles;
    }

    private void see(Part p, PartRole role) {
        roles.putIfAbsent(p, role);
    }

    private boolean is(Part p, PartRole role) {
        return roles.get(p) == role;
    }

    private boolean on(String net, PartRole role) {
        return !nets.isReference(net) && nets.at(net).stream().anyMatch(p -> is(p, role));
    }

    private static boolean gang(Part p) {
        if (!(p.component() instanceof Component.Capacitor c) || c.farads().isEmpty()) return false;
        boolean meshed = c.farads().stream().allMatch(f -> f >= GANG_LEAST && f <= GANG_MOST);
        return meshed && (c.is(Dielectric.AIR) || c.farads().size() > 1);
    }

    /** By its type, where it has no other number. */
    private static boolean metal(Part p) {
        return p.device()
                .filter(d -> d.deviceKind() == DeviceKind.DIODE
                        && MetalRectifier.named(d.type()).isPresent())
                .isPresent();
    }

    // --- capacitors ---

    private Optional<PartRole> capacitor(Part p, Set<String> detector) {
        double farads = NetMap.farads(p);
        List<String> both = List.copyOf(p.nets().values());
        return farads <= SMALL
                ? small(farads, both.get(0), both.get(1))
                        .or(() -> small(farads, both.get(1), both.get(0)))
                        .or(() -> nets.ends(p).stream().anyMatch(detector::contains)
                                ? Optional.of(PartRole.DETECTOR_BYPASS)
                                : Optional.empty())
                : nets.ends(p).stream().anyMatch(n -> farads >= FILTERS && controlLine(n, detector))
                        ? Optional.of(PartRole.AVC_FILTER)
                        : Optional.empty();
    }

    private Optional<PartRole> small(double farads, String a, String b) {
        if (farads <= TRIMMER_MOST && gang.contains(a) && nets.isReference(b))
            return Optional.of(oscillates(a) ? PartRole.OSCILLATOR_TRIMMER : PartRole.TRIMMER);
        if (across(a, b, PartRole.IF_TRANSFORMER)) return Optional.of(PartRole.IF_TUNING);
        if (across(a, b, PartRole.FM_RF_COIL)) return Optional.of(PartRole.TRIMMER);
        if (on(a, PartRole.FM_OSCILLATOR_COIL) && nets.isReference(b)) return Optional.of(PartRole.OSCILLATOR_TRIMMER);
        if (nets.isReference(a) || nets.isReference(b)) return Optional.empty();
        boolean coil = on(a, PartRole.OSCILLATOR_COIL);
        if (coil && gang.contains(b)) return Optional.of(PartRole.PADDER);
        if (coil && nets.has(b, Electrode.OUTPUT)) return Optional.of(PartRole.OSCILLATOR_FEEDBACK);
        if (coil && nets.pins(b).isEmpty()) return Optional.of(PartRole.PADDER);
        if (nets.has(b, Electrode.INPUT) && (coil || oscillates(a)))
            return Optional.of(PartRole.OSCILLATOR_GRID_CAPACITOR);
        boolean straight =
                !roles.containsValue(PartRole.IF_TRANSFORMER) && !roles.containsValue(PartRole.OSCILLATOR_COIL);
        if (straight && gang.contains(a) && nets.has(b, Electrode.INPUT) && leaks(a, b) && !amplifiesRadio(b))
            return Optional.of(PartRole.DETECTOR_GRID_CAPACITOR);
        return Optional.empty();
    }

    /** On the oscillator's coil, or on the gang behind its padder. */
    private boolean oscillates(String net) {
        return on(net, PartRole.OSCILLATOR_COIL)
                || nets.at(net).stream()
                        .filter(c -> NetMap.farads(c) > TRIMMER_MOST && NetMap.farads(c) <= SMALL)
                        .flatMap(c -> nets.across(c, net).stream())
                        .anyMatch(n -> on(n, PartRole.OSCILLATOR_COIL));
    }

    private boolean across(String a, String b, PartRole role) {
        return nets.at(a).stream()
                .filter(p -> is(p, role) && p.component() instanceof Component.Windings)
                .anyMatch(
                        p -> ((Component.Windings) p.component())
                                .windings().stream().anyMatch(w -> Set.of(a, b)
                                        .equals(Set.copyOf(List.of(
                                                        p.nets().getOrDefault(w.from(), ""),
                                                        p.nets().getOrDefault(w.to(), ""))
                                                .stream()
                                                .distinct()
                                                .toList()))));
    }

    /** The plate behind a grid works into a coil that the gang tunes. */
    private boolean amplifiesRadio(String grid) {
        return nets.pins(grid).stream()
                .flatMap(pin -> nets.ends(pin.device()).stream())
                .filter(n -> nets.has(n, Electrode.OUTPUT))
                .flatMap(n -> nets.at(n).stream())
                .anyMatch(p -> p.component() instanceof Component.Windings
                        && nets.ends(p).stream().anyMatch(gang::contains));
    }

    /** A grid with nothing but a large resistor to bias it. */
    private boolean leaks(String tuned, String grid) {
        return nets.at(grid).stream()
                .anyMatch(p -> p.component() instanceof Component.Resistor r
                        && r.ohms() >= 4e5
                        && nets.across(p, grid)
                                .filter(n -> nets.isReference(n) || n.equals(tuned))
                                .isPresent());
    }

    // --- the control line and the detector ---

    /** The nets of a detector's sound: its diodes', those behind their coil, and those behind a filtering resistor. */
    private Set<String> detector() {
        Set<String> all = new HashSet<>();
        for (Part p : parts) for (String n : nets.ends(p)) if (nets.has(n, Electrode.DIODE)) all.add(n);
        for (String n : Set.copyOf(all))
            for (Part p : nets.at(n))
                if (is(p, PartRole.IF_TRANSFORMER) && p.component() instanceof Component.Windings w)
                    for (Winding x : w.windings()) {
                        String from = p.nets().getOrDefault(x.from(), "");
                        String to = p.nets().getOrDefault(x.to(), "");
                        if (from.equals(n)) all.add(to);
                        if (to.equals(n)) all.add(from);
                    }
        for (String n : Set.copyOf(all))
            for (Part p : nets.at(n))
                if (p.component() instanceof Component.Resistor r && r.ohms() <= FILTER_OHMS)
                    nets.across(p, n).ifPresent(all::add);
        all.removeIf(nets::isReference);
        return all;
    }

    /** A coil and a resistor from a detector meet on it. */
    private boolean controlLine(String net, Set<String> detector) {
        if (detector.contains(net) && nets.has(net, Electrode.DIODE)) return false;
        return returns(net, 2) && nets.at(net).stream().anyMatch(p -> controls(p, net, detector));
    }

    /** Whether a grid, or a coil in tune, has its return here. */
    private boolean returns(String net, int coils) {
        if (coils == 0) return false;
        for (Part p : nets.at(net))
            if ((is(p, PartRole.IF_TRANSFORMER) || is(p, PartRole.AERIAL_COIL))
                    && p.component() instanceof Component.Windings w)
                for (Winding x : w.windings()) {
                    String from = p.nets().getOrDefault(x.from(), "");
                    String to = p.nets().getOrDefault(x.to(), "");
                    String end = from.equals(net) ? to : to.equals(net) ? from : "";
                    if (end.isEmpty() || nets.isReference(end)) continue;
                    if (gang.contains(end) || nets.has(end, Electrode.INPUT) || returns(end, coils - 1)) return true;
                }
        return false;
    }

    private boolean controls(Part p, String net, Set<String> detector) {
        return p.component() instanceof Component.Resistor
                && nets.across(p, net).filter(detector::contains).isPresent();
    }

    // --- resistors, controls, switches ---

    private Optional<PartRole> resistor(Part p, double ohms, Set<String> detector) {
        for (String net : nets.ends(p)) {
            boolean line = nets.at(net).stream()
                    .anyMatch(c -> is(c, PartRole.AVC_FILTER) && c.component() instanceof Component.Capacitor);
            if (line && controls(p, net, detector)) return Optional.of(PartRole.AVC_FILTER);
            boolean leak = nets.has(net, Electrode.INPUT) && on(net, PartRole.OSCILLATOR_GRID_CAPACITOR);
            if (leak) return Optional.of(PartRole.OSCILLATOR_GRID_LEAK);
            if (nets.has(net, Electrode.OUTPUT) && on(net, PartRole.OSCILLATOR_FEEDBACK))
                return Optional.of(PartRole.OSCILLATOR_FEED);
        }
        boolean filters =
                ohms <= FILTER_OHMS && p.nets().values().stream().allMatch(n -> detector.contains(n) && bypassed(n));
        return filters ? Optional.of(PartRole.IF_FILTER) : Optional.empty();
    }

    private boolean bypassed(String net) {
        return nets.at(net).stream().anyMatch(c -> NetMap.farads(c) > 0 && NetMap.farads(c) <= SMALL);
    }

    private Optional<PartRole> control(Part p) {
        List<String> terminals = List.copyOf(p.nets().values());
        if (terminals.stream().distinct().count() == 3) {
            String wiper = terminals.get(2);
            boolean grid = nets.has(wiper, Electrode.INPUT)
                    || nets.at(wiper).stream()
                            .filter(c -> NetMap.farads(c) > SMALL)
                            .flatMap(c -> nets.across(c, wiper).stream())
                            .anyMatch(n -> nets.has(n, Electrode.INPUT));
            return grid ? Optional.of(PartRole.VOLUME_CONTROL) : Optional.empty();
        }
        boolean plate = nets.ends(p).stream()
                .flatMap(n -> nets.at(n).stream()
                        .filter(c -> NetMap.farads(c) > SMALL)
                        .flatMap(c -> nets.across(c, n).stream()))
                .anyMatch(n -> nets.has(n, Electrode.OUTPUT));
        return plate ? Optional.of(PartRole.TONE_CONTROL) : Optional.empty();
    }

    /** A reed that joins its battery in turn to both ends of a primary. */
    private boolean vibrates(Part p) {
        if (!(p.component() instanceof Component.Switch s)
                || !s.contacts().isEmpty()
                || p.nets().size() < 3) return false;
        String one = p.nets().getOrDefault("2", "");
        String other = p.nets().getOrDefault("3", "");
        return nets.at(one).stream().anyMatch(t -> is(t, PartRole.MAINS_TRANSFORMER) && t.joins(one, other));
    }
}
