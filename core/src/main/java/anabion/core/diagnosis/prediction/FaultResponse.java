package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.circuit.Element;
import anabion.core.signal.RippleTransfer;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.SupplyDraw;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Sensitivity;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/**
 * Direct volts of one state of a set, as meters show them, and how specimens of that state spread.
 *
 * <p>Method: a net of R ohms behind a meter of M shows V·M/(R + M), exact while the circuit is linear; where the meter takes more than
 * {@link #HEAVY} the circuit is solved again with the meter in it. Not for several threads.
 */
public final class FaultResponse {
    private static final double HEAVY = 0.04;
    /** Tubes that have worked for years lie wider apart than new ones. */
    public static final double AGED = 1.5;

    /** Standard deviation of a grid's contact potential among tubes of a type, in volts. */
    private static final double CONTACT = 0.12;

    private static final double STEP = 1e-4;
    private static final double DARK = 1e-7;
    /** Alternating volts below which a net is none of the mains' side. */
    private static final double FAINT = 0.02;
    /** Above this it is no small change, and the tube's current no longer follows in proportion. */
    private static final double MOST = 0.4;
    /** Volts, and shares of volts and of ohms, that no meter tells apart. */
    private static final double SAME_VOLTS = 1e-3;

    private static final double SAME_SHARE = 5e-4;
    private static final double SAME_BEHIND = 0.03;

    private final double line;
    private final Simulator.PreparedCircuit bench;
    private final OperatingPoint free;
    private final Sensitivity spread;
    private final Set<String> tubes;
    private final Predicate<String> decided;
    private final Map<List<Object>, Double> loaded = new HashMap<>();
    private final Map<String, double[]> moves = new HashMap<>();
    private final Map<String, Double> widths = new HashMap<>();
    private final Map<List<String>, Double> ripples = new HashMap<>();
    private final Supplier<SupplyDraw> draw;
    private Optional<SupplyDraw> drawn = Optional.empty();
    private final RippleAt ripple;

    /** What ripple leaves between two nets. */
    private interface RippleAt {
        double between(String net, String against);
    }

    private FaultResponse(
            double line,
            Simulator.PreparedCircuit bench,
            OperatingPoint free,
            Sensitivity spread,
            Set<String> tubes,
            Predicate<String> decided,
            Supplier<SupplyDraw> draw,
            RippleAt ripple) {
        this.line = line;
        this.draw = draw;
        this.ripple = ripple;
        this.tubes = tubes;
        this.decided = decided;
        this.bench = bench;
        this.free = free;
        this.spread = spread;
    }

    /**
     * Empty where the circuit does not settle.
     *
     * @param sound of the sound set under this setting, if it is known: where direct currents know nothing of the faults, specimens spread alike
     * @param decided parts whose tolerance moves nothing
     */
    public static Optional<FaultResponse> of(
            Simulator engine,
            Chassis chassis,
            Setting setting,
            Optional<FaultResponse> sound,
            Predicate<String> decided) {
        Simulator.PreparedCircuit bench = engine.prepare(chassis, setting);
        OperatingPoint free = bench.solve();
        return sound.filter(r -> bench.isAsSound())
                .map(r -> r.spread)
                .or(() -> Sensitivity.about(engine, chassis, setting, free))
                .map(s -> new FaultResponse(
                        setting.line(),
                        bench,
                        free,
                        s,
                        tubes(chassis),
                        decided,
                        () -> SupplyDraw.of(chassis, setting.line(), free),
                        (net, against) -> RippleTransfer.volts(chassis, setting, free, net, against)));
    }

    private static Set<String> tubes(Chassis chassis) {
        return chassis.parts().stream()
                .filter(Part::isTube)
                .map(Part::reference)
                .collect(Collectors.toSet());
    }

    /** Volts of the line at which it was solved. */
    public double line() {
        return line;
    }

    /** As it stands, with no meter on it. */
    public OperatingPoint atRest() {
        return free;
    }

    /** What it takes from what feeds it. */
    public SupplyDraw draw() {
        if (drawn.isEmpty()) drawn = Optional.of(draw.get());
        return drawn.get();
    }

    /**
     * Amperes by which one standard deviation of each part, tube and the line moves what it takes from its battery, in the order of {@link Sensitivity#parts};
     * empty for a set on the mains.
     */
    public Optional<double[]> drawSpread(Chassis chassis) {
        return SupplyDraw.inner(chassis, free).map(r -> {
            double[] one = moves(free.direct().circuit().net(r.a()));
            double[] other = moves(free.direct().circuit().net(r.b()));
            double along = Math.signum(free.direct().at(r.a()) - free.direct().at(r.b())) * r.siemens();
            double[] amperes = new double[one.length];
            for (int k = 0; k < amperes.length; k++) amperes[k] = along * (one[k] - other[k]);
            return amperes;
        });
    }

