package anabion.core.simulation;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.DcSolver;
import anabion.core.circuit.Element;
import anabion.core.circuit.Solution;
import anabion.core.numeric.LruCache;
import anabion.core.rectifier.Characteristic;
import anabion.core.rectifier.Rectifier;
import anabion.core.simulation.dc.DcCircuitBuilder;
import anabion.core.simulation.dc.DirectPaths;
import anabion.core.simulation.dc.FittedLaws;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.simulation.supply.SupplyFinder;
import anabion.core.simulation.supply.SupplyRail;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Computes sets. It keeps the characteristics of the rectifiers it met and the last solution, from which the next one starts; so one
 * engine belongs to one thread.
 */
public final class Simulator {
    private static final int KEPT = 64;
    /** Settings of a set that take turns: six bands, each with and without a carrier and one off its middle; with fewer all would be fed anew for each fault. */
    private static final int FEEDS = 18;
    /** Source resistance of a fixed rail, in ohms. */
    private static final double STIFF = 0.01;

    private final FittedLaws fitted = new FittedLaws();
    private final DcSolver solver = new DcSolver();
    private final DcSolver mainsSolver = new DcSolver();
    private final LruCache<Key, Characteristic> characteristics = new LruCache<>(KEPT);
    private final LruCache<Wired, Solution> alternating = new LruCache<>(KEPT);
    /** What sound sets are fed by, the last first: a few settings are asked for in turn. */
    private final Deque<Feed> sound = new ArrayDeque<>();
    /** What a faulty set is fed by is asked for once for every part, when its spread is computed. */
    private Optional<Feed> latest = Optional.empty();

    private final LruCache<StartKey, Start> starts = new LruCache<>(KEPT);

    private record Key(Rectifier rectifier, double siemens) {}

    /** Settings whose solutions lie near each other. */
    private record StartKey(String band, boolean warm, double carrier) {
        static StartKey of(Setting s) {
            return new StartKey(s.band(), s.warm(), s.carrier());
        }
    }

    /** Where the search for a kind of solution begins: at the last sound one, else at the first of all. */
    private static final class Start {
        private List<String> nets = List.of();
        private double[] unknowns = {};

        double[] of(Circuit circuit) {
            int known = nets.size();
            boolean alike = circuit.nets().size() >= known
                    && circuit.nets().subList(0, known).equals(nets);
            return alike ? unknowns : new double[0];
        }

        void keep(Solution s) {
            nets = s.circuit().nets();
            unknowns = s.unknowns();
        }
    }

    /** Elements know their nodes by number: what these are called belongs to the circuit. */
    private record Wired(List<String> nets, List<Element> elements) {}

    /** The whole set. */
    public OperatingPoint solve(Chassis chassis, Setting setting) {
        return prepare(chassis, setting, 0).solve();
    }

    /** A set ready to be solved, with and without a meter at its nets. */
    public PreparedCircuit prepare(Chassis chassis, Setting setting) {
        return prepare(chassis, setting, 0);
    }

    /** @param series ohms in the line */
    public PreparedCircuit prepare(Chassis chassis, Setting setting, double series) {
        Feed feed = feed(chassis, setting, series);
        Circuit bare = circuit(chassis, setting, feed).build();
        return new PreparedCircuit(
                this,
                setting,
                driven(bare.more(), feed.rails()),
                feed.mains().map(AcSupply::solution),
                feed.rails(),
                unchanged(chassis, setting, feed, bare));
    }

    /** The sound set's operating point, where direct currents know nothing of what is wrong. */
    private Optional<OperatingPoint> unchanged(Chassis chassis, Setting setting, Feed feed, Circuit bare) {
        if (feed.setting().equals(setting) || !bare.isLike(feed.circuit())) return Optional.empty();
        OperatingPoint known = feed.solved().get(feed.setting());
        if (known == null) {
            known = prepare(chassis, feed.setting(), feed.series()).solve();
            feed.solved().put(feed.setting(), known);
        }
        return Optional.of(known).filter(OperatingPoint::converged);
    }

