package anabion.core.isolation;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.TerminalNames;
import anabion.core.circuit.DcSolver;
import anabion.core.isolation.Barrier.Touched;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/**
 * How far the mains reaches into a set.
 *
 * <p>Method: the alternating network of the set ({@link AcSupply}) is solved as it works, with each switch in every position, and with every heater, lamp
 * and dropper open in turn; a rectifier passes nothing. Nets behind a rectifier stand where their large capacitors hold them.
 */
public final class MainsReach {
    /** Share of the line's volts between two nets from which the mains stands there. */
    private static final double STANDS = 0.25;
    /** Farads that hold a net still at the mains' frequency. */
    private static final double HOLDS = 1e-6;
    /** Ohms up to which a resistor feeds heaters. */
    private static final double DROPPER = 5e3;
    /** Farads below which a bleeder beside a capacitor tells nothing. */
    private static final double BRIDGE = 1e-9;

    /** Volts at which shares are found where the set's own line is not entered. */
    private static final double ANY_LINE = 100;

    private static final Sockets SOUND = new Sockets(Faults.NONE);

    private final Chassis chassis;
    private final ConductiveIslands islands;
    private final Set<String> live;
    private final double line;
    private List<Condition> conditions;

    /**
     * One way in which the set can stand.
     *
     * @param what the part that is switched or open; empty for the set as it works
     * @param position of the switch; empty for an open part
     */
    public record State(String what, String position) {}

    private record Condition(State state, AcSupply mains) {}

    /**
     * Mains between two nets.
     *
     * @param share of the line's volts
     * @param state in which it stands there
     */
    public record Exposure(double share, State state) {}

    private MainsReach(Chassis chassis) {
        this.chassis = chassis;
        this.islands = new ConductiveIslands(chassis);
        this.line = chassis.supply().volts() > 0 ? chassis.supply().volts() : ANY_LINE;
        Set<String> reached = new HashSet<>(islands.of(AcSupply.L));
        reached.addAll(islands.of(AcSupply.N));
        this.live = Set.copyOf(reached);
    }

    /** Solved when first asked for: which nets are live needs none of it. */
    private List<Condition> conditions() {
        if (conditions == null) conditions = solved();
        return conditions;
    }

    private List<Condition> solved() {
        List<Condition> all = new ArrayList<>();
        if (live.isEmpty()
                || !AcSupply.has(chassis)
                || AcSupply.vibrator(chassis).isPresent()) return all;
        Setting usual = Setting.of(line);
        all.add(condition(new State("", ""), usual));
        for (Part p : chassis.parts()) {
            if (p.nets().values().stream().noneMatch(live::contains)) continue;
            if (p.component() instanceof Component.Switch s)
                for (String at : s.positions())
                    all.add(condition(new State(p.reference(), at), usual.withSwitches(Map.of(p.reference(), at))));
            FaultMode open = heats(p) ? FaultMode.HEATER_OPEN : FaultMode.OPEN;
            if (heats(p) || feeds(p))
                all.add(condition(
                        new State(p.reference(), ""), usual.withFaults(List.of(Fault.of(p.reference(), open)))));
        }
        return all;
    }

    /** What the mains reaches in a chassis; empty in all answers where it has no mains. */
    public static MainsReach of(Chassis chassis) {
        return new MainsReach(chassis);
    }

    private static boolean heats(Part p) {
        return Sockets.type(p).filter(t -> t.heaterVolts() > 0).isPresent();
    }

    private static boolean feeds(Part p) {
        return p.component() instanceof Component.Lamp
                || (p.component() instanceof Component.Resistor r && r.ohms() > 0 && r.ohms() <= DROPPER);
    }

    private Condition condition(State state, Setting setting) {
        Faults faults = new Faults(chassis, setting.faults());
        return new Condition(
                state, new AcSupply(chassis, setting, faults, chassis.reference(), 0, c -> new DcSolver().solve(c)));
    }

    /** Whether a net conducts to a side of the mains, be it through a rectifier or a tube. */
    public boolean live(String net) {
        return live.contains(net);
    }

    /** Whether the metal chassis, or what the circuit returns to where it names none, conducts to the mains. */
    public boolean liveChassis() {
        boolean metal = chassis.parts().stream().anyMatch(p -> p.touches(Chassis.METAL));
        return live(metal ? Chassis.METAL : chassis.reference());
    }

