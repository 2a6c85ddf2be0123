package anabion.core.chassis;

import anabion.core.chassis.NetMap.Electrode;
import anabion.core.chassis.NetMap.Pin;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Tells coils and transformers apart by what they join. A coil in tune with the gang belongs to the oscillator where it reaches two electrodes of
 * one device, else to the aerial; a transformer without the gang behind a plate is one of the intermediate frequency unless it has an iron core.
 */
final class CoilRoles {
    /** Henries and ohms from which a winding is on iron. */
    private static final double IRON_HENRIES = 0.02;

    private static final double IRON_OHMS = 60;
    /** Henries below which a coil is for the FM band. */
    private static final double FM_HENRIES = 5e-7;

    private static final double SMALL = 1.05e-9;
    private static final double STORES = 2e-6;

    private final List<Part> parts;
    private final NetMap nets;
    private final Set<String> gang;
    private final boolean fm;

    CoilRoles(List<Part> parts, NetMap nets, Set<String> gang, boolean fm) {
        this.parts = parts;
        this.nets = nets;
        this.gang = gang;
        this.fm = fm;
    }

    IdentityHashMap<Part, PartRole> find() {
        IdentityHashMap<Part, PartRole> found = new IdentityHashMap<>();
        for (Part p : parts)
            if (p.component() instanceof Component.Windings w) of(p, w).ifPresent(r -> found.put(p, r));
        for (boolean more = true; more; ) {
            more = false;
            for (Part p : parts)
                if (p.component() instanceof Component.Windings && !found.containsKey(p)) {
                    Optional<PartRole> role = inSeries(p, found);
                    role.ifPresent(r -> found.put(p, r));
                    more |= role.isPresent();
                }
        }
        return found;
    }

    private Optional<PartRole> of(Part p, Component.Windings all) {
        List<Winding> windings = all.windings();
        if (all.isMainsTransformer()) return Optional.of(PartRole.MAINS_TRANSFORMER);
        List<String> ends = nets.ends(p);
        if (p.nets().size() > 2 && ends.stream().anyMatch(this::speaker))
            return Optional.of(PartRole.OUTPUT_TRANSFORMER);
        boolean iron = windings.stream().anyMatch(w -> w.henries() >= IRON_HENRIES || w.ohms() >= IRON_OHMS);
        boolean output = ends.stream().anyMatch(n -> nets.has(n, Electrode.OUTPUT));
        boolean input = ends.stream().anyMatch(n -> nets.has(n, Electrode.INPUT));
        if (iron && windings.size() > 1)
            return output && input ? Optional.of(PartRole.DRIVER_TRANSFORMER) : Optional.empty();
        if (tuned(ends)) return tuned(p, ends, output);
        if (windings.size() == 1) return single(windings.get(0), ends, output, input);
        boolean detector = ends.stream().anyMatch(n -> nets.has(n, Electrode.DIODE));
        return output || detector ? Optional.of(PartRole.IF_TRANSFORMER) : Optional.empty();
    }

    private boolean speaker(String net) {
        return nets.at(net).stream().anyMatch(p -> p.component() instanceof Component.Speaker);
    }

    /** Whether the gang tunes it: on its nets, behind a switch, or behind a padder. */
    private boolean tuned(List<String> ends) {
        return ends.stream()
                .flatMap(n -> nets.joined(n).stream())
                .anyMatch(n -> gang.contains(n)
                        || nets.at(n).stream()
                                .filter(c -> NetMap.farads(c) > 0 && NetMap.farads(c) <= SMALL)
                                .flatMap(c -> nets.across(c, n).stream())
                                .anyMatch(gang::contains));
    }

