package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.Solution;
import anabion.core.device.DeviceType;
import anabion.core.device.model.FilamentLaw;
import anabion.core.device.model.Fit;
import anabion.core.device.model.LampLaw;
import anabion.core.rectifier.Wave;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * What alternates: mains, transformer, heaters, lamps.
 *
 * <p>Method: all of these are resistances (a lamp or heater at its own temperature), so effective volts obey the same equations as
 * direct ones; where a large capacitor feeds something, {@link ReactiveMains} takes over. Windings are ideal transformers with their copper in series. What a rectifier draws is left out here: it sees this
 * circuit as a source of {@link #volts} behind {@link #ohms}, which for linear parts is exact (Thévenin); that its pulses also lower
 * the heaters' volts, by about a hundredth, is neglected.
 */
public final class AcSupply {
    public static final String L = "MAINS-L";
    public static final String N = "MAINS-N";
    /** Kelvin of an oxide cathode's heater. */
    public static final double HEATER = 1050;
    /** Strokes a second of a usual vibrator. */
    private static final double REED = 115;
    /** A battery to anything that alternates, in ohms. */
    private static final double STILL = 0.05;
    /** Farads from which a capacitor at the mains feeds something. */
    static final double FEEDS = 2e-7;
    /** Holds a primary, or a line whose return is open: insulation and line capacitors, in ohms. */
    public static final double INSULATION = 1e6;

    private final Chassis chassis;
    private final Setting setting;
    private final Faults faults;
    private final PassiveStamps linear;
    private final Sockets sockets;
    private final double series;
    private final Function<Circuit, Solution> solver;
    private final String reference;
    private final Set<String> live;
    private final Set<Set<String>> fed;
    private final Solution hot;
    private final Optional<ReactiveMains> phasors;
    private final Optional<Part> vibrator;
    private final Map<List<String>, Double> behind = new HashMap<>();

    /**
     * @param series ohms put into the line: a lamp, a variac's winding
     * @param solver may answer from memory: most faults leave this circuit alone
     */
    public AcSupply(
            Chassis chassis,
            Setting setting,
            Faults faults,
            String reference,
            double series,
            Function<Circuit, Solution> solver) {
        this.chassis = chassis;
        this.setting = setting;
        this.faults = faults;
        this.linear = new PassiveStamps(chassis, setting, faults);
        this.sockets = new Sockets(faults);
        this.reference = reference;
        this.series = series;
        this.solver = solver;
        this.vibrator = vibrator(chassis);
        this.live = live();
        this.fed = fed();
        this.hot = solver.apply(circuit(Map.of()).build());
        this.phasors = vibrator.isPresent() ? Optional.empty() : phasors();
    }

    /** Whether anything alternates in a chassis: it has a mains side, or a vibrator. */
    public static boolean has(Chassis chassis) {
        boolean wired = chassis.parts().stream().anyMatch(p -> p.touches(L))
                && chassis.parts().stream().anyMatch(p -> p.touches(N));
        return wired || vibrator(chassis).isPresent();
    }

    /**
     * The vibrator: a switch of that role whose reed (1) joins the battery's return in turn to the two ends (2, 3) of a primary with a
     * tap at the battery's other pole.
     */
    public static Optional<Part> vibrator(Chassis chassis) {
        return chassis.parts().stream().filter(AcSupply::vibrates).findFirst();
    }

    /** Whether a part is a vibrator whose reed and both ends of its primary are entered. */
    public static boolean vibrates(Part p) {
        return p.is(PartRole.VIBRATOR) && p.nets().keySet().containsAll(List.of("1", "2", "3"));
    }

    /** The shape of its volts. */
    public Wave wave() {
        return vibrator.isPresent() ? Wave.VIBRATOR : Wave.SINE;
    }

    /** Of the mains as stated, else 50; of a vibrator as stated, else 115. */
    public double hertz() {
        return hertz(chassis);
    }

    /** Likewise, of a set that need not be solved. */
    public static double hertz(Chassis chassis) {
        if (chassis.supply().hertz() > 0) return chassis.supply().hertz();
        return vibrator(chassis).isPresent() ? REED : 50;
    }

    /** The volts of every net, as by {@link #volts}. */
    public Solution solution() {
        return phasors.map(ReactiveMains::solution).orElse(hot);
    }

    /** Whether a net alternates. */
    public boolean alternates(String net) {
        return live.contains(net);
    }

    /** Effective volts of a net against the reference, negative where it runs against the line. */
    public double volts(String net) {
        return between(net, reference);
    }

    /** Effective volts from one net to another, negative where they run against the line. */
    public double between(String from, String to) {
        if (phasors.isPresent()) return phasors.get().between(from, to);
        return hot.volts(from).orElse(0) - hot.volts(to).orElse(0);
    }

    /** Where large capacitors matter, resistances alone do not tell the volts. */
    private Optional<ReactiveMains> phasors() {
        ReactiveMains reactive = new ReactiveMains(chassis, faults, hertz());
        return reactive.matters(hot)
                ? Optional.of(reactive.solved(hot, battery(), solver, this::circuit))
                : Optional.empty();
    }

    /** Share of its rated volts that a tube's heater has. */
    public double heat(Part tube, DeviceType type) {
        Optional<List<String>> ends = sockets.heater(tube);
        if (ends.isEmpty() || type.heaterVolts() <= 0) return 1;
        return Math.abs(between(ends.get().get(0), ends.get().get(1))) / type.heaterVolts();
    }

    /** What a rectifier between two nets sees: the resistance of the source. */
    public double ohms(String from, String to) {
        return behind.computeIfAbsent(List.of(from, to), k -> computed(from, to));
    }

    private double computed(String from, String to) {
        if (phasors.isPresent()) return phasors.get().ohms(from, to);
        Map<String, Double> lamps = new LinkedHashMap<>();
        for (var e : hot.circuit().elements())
            if (e instanceof anabion.core.circuit.Element.Device d) {
                double u = at(d.nodes().get(0)) - at(d.nodes().get(1));
                lamps.put(d.name(), ((FilamentLaw) d.law()).ohms(Math.abs(u)));
            }
        Solution quiet = solver.apply(circuit(lamps).build());
        Solution pushed =
                solver.apply(circuit(lamps).current("probe", to, from, 0.01).build());
        double before = quiet.volts(from).orElse(0) - quiet.volts(to).orElse(0);
        double after = pushed.volts(from).orElse(0) - pushed.volts(to).orElse(0);
        return Math.max(0, (after - before) / 0.01);
    }

    private double at(int node) {
        return node < 0 ? 0 : hot.unknowns()[node];
    }

    private Circuit.Builder circuit(Map<String, Double> frozen) {
        Circuit.Builder c = Circuit.of(reference);
        if (vibrator.isPresent()) reed(vibrator.get(), c);
        else {
            c.source("mains", "MAINS", N, battery());
            c.resistor("line", "MAINS", L, Math.max(0.01, series));
            c.resistor("insulation", N, reference, INSULATION);
        }
        for (Part p : chassis.parts()) {
            if (p.component() instanceof Component.Windings w && w.isMainsTransformer())
                transformer(p, w.windings(), c);
            else if (p.component() instanceof Component.Lamp l
                    && fed.contains(Set.copyOf(p.nets().values()))) lampFed(p, l, c);
            else if (p.component() instanceof Component.Lamp l && l.amperes() > 0)
                filament(
                        p.reference(),
                        faults.net(p, "1"),
                        faults.net(p, "2"),
                        new LampLaw(l.volts(), l.amperes(), LampLaw.LAMP),
                        frozen,
                        c);
            else if (p.device().isPresent()) heater(p, frozen, c);
            else if (p.nets().values().stream().anyMatch(live::contains)) linear.add(p, c);
        }
        return c;
    }

    /** Share of its rated volts that a rectifier's heater has: with a vibrator the battery feeds it. */
    public double rectifierHeat(Part tube, DeviceType type) {
        if (vibrator.isEmpty()) return heat(tube, type);
        return sockets.isOpen(tube) ? 0 : battery() / feed().nominal();
    }

    private VibratorFeed feed() {
        return new VibratorFeed(chassis, faults, linear, battery(), solver);
    }

    /** Volts of the line, or of the battery that a vibrator chops. */
    private double battery() {
        return setting.line() * setting.trim(Setting.LINE);
    }

    /** The battery's volts across one half of the primary, one way and the other in turn; the battery itself lies still. */
    private void reed(Part p, Circuit.Builder c) {
        String end = faults.net(p, "3");
        String tap = new WindingEnds(chassis).other(p.nets().get("3")).orElse(reference);
        boolean stuck = faults.is(p.reference(), FaultMode.OPEN) || faults.is(p.reference(), FaultMode.DEAD);
        VibratorFeed.Lead lead = feed().lead(tap, faults.net(p, "1"));
        c.source("mains", "MAINS", tap, stuck ? 0 : lead.volts() * Wave.VIBRATOR.effective());
        c.resistor("line", "MAINS", end, series + lead.ohms());
        c.resistor("still", tap, reference, STILL);
    }

    /** The nets that alternate: reached from mains and transformer through resistances, not across the reference. */
    private Set<String> live() {
        Set<String> nets = new HashSet<>(vibrator.isPresent() ? List.of() : List.of(L, N));
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Windings w && w.isMainsTransformer())
                nets.addAll(p.nets().values());
        nets.remove(reference);
        boolean grown = true;
        while (grown) {
            grown = false;
            for (Part p : chassis.parts()) {
                Collection<String> joined = passed(p);
                if (joined.stream().noneMatch(nets::contains)) continue;
                for (String net : joined) if (!net.equals(reference)) grown |= nets.add(net);
            }
        }
        return nets;
    }

    /** The nets between which a part passes alternating current: not through a rectifier; a heater's with its cathode, where they touch. */
    private Collection<String> passed(Part p) {
        if (p.component() instanceof Capacitor c) return passes(c) ? p.nets().values() : List.of();
        if (vibrates(p)) return List.of();
        if (p.device().isEmpty()) return p.nets().values();
        List<String> nets = new ArrayList<>(sockets.heater(p).orElse(List.of()));
        sockets.heaterLeaks(p, reference).forEach(l -> nets.add(l.to()));
        return nets;
    }

    /** A capacitor for alternating volts that is large enough to feed something, such as a heater chain. */
    private static boolean passes(Capacitor c) {
        return !c.is(Dielectric.ELECTROLYTIC) && c.farads().stream().anyMatch(f -> f >= FEEDS);
    }

    private void filament(
            String name, String a, String b, FilamentLaw law, Map<String, Double> frozen, Circuit.Builder c) {
        if (faults.is(name, FaultMode.OPEN) || faults.isWholly(name, FaultMode.HEATER_OPEN)) return;
        if (frozen.containsKey(name)) c.resistor(name, a, b, frozen.get(name));
        else c.device(name, law, a, b);
    }

    private void heater(Part p, Map<String, Double> frozen, Circuit.Builder c) {
        Optional<DeviceType> type = Sockets.type(p);
        if (type.isEmpty()) return;
        List<Sockets.HeaterPiece> pieces = sockets.pieces(p, type.get());
        linear.joints(p, live::contains, c);
        if (!sockets.isOpen(p))
            for (int n = 0; n < pieces.size(); n++) {
                Sockets.HeaterPiece piece = pieces.get(n);
                if (fed.contains(Set.of(piece.from(), piece.to()))) {
                    c.resistor(p.reference() + ".fed" + n, piece.from(), piece.to(), piece.ohms());
                    continue;
                }
                String name = p.reference() + (n == 0 ? "" : ".tap");
                FilamentLaw law = Fit.filament(type.get(), piece.volts(), piece.amperes(), HEATER);
                filament(name, piece.from(), piece.to(), law, frozen, c);
            }
        sockets.heaterLeaks(p, reference).forEach(l -> c.resistor(l.name(), l.heater(), l.to(), l.ohms()));
    }

    /** The ends of heater pieces between the line and a rectifier's plate: what it draws keeps them, and the lamp beside, hot. */
    private Set<Set<String>> fed() {
        Set<Set<String>> ends = new HashSet<>();
        for (Part p : chassis.parts()) {
            Optional<DeviceType> type = Sockets.type(p);
            boolean rectifies = type.filter(DeviceType::rectifies).isPresent();
            List<Sockets.HeaterPiece> pieces = rectifies ? sockets.pieces(p, type.orElseThrow()) : List.of();
            if (pieces.size() > 1)
                pieces.stream()
                        .min(Comparator.comparingDouble(Sockets.HeaterPiece::volts))
                        .filter(h -> !h.from().equals(h.to()))
                        .ifPresent(h -> ends.add(Set.of(h.from(), h.to())));
        }
        return ends;
    }

    private void lampFed(Part p, Component.Lamp l, Circuit.Builder c) {
        boolean open = faults.is(p.reference(), FaultMode.OPEN) || l.amperes() <= 0;
        if (!open) c.resistor(p.reference(), faults.net(p, "1"), faults.net(p, "2"), l.volts() / l.amperes());
    }

    /**
     * The share of a winding's turns that is left.
     *
     * @param unnamed whether a short that names no winding is one of this
     */
    private double left(Part p, Winding w, boolean unnamed) {
        boolean shorted = faults.is(p.reference() + "." + w.name(), FaultMode.SHORT)
                || (unnamed && faults.is(p.reference(), FaultMode.SHORT));
        return shorted ? 1 - linear.turns(p, w) : 1;
    }

    private void transformer(Part p, List<Winding> all, Circuit.Builder c) {
        Winding primary = all.get(0);
        String inner = p.reference() + ".primary";
        if (!linear.openWinding(p, primary, 0))
            c.resistor(PassiveStamps.winding(p, 0), faults.net(p, primary.from()), inner, linear.ohms(p, primary));
        for (int n = 1; n < all.size(); n++) {
            Winding w = all.get(n);
            if (w.volts() <= 0 || faults.is(p.reference() + "." + w.name(), FaultMode.OPEN)) continue;
            String end = p.reference() + ".inner" + n;
            double turns = left(p, w, n == 1) / left(p, primary, false);
            c.transformer(
                    p.reference() + ".ideal" + n,
                    inner,
                    faults.net(p, primary.to()),
                    end,
                    faults.net(p, w.to()),
                    turns * w.volts() / primary.volts());
            c.resistor(PassiveStamps.winding(p, n), end, faults.net(p, w.from()), linear.ohms(p, w));
            if (left(p, w, n == 1) < 1) burning(p, primary, w, n, c);
        }
    }

    /** Turns that touch are a winding of their own with nothing but their copper across it. */
    private void burning(Part p, Winding primary, Winding w, int n, Circuit.Builder c) {
        double turns = 1 - left(p, w, n == 1);
        String end = p.reference() + ".turns" + n;
        c.transformer(
                p.reference() + ".shorted" + n,
                p.reference() + ".primary",
                faults.net(p, primary.to()),
                end,
                faults.net(p, w.to()),
                turns * w.volts() / primary.volts());
        double copper = w.ohms() > 0 ? w.ohms() : PassiveStamps.WINDING;
        c.resistor(p.reference() + ".copper" + n, end, faults.net(p, w.to()), turns * copper);
    }
}