    /** Whether the circuit itself, not just the primary of a transformer, conducts to the mains: some tube or transistor does. */
    public boolean liveCircuit() {
        return chassis.parts().stream()
                .anyMatch(p ->
                        p.device().isPresent() && p.nets().values().stream().anyMatch(live::contains));
    }

    /**
     * The worst share of the mains between the ends of a capacitor.
     *
     * @param without the capacitor, which does not hold its own ends
     * @return empty where less than a quarter of the line ever stands there
     */
    public Optional<Exposure> worst(Part without, String a, String b) {
        if (!live(a) || !live(b) || a.equals(b)) return Optional.empty();
        boolean direct = chassis.supply().arrangement().isDirect();
        if (direct && (behindChoke(a) || behindChoke(b))) return Optional.empty();
        Exposure worst = new Exposure(0, new State("", ""));
        for (Condition c : conditions()) {
            OptionalDouble u = potential(c.mains(), a, without);
            OptionalDouble v = potential(c.mains(), b, without);
            if (u.isEmpty() || v.isEmpty()) continue;
            boolean known = solved(c.mains(), a) && solved(c.mains(), b);
            double volts = known ? c.mains().between(a, b) : u.getAsDouble() - v.getAsDouble();
            double share = Math.abs(volts) / line;
            if (share > worst.share() + 0.01) worst = new Exposure(share, c.state());
        }
        return Optional.of(worst).filter(w -> w.share() >= STANDS);
    }

    /** On direct current a winding keeps the mains' surges from what lies behind it: the rail of such a set. */
    private boolean behindChoke(String net) {
        Set<String> seen = new HashSet<>(Set.of(net));
        Deque<String> next = new ArrayDeque<>(seen);
        while (!next.isEmpty()) {
            String at = next.poll();
            if (at.equals(AcSupply.L) || at.equals(AcSupply.N)) return false;
            for (Part p : chassis.parts()) {
                Collection<String> joined = straight(p);
                if (joined.contains(at)) for (String n : joined) if (seen.add(n)) next.add(n);
            }
        }
        return true;
    }

    /** The nets between which a part passes surges: a heater's ends, small resistors, fuses, switches, lamps. */
    private static Collection<String> straight(Part p) {
        if (p.device().isPresent()) return SOUND.heater(p).orElse(List.of());
        boolean small =
                feeds(p) || p.component() instanceof Component.Fuse || p.component() instanceof Component.Switch;
        return small ? p.nets().values() : List.of();
    }

    private static boolean solved(AcSupply mains, String net) {
        return mains.solution().circuit().node(net).isPresent();
    }

    /** Alternating volts of a net: as solved, or of the net to which large capacitors behind a rectifier hold it. */
    private OptionalDouble potential(AcSupply mains, String net, Part without) {
        Set<String> seen = new HashSet<>(Set.of(net));
        Deque<String> next = new ArrayDeque<>(seen);
        while (!next.isEmpty()) {
            String at = next.poll();
            if (solved(mains, at)) return OptionalDouble.of(mains.volts(at));
            for (Part p : chassis.parts()) {
                if (p.equals(without) || p.device().isPresent()) continue;
                for (Collection<String> nets : held(p))
                    if (nets.contains(at)) for (String n : nets) if (seen.add(n)) next.add(n);
            }
        }
        return OptionalDouble.empty();
    }

    /** The nets that a part holds at one alternating potential: a large capacitor's, and those that any other part joins. */
    private static List<Collection<String>> held(Part p) {
        if (p.component() instanceof Capacitor c)
            return c.farads().stream().anyMatch(f -> f >= HOLDS)
                    ? List.of(p.nets().values())
                    : List.of();
        return ConductiveIslands.joined(p);
    }

    // --- what can be touched ---

    /** What lies between the mains and a conductor that can be touched, where a capacitor between two nets is part of it. */
    public Optional<Barrier> barrier(String a, String b) {
        if (live(a) == live(b)) return Optional.empty();
        String far = live(a) ? b : a;
        Set<String> nets = islands.of(far);
        Optional<Touched> touched = touched(nets);
        return touched.map(t -> new Barrier(t, nets, between(nets)));
    }

    /** All barriers of the set. */
    public List<Barrier> barriers() {
        Map<Set<String>, Barrier> all = new HashMap<>();
        for (Part p : chassis.parts())
            if (ConductiveIslands.bridges(p, chassis))
                for (String a : p.nets().values())
                    for (String b : p.nets().values()) barrier(a, b).ifPresent(x -> all.put(x.nets(), x));
        return List.copyOf(all.values());
    }