    /** Without rails, of a set that is fed so. */
    private Circuit.Builder circuit(Chassis chassis, Setting setting, Feed feed) {
        if (feed.setting().equals(setting)) return feed.circuit().more();
        DcCircuitBuilder direct = direct(chassis, setting, feed.mains());
        boolean faulty = feed.setting().equals(setting.withFaults(List.of()));
        return faulty ? direct.circuit(feed.circuit()) : direct.circuit();
    }

    private static Circuit driven(Circuit.Builder c, List<SupplyRail> rails) {
        for (int n = 0; n < rails.size(); n++) rails.get(n).add(rails.get(n).name() + ".rail" + n, c);
        return c.build();
    }

    /**
     * The circuit of a set that differs a little from a solved one, such as in a trim: its rectifiers follow the tangents of those that
     * the solution knows, so that none needs a characteristic of its own.
     *
     * @param part whose trim it is, or {@link Setting#LINE}
     */
    public Circuit near(Chassis chassis, Setting base, Setting changed, String part, OperatingPoint solved) {
        Feed feed = feed(chassis, base, 0);
        boolean moved =
                feed.mains().isPresent() && (part.equals(Setting.LINE) || feed.touches(Fault.of(part, FaultMode.OPEN)));
        boolean alternates = moved && (part.equals(Setting.LINE) || feed.reachesMains(Fault.of(part, FaultMode.OPEN)));
        Optional<AcSupply> mains = alternates ? Optional.of(nudged(chassis, base, changed, part)) : feed.mains();
        List<SupplyRail> rails = moved ? nudged(chassis, base, changed, part, mains, solved) : feed.rails();
        Circuit.Builder c =
                direct(chassis, changed, mains).circuitLike(solved.direct().circuit());
        return driven(c, rails);
    }

    /** The rails of such a set: which rectifiers there are, and what feeds them, is the same for every fault that leaves the supply alone. */
    private List<SupplyRail> nudged(
            Chassis chassis,
            Setting base,
            Setting changed,
            String part,
            Optional<AcSupply> mains,
            OperatingPoint solved) {
        Feed well = sound(chassis, base.withFaults(List.of()), 0);
        boolean alike = base.faults().stream().noneMatch(well::touches);
        List<SupplyRail> found = alike
                ? well.rails(
                        part + "=" + changed.trim(part), () -> found(chassis, changed.withFaults(List.of()), mains))
                : found(chassis, changed, mains);
        return found.stream()
                .map(r -> r.with(solved.toward(r.output(), r.rectifier(), alike)
                        .orElseGet(() -> characteristic(r.output(), r.rectifier(), r.siemens()))))
                .toList();
    }

    /** Rails whose characteristics are not made yet. */
    private List<SupplyRail> found(Chassis chassis, Setting setting, Optional<AcSupply> mains) {
        return feed(chassis, setting, 0, mains, (output, rectifier, siemens) -> new Characteristic(rectifier, siemens))
                .rails();
    }

    /** The mains with one part a little larger: the same for every fault that leaves the mains alone. */
    private AcSupply nudged(Chassis chassis, Setting base, Setting changed, String part) {
        Feed well = sound(chassis, base.withFaults(List.of()), 0);
        if (base.faults().stream().anyMatch(well::reachesMains)) return mains(chassis, changed, 0);
        return well.nudged()
                .computeIfAbsent(
                        part + "=" + changed.trim(part), k -> mains(chassis, changed.withFaults(List.of()), 0));
    }

    /** A solved circuit with other trims, as far as one tube or transistor feels them that neither rectifies nor feeds a rectifier's filter. */
    public Optional<Circuit> replaced(
            Chassis chassis, Setting base, Setting changed, String part, OperatingPoint solved) {
        Optional<Part> device = chassis.part(part).filter(p -> p.device().isPresent());
        if (device.isEmpty()) return Optional.empty();
        Feed feed = feed(chassis, base, 0);
        if (feed.mains().isPresent() && feed.touches(Fault.of(part, FaultMode.OPEN))) return Optional.empty();
        DcCircuitBuilder direct = direct(chassis, changed, feed.mains());
        return Optional.of(solved.direct().circuit().with(c -> direct.device(device.get(), c)));
    }

