package anabion.core.simulation.cold;

import anabion.core.chassis.Chassis;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.DcSolver;
import anabion.core.circuit.Element;
import anabion.core.circuit.LinearizedCircuit;
import anabion.core.circuit.Solution;
import anabion.core.circuit.TransferResistances;
import anabion.core.device.model.FilamentLaw;
import anabion.core.simulation.setting.Setting;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.ConcurrentHashMap;

/**
 * A set with the power off, in one state of its faults, ready for many questions.
 *
 * <p>Method: without junctions every path is a resistance (filaments are cold), and the ohms between two nets follow from one factored matrix:
 * R = (J⁻¹)aa + (J⁻¹)bb − 2·(J⁻¹)ab. With junctions each pair is solved for itself, as {@link ColdOhms} does, starting from the answer of a like set. Not for several threads.
 */
public final class ColdSet {
    private static final double LEAST_SHARE = 1e-3;
    /** Share of the volts between the probes, between two nets that are at one potential: what the meter drives between them goes by its square. */
    private static final double LEVEL = 5e-3;

    private final Circuit circuit;
    private final Optional<TransferResistances> resistances;
    private final Optional<ColdSet> like;
    private final boolean unchanged;
    private final Map<String, Double> known = new HashMap<>();
    private final Map<String, Map<String, Double>> shares = new HashMap<>();
    private final Map<String, double[]> starts = new ConcurrentHashMap<>();

    private ColdSet(Circuit circuit, Optional<TransferResistances> resistances, Optional<ColdSet> like) {
        this.circuit = circuit;
        this.resistances = resistances;
        this.like = like;
        this.unchanged = like.filter(l -> circuit.isLike(l.circuit)).isPresent();
    }

    /** A set with the power off and usual insulation, ready to be measured between any two nets. */
    public static ColdSet of(Chassis chassis, Setting setting) {
        return of(chassis, setting, 1);
    }

    /** @param electrolytics insulation of all of them, against the usual: above one for new-formed, far below for long idle ones */
    public static ColdSet of(Chassis chassis, Setting setting, double electrolytics) {
        return of(chassis, setting, electrolytics, Optional.empty());
    }

    /** @param like another state of the same set, from whose answers those of this one are sought; it may work in another thread meanwhile */
    public static ColdSet of(Chassis chassis, Setting setting, double electrolytics, Optional<ColdSet> like) {
        Circuit circuit = ColdOhms.circuit(chassis, setting, chassis.reference(), electrolytics)
                .build();
        boolean junctions = circuit.elements().stream()
                .anyMatch(e -> e instanceof Element.Device d && !(d.law() instanceof FilamentLaw));
        Optional<TransferResistances> resistances = junctions
                ? Optional.empty()
                : LinearizedCircuit.at(new DcSolver().solve(circuit)).map(LinearizedCircuit::resistances);
        return new ColdSet(circuit, resistances, like);
    }

    /** Whether its circuit is that of the like set: then every answer is. */
    public boolean unchanged() {
        return unchanged;
    }

    /** Whether a resistance of that name is part of it. */
    public boolean has(String element) {
        for (Element e : circuit.elements())
            if (e instanceof Element.Resistor r && r.name().equals(element)) return true;
        return false;
    }

    /** Whether an answer costs next to nothing. */
    public boolean quick() {
        return resistances.isPresent();
    }

    /**
     * Ohms with the positive probe on the first net.
     *
     * @param test volts of the ohmmeter with open probes
     */
    public double between(String a, String b, double test) {
        if (a.equals(b)) return 0;
        if (resistances.isPresent()) return straight(resistances.get(), a, b);
        return known.computeIfAbsent(key(a, b, test), k -> ColdOhms.shown(solved(a, b, test), a, b));
    }

    /**
     * By which share of itself each resistor makes up the ohms between two nets, d(ln R)/d(ln r): without junctions the share of the power that it takes
     * from the ohmmeter (Tellegen's theorem), with them the slope at the meter's current. Shares that do not matter are left out; empty where nothing
     * passes.
     */
    public Map<String, Double> shares(String a, String b, double test) {
        if (a.equals(b)) return Map.of();
        // without junctions it costs less to compute them again than hundreds of states to keep them
        if (resistances.isPresent()) return thatMatter(powers(resistances.get(), a, b));
        return shares.computeIfAbsent(key(a, b, test), k -> thatMatter(probed(a, b, test)));
    }

    private static Map<String, Double> thatMatter(Map<String, Double> shares) {
        Map<String, Double> some = new HashMap<>(shares);
        some.values().removeIf(s -> Math.abs(s) < LEAST_SHARE);
        return Collections.unmodifiableMap(some);
    }

    private static String key(String a, String b, double test) {
        return a + "|" + b + "|" + test;
    }

    /** One solution serves the ohms as well. */
    private Map<String, Double> probed(String a, String b, double test) {
        Solution s = solved(a, b, test);
        known.put(key(a, b, test), ColdOhms.shown(s, a, b));
        return ColdOhms.shares(s, a, b);
    }

    private Solution solved(String a, String b, double test) {
        double[] start = like.filter(l -> l.circuit.nets().equals(circuit.nets()))
                .map(l -> l.starts.get(key(a, b, test)))
                .orElse(new double[0]);
        Solution s = new DcSolver().solve(ColdOhms.metered(circuit, a, b, test), start);
        if (like.isEmpty() && s.converged()) starts.put(key(a, b, test), s.unknowns());
        return s;
    }

    /**
     * Whether the ohmmeter, as it was solved here between two nets, leaves some other nets at one potential: what lies between these, whatever it is, makes no
     * difference to it. False where that was not solved.
     */
    public boolean leavesLevel(String a, String b, double test, Collection<String> nets) {
        double[] volts = starts.get(key(a, b, test));
        if (volts == null) return false;
        double least = Double.POSITIVE_INFINITY;
        double most = Double.NEGATIVE_INFINITY;
        for (String n : nets) {
            OptionalInt node = circuit.node(n);
            if (node.isEmpty()) return false;
            least = Math.min(least, at(volts, node));
            most = Math.max(most, at(volts, node));
        }
        return most - least < LEVEL * Math.abs(at(volts, circuit.node(a)) - at(volts, circuit.node(b)));
    }

    private Map<String, Double> powers(TransferResistances all, String a, String b) {
        double[] volts = driven(all, a, b);
        double ohms = at(volts, circuit.node(a)) - at(volts, circuit.node(b));
        if (!(ohms > 0) || ohms > ColdOhms.OPEN) return Map.of();
        Map<String, Double> powers = new HashMap<>();
        for (Element e : circuit.elements())
            if (e instanceof Element.Resistor r) {
                double across = at(volts, OptionalInt.of(r.a())) - at(volts, OptionalInt.of(r.b()));
                powers.merge(r.name(), across * across * r.siemens() / ohms, Double::sum);
            }
        return powers;
    }

    private double[] driven(TransferResistances r, String a, String b) {
        return r.driven(
                circuit.node(a).orElse(Circuit.REFERENCE), circuit.node(b).orElse(Circuit.REFERENCE));
    }

    private static double at(double[] volts, OptionalInt node) {
        int n = node.orElse(Circuit.REFERENCE);
        return n < 0 ? 0 : volts[n];
    }

    private double straight(TransferResistances r, String a, String b) {
        double[] volts = driven(r, a, b);
        return Math.min(at(volts, circuit.node(a)) - at(volts, circuit.node(b)), ColdOhms.OPEN);
    }
}
