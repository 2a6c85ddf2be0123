package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.TerminalNames;
import anabion.core.circuit.Element;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.model.GlowLaw;
import anabion.core.error.InputException;
import anabion.core.isolation.MainsReach;
import anabion.core.quantity.Decoded;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.Overload;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What is odd about a circuit as it has been entered: ends that hang in the air, nets that no direct current reaches, parts beyond
 * their ratings, stages from which nothing comes to the speaker. A check of the drawing, not of the set.
 */
public final class CircuitCheck {
    private static final int MOST = 40;
    /** Ohms from which on a path is insulation. */
    private static final double INSULATION = 5e7;

    /** Volts from which a filament hangs on direct current at all. */
    private static final double LIT = 0.3;
    /** Shares of its rated volts that a filament bears, and that it needs. */
    private static final double MOST_HEAT = 1.15;

    private static final double LEAST_HEAT = 0.75;

    private final Chassis chassis;
    /** Sections of a gang that differ by less are alike. */
    private static final double ALIKE = 0.02;

    private final List<Remark> found = new ArrayList<>();

    /**
     * One oddity.
     *
     * @param where the net, part or stage
     */
    public record Remark(String where, Phrase words) {}

    private CircuitCheck(Chassis chassis) {
        this.chassis = chassis;
    }

    /** All oddities; a chassis without parts has none. */
    public static List<Remark> of(Chassis chassis) {
        return of(chassis, MainsReach.of(chassis));
    }

    /** @param reach of the mains in it */
    public static List<Remark> of(Chassis chassis, MainsReach reach) {
        CircuitCheck check = new CircuitCheck(chassis);
        if (chassis.parts().isEmpty()) return List.of();
        check.found.addAll(unknownTypes(chassis));
        for (String net : reach.bare()) check.remark(net, "check.bare-lead", net);
        check.ends();
        check.values();
        check.tracking();
        check.powered();
        return check.found.stream().limit(MOST).toList();
    }

    private void remark(String where, String key, Object... fillings) {
        found.add(new Remark(where, Phrase.of(key, fillings)));
    }

    /** A net at one terminal only. */
    private void ends() {
        Map<String, Set<String>> at = new LinkedHashMap<>();
        for (Part p : chassis.parts())
            p.nets().forEach((terminal, net) -> at.computeIfAbsent(net, n -> new LinkedHashSet<>())
                    .add(p.reference() + "." + terminal));
        at.forEach((net, terminals) -> {
            if (terminals.size() > 1 || open(net)) return;
            String only = terminals.iterator().next();
            String reference = only.substring(0, only.indexOf('.'));
            String terminal = only.substring(only.indexOf('.') + 1);
            boolean lead = chassis.part(reference)
                    .filter(p -> p.component() instanceof Component.Other || mayHang(p, terminal, at))
                    .isPresent();
            if (!lead) remark(net, "check.floating", net, reference);
        });
    }

    /** Tubes and transistors of which nothing is known, so that nothing they do is computed: quick. */
    public static List<Remark> unknownTypes(Chassis chassis) {
        List<Remark> all = new ArrayList<>();
        for (Part p : chassis.parts())
            p.device()
                    .filter(d -> d.known().isEmpty() && !p.is(PartRole.METAL_RECTIFIER))
                    .ifPresent(d -> all.add(
                            new Remark(p.reference(), Phrase.of("check.unknown-type", p.reference(), d.type()))));
        return all;
    }

    /** Bare numbers on capacitors that can be two values: which is taken, and which else it could be. */
    /** An oscillator that a section like the others tunes needs a padder, or it could not keep its distance from the carrier. */
    private void tracking() {
        boolean superhet = chassis.parts().stream().anyMatch(p -> p.is(PartRole.IF_TRANSFORMER));
        boolean padded = chassis.parts().stream().anyMatch(p -> p.is(PartRole.PADDER));
        if (!superhet || padded) return;
        for (Part gang : chassis.parts()) {
            if (!gang.is(PartRole.TUNING_GANG) || !(gang.component() instanceof Component.Capacitor c)) continue;
            List<Double> farads = c.farads();
            boolean alike = farads.size() > 1 && farads.stream().allMatch(f -> Math.abs(f / farads.get(0) - 1) < ALIKE);
            boolean oscillates = gang.nets().values().stream().anyMatch(n -> chassis.parts().stream()
                    .anyMatch(p -> p.is(PartRole.OSCILLATOR_COIL) && p.touches(n) && !n.equals(chassis.reference())));
            if (alike && oscillates) remark(gang.reference(), "check.no-padder", gang.reference());
        }
    }