    /** The element of a resistor that neither rectifiers nor the mains know of, in a solved circuit. */
    public Optional<Element.Resistor> alone(Chassis chassis, Setting setting, String part, OperatingPoint solved) {
        boolean resistor = chassis.part(part)
                .filter(p -> p.component() instanceof Component.Resistor)
                .isPresent();
        if (!resistor) return Optional.empty();
        Feed feed = feed(chassis, setting, 0);
        if (feed.mains().isPresent() && feed.touches(Fault.of(part, FaultMode.OPEN))) return Optional.empty();
        for (Element e : solved.direct().circuit().elements())
            if (e instanceof Element.Resistor r && r.name().equals(part)) return Optional.of(r);
        return Optional.empty();
    }

    private DcCircuitBuilder direct(Chassis chassis, Setting setting, Optional<AcSupply> mains) {
        return new DcCircuitBuilder(
                chassis, setting, new Faults(chassis, setting.faults()), chassis.reference(), mains, fitted);
    }

    private Feed feed(Chassis chassis, Setting setting, double series) {
        Feed well = sound(chassis, setting.withFaults(List.of()), series);
        if (setting.faults().stream().noneMatch(well::touches)) return well;
        if (latest.filter(f -> f.isOf(chassis, setting, series)).isPresent()) return latest.get();
        Feed feed = latest.filter(f -> f.isOfCarrier(chassis, setting, series))
                .map(f -> f.under(
                        setting, direct(chassis, setting, f.mains()).circuit().build()))
                .orElseGet(() -> feed(
                        chassis,
                        setting,
                        series,
                        setting.faults().stream().noneMatch(well::reachesMains)
                                ? well.mains()
                                : mainsOf(chassis, setting, series),
                        this::characteristic));
        latest = Optional.of(feed);
        return feed;
    }

    private Feed sound(Chassis chassis, Setting well, double series) {
        for (Feed f : sound) if (f.isOf(chassis, well, series)) return f;
        Feed feed = sound.stream()
                .filter(f -> f.isOfCarrier(chassis, well, series))
                .findFirst()
                .map(f ->
                        f.under(well, direct(chassis, well, f.mains()).circuit().build()))
                .orElseGet(() -> feed(chassis, well, series, mainsOf(chassis, well, series), this::characteristic));
        sound.addFirst(feed);
        if (sound.size() > FEEDS) sound.removeLast();
        return feed;
    }

    private Optional<AcSupply> mainsOf(Chassis chassis, Setting setting, double series) {
        return AcSupply.has(chassis) && !chassis.supply().arrangement().isDirect()
                ? Optional.of(mains(chassis, setting, series))
                : Optional.empty();
    }

    private AcSupply mains(Chassis chassis, Setting setting, double series) {
        Faults faults = new Faults(chassis, setting.faults());
        return new AcSupply(chassis, setting, faults, chassis.reference(), series, this::alternating);
    }

    private Feed feed(
            Chassis chassis,
            Setting setting,
            double series,
            Optional<AcSupply> mains,
            SupplyFinder.Characteristics characteristics) {
        Faults faults = new Faults(chassis, setting.faults());
        List<SupplyRail> rails = mains.map(
                        m -> new SupplyFinder(chassis, setting, faults, m, chassis.reference(), characteristics).all())
                .orElse(List.of());
        Circuit circuit = direct(chassis, setting, mains).circuit().build();
        DirectPaths paths = DirectPaths.of(circuit);
        return new Feed(
                chassis,
                setting,
                series,
                mains,
                rails.stream().map(r -> r.passing(paths::joined)).toList(),
                circuit,
                new HashMap<>(),
                new HashMap<>(),
                new HashMap<>());
    }