    private Optional<PartRole> tuned(Part p, List<String> ends, boolean output) {
        IdentityHashMap<Part, Set<String>> reached = new IdentityHashMap<>();
        for (String end : ends)
            for (String n : near(end, 2))
                for (Pin pin : nets.pins(n))
                    reached.computeIfAbsent(pin.device(), d -> new HashSet<>()).add(pin.terminal());
        if (reached.values().stream().anyMatch(t -> t.size() > 1)) return Optional.of(PartRole.OSCILLATOR_COIL);
        if (!output) return Optional.of(PartRole.AERIAL_COIL);
        return fixed(p) ? Optional.of(PartRole.IF_TRANSFORMER) : Optional.of(PartRole.RF_TRANSFORMER);
    }

    /** Whether a capacitor of its own tunes one of its windings: that of an RF stage is tuned by the gang. */
    private boolean fixed(Part p) {
        if (!(p.component() instanceof Component.Windings w) || w.windings().size() < 2) return false;
        return w.windings().stream().anyMatch(x -> {
            String from = p.nets().getOrDefault(x.from(), "");
            String to = p.nets().getOrDefault(x.to(), "");
            return nets.at(from).stream()
                    .anyMatch(c -> NetMap.farads(c) > 0
                            && NetMap.farads(c) <= SMALL
                            && nets.across(c, from).filter(to::equals).isPresent());
        });
    }

    /** Nets that alternating current of radio frequency reaches from one through small capacitors. */
    private Set<String> near(String net, int hops) {
        Set<String> all = new HashSet<>(Set.of(net));
        for (int n = 0; n < hops; n++)
            for (String at : Set.copyOf(all))
                for (Part c : nets.at(at))
                    if (NetMap.farads(c) > 0 && NetMap.farads(c) <= SMALL)
                        nets.across(c, at).filter(x -> !nets.isReference(x)).ifPresent(all::add);
        return all;
    }

    private Optional<PartRole> single(Winding w, List<String> ends, boolean output, boolean input) {
        if (fm && w.henries() > 0 && w.henries() < FM_HENRIES)
            return output
                    ? Optional.of(PartRole.FM_RF_COIL)
                    : input ? Optional.of(PartRole.FM_OSCILLATOR_COIL) : Optional.empty();
        if (output || input) return Optional.empty();
        if (ends.stream().anyMatch(this::stores)) return Optional.of(PartRole.CHOKE);
        return ends.stream().anyMatch(this::outside) ? Optional.of(PartRole.AERIAL_COUPLING_COIL) : Optional.empty();
    }

    private boolean stores(String net) {
        return nets.at(net).stream()
                .anyMatch(c -> c.component() instanceof Component.Capacitor k
                        && k.farads().stream().anyMatch(f -> f >= STORES));
    }

    /** A terminal of its own, at most behind a capacitor. */
    private boolean outside(String net) {
        return nets.at(net).size() == 1
                || nets.at(net).stream()
                        .filter(c -> NetMap.farads(c) > 0)
                        .flatMap(c -> nets.across(c, net).stream())
                        .anyMatch(n -> nets.at(n).size() == 1 && !nets.isReference(n));
    }

    /** A coil that continues one whose role is known: nothing but coils, switches and small capacitors meets between them. */
    private Optional<PartRole> inSeries(Part p, IdentityHashMap<Part, PartRole> found) {
        for (String net : nets.ends(p)) {
            boolean between = nets.at(net).stream()
                    .allMatch(x -> x.component() instanceof Component.Windings
                            || x.component() instanceof Component.Switch
                            || (NetMap.farads(x) > 0 && NetMap.farads(x) <= SMALL));
            if (!between) continue;
            for (Part other : nets.at(net)) {
                PartRole role = found.get(other);
                if (role == null || other.equals(p)) continue;
                boolean one = p.nets().size() == 2;
                if (one && (role == PartRole.OSCILLATOR_COIL || role == PartRole.AERIAL_COIL)) return Optional.of(role);
                if (!one && (role == PartRole.IF_TRANSFORMER || role == PartRole.OSCILLATOR_COIL))
                    return Optional.of(PartRole.IF_TRANSFORMER);
            }
        }
        return Optional.empty();
    }
}