    private void values() {
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Capacitor c) || c.farads().size() != 1) continue;
            others(p, c.farads().get(0))
                    .ifPresent(other -> remark(
                            p.reference(),
                            "check.two-values",
                            p.reference(),
                            p.printed(),
                            Figures.si(Quantity.farads(c.farads().get(0))),
                            other));
        }
    }

    /** Another reading of what is printed, of which the one taken is one. */
    private static Optional<String> others(Part p, double taken) {
        try {
            Decoded d = Notation.decode(p.printed(), Unit.FARAD);
            List<Double> all = new ArrayList<>(List.of(d.value()));
            d.alternatives().forEach(a -> all.add(a.quantity().value()));
            if (d.alternatives().isEmpty() || all.stream().noneMatch(v -> Math.abs(v / taken - 1) < 1e-3))
                return Optional.empty();
            return all.stream()
                    .filter(v -> Math.abs(v / taken - 1) > 1e-3)
                    .findFirst()
                    .map(v -> Figures.si(Quantity.farads(v)));
        } catch (InputException e) {
            return Optional.empty(); // not entered in this notation
        }
    }

    /** A pin that needs no wire: a shield, the tap of a heater, the second pin of an electrode. */
    private static boolean mayHang(Part p, String pin, Map<String, Set<String>> at) {
        Map<String, String> functions =
                p.device().map(Component.Device::functions).orElse(Map.of());
        String function = functions.getOrDefault(pin, "");
        return Set.of("s", "fm", "fm+g3", "hm").contains(function)
                || functions.entrySet().stream()
                        .anyMatch(f -> f.getValue().equals(function)
                                && !function.isEmpty()
                                && !f.getKey().equals(pin)
                                && at.getOrDefault(p.nets().getOrDefault(f.getKey(), ""), Set.of())
                                                .size()
                                        > 1);
    }

    /** What may end outside the chassis: aerial, earth, mains. */
    private static boolean open(String net) {
        return net.startsWith("MAINS")
                || TerminalNames.of(net).isPresent()
                || net.equals(Chassis.METAL)
                || Chassis.isReturn(net);
    }

    private void powered() {
        double line = chassis.supply().volts();
        boolean battery = chassis.parts().stream().anyMatch(p -> p.component() instanceof Component.Battery);
        boolean plugged = chassis.parts().stream().anyMatch(p -> p.touches("MAINS-L"));
        if (!battery && !plugged) {
            remark("", "check.no-supply");
            return;
        }
        Simulator engine = new Simulator();
        OperatingPoint solved = engine.solve(chassis, Setting.of(line));
        unreached(solved);
        if (!solved.converged()) {
            remark("", "check.unsettled", String.join(", ", solved.direct().unsettled()));
            return;
        }
        for (Overload o : Overload.of(chassis, solved))
            remark(
                    o.part(),
                    "check.overload." + o.place().code(),
                    o.part(),
                    Figures.fixed(o.watts(), 1),
                    Figures.fixed(o.limit(), 1));
        filaments(solved);
        regulators(solved);
        deaf(engine);
    }

    /** Filaments on direct current, one by one, with the cathode currents that flow through them. */
    private void filaments(OperatingPoint solved) {
        Sockets sockets = new Sockets(Faults.NONE);
        for (Part p : chassis.parts()) {
            Optional<DeviceType> type = Sockets.type(p).filter(DeviceType::directlyHeated);
            if (type.isEmpty() || type.get().rectifies()) continue;
            for (Sockets.HeaterPiece piece : sockets.pieces(p, type.get())) {
                double volts = Math.abs(solved.volts(piece.from()).orElse(0)
                        - solved.volts(piece.to()).orElse(0));
                double share = volts / piece.volts();
                if (volts < LIT || (share <= MOST_HEAT && share >= LEAST_HEAT)) continue;
                remark(
                        p.reference(),
                        share > MOST_HEAT ? "check.filament-high" : "check.filament-low",
                        p.reference(),
                        Figures.fixed(volts, 2),
                        Figures.fixed(piece.volts(), 1));
                break;
            }
        }
    }

    /** Gas-filled regulators outside the currents between which they hold their volts. */
    private void regulators(OperatingPoint solved) {
        for (Element e : solved.direct().circuit().elements()) {
            if (!(e instanceof Element.Device d) || !(d.law() instanceof GlowLaw)) continue;
            String reference = OperatingPoint.reference(d.name());
            Section section = chassis.part(reference)
                    .flatMap(Sockets::type)
                    .flatMap(t -> t.section(Section.Kind.GAS_REGULATOR))
                    .orElseThrow();
            double least = section.least().plateMilliamps();
            double most = section.most().plateMilliamps();
            double now = 1e3 * solved.direct().amperes(d)[0];
            // of one published point no range is known
            if (least == most || (now >= least && now <= most)) continue;
            remark(
                    reference,
                    now < least ? "check.regulator-starved" : "check.regulator-hot",
                    reference,
                    Figures.fixed(now, 1),
                    Figures.fixed(now < least ? least : most, 0),
                    Figures.volts(section.least().plate()));
        }
    }

    /** Nets that only capacitors and grids reach: nothing says what they stand at. */
    private void unreached(OperatingPoint solved) {
        Map<String, String> group = new HashMap<>();
        var circuit = solved.direct().circuit();
        for (Element e : circuit.elements()) {
            if (e instanceof Element.Resistor r) {
                if (1 / r.siemens() < INSULATION) join(group, circuit.net(r.a()), circuit.net(r.b()));
            } else if (e instanceof Element.Source s) join(group, circuit.net(s.plus()), circuit.net(s.minus()));
            else if (e instanceof Element.Device d) {
                int first = d.nodes().size() > 2 ? 1 : 0; // a grid holds nothing, a plate does
                for (int k = first + 1; k < d.nodes().size(); k++)
                    join(
                            group,
                            circuit.net(d.nodes().get(first)),
                            circuit.net(d.nodes().get(k)));
            }
        }
        Collection<String> nets = Simulator.nets(chassis);
        for (Part p : chassis.parts()) {
            if (p.device().isEmpty()) continue;
            p.nets().forEach((pin, net) -> {
                String function = p.device().get().functions().getOrDefault(pin, "");
                boolean grid = function.startsWith("g") || function.equals("b");
                boolean held = root(group, net).equals(root(group, circuit.reference()));
                if (grid
                        && nets.contains(net)
                        && !held
                        && found.stream().noneMatch(f -> f.where().equals(net))) remark(net, "check.no-path", net);
            });
        }
    }

    private static String root(Map<String, String> group, String net) {
        String at = net;
        while (!group.getOrDefault(at, at).equals(at)) at = group.get(at);
        return at;
    }

    private static void join(Map<String, String> group, String a, String b) {
        group.put(root(group, a), root(group, b));
    }

    private static Optional<Gains.Level> deaf(List<Gains.Level> levels) {
        int last = levels.size();
        while (last > 0 && !levels.get(last - 1).heard()) last--;
        return last < levels.size() ? Optional.of(levels.get(last)) : Optional.empty();
    }

    /** The stage nearest the speaker from which, and from all before it, nothing comes; one that feedback fights is not deaf where those before it are heard. */
    private void deaf(Simulator engine) {
        Setting loud = Setting.of(chassis.supply().volts()).withControls(Controls.volume(chassis, 1));
        Map<String, List<String>> bands = new LinkedHashMap<>();
        for (Band b : chassis.bands())
            Gains.of(engine, chassis, loud, b).flatMap(g -> deaf(g.levels())).ifPresent(l -> bands.computeIfAbsent(
                            l.stage(), k -> new ArrayList<>())
                    .add(b.name()));
        bands.forEach((stage, on) -> remark(stage, "check.deaf", stage, String.join(", ", on)));
    }
}