    /** The leads and sockets that conduct to the mains with nothing between. */
    public List<String> bare() {
        Set<String> found = new HashSet<>();
        if (!liveCircuit()) return List.of();
        for (Part p : chassis.parts()) {
            boolean aerial = p.role().filter(PartRole::isOfAerial).isPresent();
            for (String net : p.nets().values())
                if (live(net)
                        && ends(net) == 1
                        && (aerial || TerminalNames.of(net).isPresent())) found.add(net);
        }
        return found.stream().sorted().toList();
    }

    private List<Part> between(Set<String> nets) {
        return chassis.parts().stream()
                .filter(p -> ConductiveIslands.bridges(p, chassis)
                        && p.nets().values().stream().anyMatch(nets::contains)
                        && p.nets().values().stream().anyMatch(live::contains))
                .toList();
    }

    /** What of an island that the mains does not reach can be touched; empty for a coil between two capacitors, which is inside. */
    private Optional<Touched> touched(Set<String> nets) {
        if (nets.contains(Chassis.METAL)) return Optional.of(Touched.METAL);
        List<Part> on = chassis.parts().stream()
                .filter(p -> p.nets().values().stream().anyMatch(nets::contains))
                .toList();
        if (on.stream().anyMatch(p -> p.device().isPresent())) return Optional.of(Touched.METAL);
        for (String net : nets) {
            Optional<Touched> named = TerminalNames.of(net).map(MainsReach::touched);
            if (named.isPresent()) return named;
        }
        boolean bridged = between(nets).stream().anyMatch(p -> p.component() instanceof Component.Resistor)
                && between(nets).stream()
                        .anyMatch(p -> p.component() instanceof Capacitor c
                                && c.farads().stream().anyMatch(f -> f >= BRIDGE));
        if (bridged) return Optional.of(Touched.METAL);
        if (nets.stream().noneMatch(n -> ends(n) == 1)) return Optional.empty();
        boolean toCoil = on.stream().anyMatch(p -> p.nets().values().stream().anyMatch(this::tuned))
                || on.stream().anyMatch(p -> p.component() instanceof Component.Windings);
        return Optional.of(toCoil ? Touched.AERIAL : Touched.SOCKET);
    }

    private static Touched touched(TerminalNames.Terminal t) {
        return switch (t) {
            case AERIAL -> Touched.AERIAL;
            case EARTH -> Touched.EARTH_LEAD;
            case SOCKET -> Touched.SOCKET;
        };
    }

    /** Whether an aerial's coil begins at a net. */
    private boolean tuned(String net) {
        return chassis.parts().stream()
                .anyMatch(p ->
                        p.touches(net) && p.role().filter(PartRole::isOfAerial).isPresent());
    }

    /** How many terminals of parts are on a net. */
    private long ends(String net) {
        return chassis.parts().stream()
                .flatMap(p -> p.nets().values().stream())
                .filter(net::equals)
                .count();
    }

    // --- what flows ---

    /**
     * The most that a hand on the far side would carry to earth, whichever way the plug is in and whatever the switches are set to.
     *
     * @param farads of each part between, where another value than the present one is asked for
     * @param ohms likewise
     * @param volts of the line
     * @param hertz 0 for direct current
     * @return effective amperes
     */
    public double touchAmperes(
            Barrier barrier, Map<String, Double> farads, Map<String, Double> ohms, double volts, double hertz) {
        double worst = 0;
        for (Condition c : conditions())
            for (String earth : List.of(AcSupply.L, AcSupply.N)) {
                double g = 0;
                double b = 0;
                for (Part p : barrier.parts()) {
                    String near = p.nets().values().stream()
                            .filter(live::contains)
                            .findFirst()
                            .orElseThrow();
                    OptionalDouble at = potential(c.mains(), near, p);
                    if (at.isEmpty()) continue;
                    double share = (at.getAsDouble() - c.mains().volts(earth)) / line;
                    if (p.component() instanceof Capacitor k)
                        b += share
                                * 2
                                * Math.PI
                                * hertz
                                * farads.getOrDefault(p.reference(), k.farads().get(0));
                    else if (p.component() instanceof Component.Resistor r)
                        g += share / ohms.getOrDefault(p.reference(), r.ohms());
                }
                worst = Math.max(worst, volts * Math.hypot(g, b));
            }
        return worst;
    }
}