    /** Effective alternating volts between two nets: of the mains, or of ripple, at a reservoir or behind it. */
    public double alternating(String net, String against) {
        double volts = free.alternating(net, against);
        return volts > FAINT ? volts : ripples.computeIfAbsent(List.of(net, against), k -> ripple(net, against));
    }

    private double ripple(String net, String against) {
        try {
            return ripple.between(net, against);
        } catch (ArithmeticException e) {
            return 0; // of a network without a solution nothing is known: as if nothing came through
        }
    }

    /** Whether all nets stand where they stand in another state, with as many ohms behind them. */
    boolean alike(FaultResponse other) {
        List<String> nets = free.direct().circuit().nets();
        if (!nets.equals(other.free.direct().circuit().nets())) return false;
        for (String net : nets) {
            double volts = free(net);
            if (Math.abs(volts - other.free(net)) > SAME_VOLTS + SAME_SHARE * Math.abs(volts)) return false;
            double ohms = behind(net);
            if (Math.abs(ohms - other.behind(net)) > SAME_BEHIND * ohms) return false;
        }
        return true;
    }

    /** Volts of a net without a meter. */
    public double free(String net) {
        return free.volts(net).orElse(0);
    }

    /**
     * What a meter shows, where the line stands a little off.
     *
     * @param off of the line, as a fraction
     */
    public double read(String net, double ohms, double off) {
        if (net.equals(bench.circuit().reference())) return 0;
        double share = share(net, ohms);
        double volts = 1 - share > HEAVY
                ? loaded.computeIfAbsent(List.of(net, ohms), k -> solved(net, ohms, share))
                : free(net) * share;
        return volts + off * share * spread.slope(net, Setting.LINE);
    }

    private double solved(String net, double ohms, double share) {
        OperatingPoint o = bench.solveWithMeter(net, ohms);
        return o.converged() ? o.volts(net).orElse(0) : free(net) * share;
    }

    /** Ohms behind a net, from {@link Sensitivity#behind}; never below zero. */
    public double behind(String net) {
        return Math.max(0, spread.behind(net));
    }

    /** Share of a net's volts that a meter leaves. */
    private double share(String net, double ohms) {
        return ohms / (ohms + behind(net));
    }

    /** Volts by which one standard deviation of each part, tube and the line moves the reading, in the order of {@link Sensitivity#parts}. */
    public double[] spread(String net, double ohms) {
        double[] shares = moves(net).clone();
        double share = share(net, ohms);
        for (int k = 0; k < shares.length; k++) shares[k] *= share;
        return shares;
    }

    /** Volts by which one standard deviation of all tubes together moves a net. */
    double ofTubes(String net) {
        double[] each = moves(net);
        List<String> parts = spread.parts();
        double square = 0;
        for (int k = 0; k < each.length; k++) if (tubes.contains(parts.get(k))) square += each[k] * each[k];
        return Math.sqrt(square);
    }

    /** The parts, tubes and the line that differ from specimen to specimen, each with its standard deviation as a fraction. */
    public Map<String, Double> sources() {
        Map<String, Double> all = new LinkedHashMap<>();
        spread.parts().forEach(p -> all.put(p, spread.spread(p)));
        return all;
    }

    private double[] moves(String net) {
        return moves.computeIfAbsent(net, n -> {
            double[] all = spread.moves(n);
            List<String> parts = spread.parts();
            for (int k = 0; k < all.length; k++)
                all[k] *= tubes.contains(parts.get(k)) ? wider(parts.get(k)) : decided.test(parts.get(k)) ? 0 : 1;
            return all;
        });
    }

    /** How many times as wide as by its emission when new a tube's current spreads: it has aged, and where few volts drive it the contact potential of its grid is a large share of them. */
    private double wider(String tube) {
        return widths.computeIfAbsent(
                tube, t -> Math.hypot(AGED, Math.min(MOST, CONTACT * steepness(t)) / spread.spread(t)));
    }

    /** By what share a tube's current rises for a volt at its grid: of its systems the one where it is most. */
    private double steepness(String tube) {
        double most = 0;
        for (Element e : free.direct().circuit().elements())
            if (e instanceof Element.Device d
                    && d.law().terminals() > 2
                    && OperatingPoint.reference(d.name()).equals(tube)) {
                double[] v = d.nodes().stream()
                        .mapToDouble(n -> free(free.direct().circuit().net(n)))
                        .toArray();
                double before = all(d, v);
                v[0] += STEP;
                if (before > DARK) most = Math.max(most, Math.abs(all(d, v) / before - 1) / STEP);
            }
        return most;
    }

    private static double all(Element.Device d, double[] volts) {
        double[] amperes = new double[volts.length];
        d.law().currents(volts, amperes);
        return Arrays.stream(amperes).map(Math::abs).sum();
    }
}