    /** A set whose rails stand where they stand in another solution, whatever its faults draw. */
    public PreparedCircuit prepareOnRails(Chassis chassis, Setting setting, OperatingPoint other) {
        Feed feed = feed(chassis, setting.withFaults(List.of()), 0);
        Circuit.Builder c = circuit(chassis, setting, feed);
        for (SupplyRail r : feed.rails()) {
            double volts =
                    other.volts(r.reservoir()).orElse(0) - other.volts(r.foot()).orElse(0);
            c.current(r.name() + ".push", r.foot(), r.reservoir(), volts / STIFF)
                    .resistor(r.name() + ".stiff", r.reservoir(), r.foot(), STIFF);
        }
        return new PreparedCircuit(
                this, setting, c.build(), feed.mains().map(AcSupply::solution), List.of(), Optional.empty());
    }

    private Characteristic characteristic(String output, Rectifier rectifier, double siemens) {
        return characteristics.get(new Key(rectifier, siemens), () -> new Characteristic(rectifier, siemens));
    }

    private Solution alternating(Circuit circuit) {
        return alternating.get(new Wired(circuit.nets(), circuit.elements()), () -> mainsSolver.solve(circuit));
    }

    private Solution run(Setting setting, Circuit circuit) {
        Start start = starts.get(StartKey.of(setting), Start::new);
        Solution s = solver.solve(circuit, start.of(circuit));
        if (s.converged() && (setting.faults().isEmpty() || start.nets.isEmpty())) start.keep(s);
        return s;
    }

    /**
     * A circuit with a meter from a net to the reference.
     *
     * @param ohms of the meter
     */
    public static Circuit metered(Circuit circuit, String net, double ohms) {
        return metered(circuit, net, circuit.reference(), ohms);
    }

    private static Circuit metered(Circuit circuit, String net, String against, double ohms) {
        return circuit.more().resistor("meter", net, against, ohms).build();
    }

    /** One set under one setting, on the bench. */
    public static final class PreparedCircuit {
        private final Simulator engine;
        private final Setting setting;
        private final Circuit circuit;
        private final Optional<Solution> mains;
        private final List<SupplyRail> rails;
        private final Optional<OperatingPoint> known;
        private final Start free = new Start();

        /** @param known its operating point, where it was found before */
        PreparedCircuit(
                Simulator engine,
                Setting setting,
                Circuit circuit,
                Optional<Solution> mains,
                List<SupplyRail> rails,
                Optional<OperatingPoint> known) {
            this.engine = engine;
            this.known = known;
            this.setting = setting;
            this.circuit = circuit;
            this.mains = mains;
            this.rails = rails;
        }

        /** The circuit that is solved. */
        public Circuit circuit() {
            return circuit;
        }

        /** Its rectified supplies. */
        public List<SupplyRail> rails() {
            return rails;
        }

        /** Whether direct currents know nothing of what is wrong: then all stands as in the sound set. */
        public boolean isAsSound() {
            return known.isPresent();
        }

        /** The operating point; what it settles at starts the next solution. */
        public OperatingPoint solve() {
            if (known.isPresent()) {
                free.keep(known.get().direct());
                return known.get();
            }
            Solution s = engine.run(setting, circuit);
            if (s.converged()) free.keep(s);
            return operating(s);
        }

        /** With a meter of so many ohms from a net to the reference. */
        public OperatingPoint solveWithMeter(String net, double ohms) {
            return solveWithMeter(net, circuit.reference(), ohms);
        }

        /** With a meter of so many ohms from one net to another. */
        public OperatingPoint solveWithMeter(String net, String against, double ohms) {
            if (free.nets.isEmpty()) solve();
            Circuit loaded = metered(circuit, net, against, ohms);
            return operating(engine.solver.solve(loaded, free.of(loaded)));
        }

        private OperatingPoint operating(Solution direct) {
            return new OperatingPoint(direct, mains, rails);
        }
    }

    /** The nets at which something can be read. */
    public static List<String> nets(Chassis chassis) {
        Set<String> nets = new LinkedHashSet<>();
        for (Part p : chassis.parts()) nets.addAll(p.nets().values());
        return List.copyOf(nets);
    }
}
