package anabion.core.simulation.tolerance;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.Element;
import anabion.core.circuit.LinearizedCircuit;
import anabion.core.device.Section;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * How far the volts of a set lie apart from specimen to specimen: what each part's tolerance, each tube's spread and the line's
 * wandering do to each net, to first order.
 *
 * <p>Method: the slope of every net against a part is the answer of the {@link LinearizedCircuit} to the circuit with that part a little
 * ({@link #STEP}) larger, for a resistor that feeds no rectifier's filter exactly by its own current; with independent deviations of known spread, covariances are sums of products of slopes (linear error
 * propagation, any textbook). It fails where a tolerance reaches over a kink, such as a grid that begins to draw current.
 */
public final class Sensitivity {
    /** Standard deviation of the mains volts about the nominal ones, as a fraction. */
    public static final double LINE_SPREAD = 0.02;

    /** Standard deviation of how far an oscillator swings, as a fraction: its coil's losses and its tuning differ. */
    public static final double SWING_SPREAD = 0.15;

    private static final double STEP = 0.01;
    /** A grid that rectifies its own swing draws its current at the peaks alone, and bends there. */
    private static final double SWING_STEP = 2e-4;

    private final Circuit circuit;
    private final Map<String, Double> spreads;
    private final Map<String, double[]> slopes;
    private final double[] behind;

    private Sensitivity(Circuit circuit, Map<String, Double> spreads, Map<String, double[]> slopes, double[] behind) {
        this.behind = behind;
        this.circuit = circuit;
        this.spreads = spreads;
        this.slopes = slopes;
    }

    /** About a solved set; empty if it did not settle. */
    public static Optional<Sensitivity> about(
            Simulator engine, Chassis chassis, Setting setting, OperatingPoint solved) {
        return about(engine, chassis, setting, solved, circuit -> circuit);
    }

    /** About a set solved with a meter at a net. */
    public static Optional<Sensitivity> about(
            Simulator engine, Chassis chassis, Setting setting, OperatingPoint solved, String net, double ohms) {
        return about(engine, chassis, setting, solved, circuit -> Simulator.metered(circuit, net, ohms));
    }

    private static Optional<Sensitivity> about(
            Simulator engine, Chassis chassis, Setting setting, OperatingPoint solved, UnaryOperator<Circuit> dressed) {
        Optional<LinearizedCircuit> tangent = LinearizedCircuit.at(solved.direct());
        if (tangent.isEmpty()) return Optional.empty();
        Map<String, Double> spreads = spreads(chassis);
        Map<String, double[]> slopes = new LinkedHashMap<>();
        for (String part : spreads.keySet()) {
            Optional<Element.Resistor> alone = engine.alone(chassis, setting, part, solved);
            slopes.put(
                    part,
                    alone.isPresent()
                            ? larger(tangent.get(), solved, alone.get())
                            : stepped(engine, chassis, setting, part, solved, tangent.get(), dressed));
        }
        return Optional.of(new Sensitivity(
                solved.direct().circuit(), spreads, slopes, tangent.get().behind()));
    }

    /** A resistor that grows passes less by its own current: as if that were driven back through it. */
    private static double[] larger(LinearizedCircuit tangent, OperatingPoint solved, Element.Resistor r) {
        double amperes = solved.direct().amperes(r)[0];
        return tangent.driven(r.a(), r.b(), amperes);
    }

    private static double[] stepped(
            Simulator engine,
            Chassis chassis,
            Setting setting,
            String part,
            OperatingPoint solved,
            LinearizedCircuit tangent,
            UnaryOperator<Circuit> dressed) {
        Map<String, Double> trims = new LinkedHashMap<>(setting.trims());
        String changing = Setting.trimmed(part);
        double step = changing.equals(part) ? STEP : SWING_STEP;
        trims.merge(part, 1 + step, (a, b) -> a * b);
        Setting nudged = setting.withTrims(trims);
        Circuit changed = engine.replaced(chassis, setting, nudged, changing, solved)
                .orElseGet(() -> dressed.apply(engine.near(chassis, setting, nudged, changing, solved)));
        double[] moves = tangent.towards(changed);
        for (int i = 0; i < moves.length; i++) moves[i] /= step;
        return moves;
    }

    /** Whether a tube is a converter, or stands at the coil of an FM oscillator. */
    private static boolean oscillates(Chassis chassis, Part p) {
        boolean converts =
                Sockets.type(p).flatMap(t -> t.section(Section.Kind.HEPTODE)).isPresent();
        return converts
                || (p.isTube()
                        && chassis.parts().stream()
                                .anyMatch(c -> c.is(PartRole.FM_OSCILLATOR_COIL)
                                        && p.nets().values().stream().anyMatch(c::touches)));
    }

    /** The standard deviation of every part that a set's volts hang on, of how far oscillators swing, and of the line, as fractions. */
    public static Map<String, Double> spreads(Chassis chassis) {
        Map<String, Double> spreads = new LinkedHashMap<>();
        for (Part p : chassis.parts()) {
            if (p.component() instanceof Component.Resistor r && r.ohms() > 0)
                spreads.put(p.reference(), Math.max(0.01, r.tolerance() / 2));
            else if (p.device().isPresent() && Sockets.type(p).isPresent())
                spreads.put(p.reference(), Specimen.spread(p));
            if (oscillates(chassis, p)) spreads.put(Setting.swing(p.reference()), SWING_SPREAD);
        }
        spreads.put(Setting.LINE, LINE_SPREAD);
        return spreads;
    }

    /** The parts, and the line, that were varied. */
    public List<String> parts() {
        return new ArrayList<>(spreads.keySet());
    }

    /** The standard deviation of a part, as a fraction of its value. */
    public double spread(String part) {
        return spreads.get(part);
    }

    /** Volts by which a net rises while a part doubles, if it went on as it begins; 0 for the reference. */
    public double slope(String net, String part) {
        int node = circuit.node(net).orElseThrow(() -> new IllegalArgumentException("no net " + net));
        return node == Circuit.REFERENCE ? 0 : slopes.get(part)[node];
    }

    /** Volts by which one standard deviation of each of {@link #parts} moves a net, in their order. */
    public double[] moves(String net) {
        double[] moves = new double[spreads.size()];
        int k = 0;
        for (Map.Entry<String, Double> e : spreads.entrySet()) moves[k++] = slope(net, e.getKey()) * e.getValue();
        return moves;
    }

    /** Ohms behind a net, as a meter finds them; 0 for the reference. */
    public double behind(String net) {
        int node = circuit.node(net).orElse(Circuit.REFERENCE);
        return node == Circuit.REFERENCE ? 0 : behind[node];
    }

    /** Covariance of the volts of two nets, in square volts. */
    public double covariance(String one, String other) {
        double sum = 0;
        for (String part : spreads.keySet()) {
            double s = spreads.get(part);
            sum += slope(one, part) * slope(other, part) * s * s;
        }
        return sum;
    }

    /** Standard deviation of a net's volts. */
    public double deviation(String net) {
        return Math.sqrt(covariance(net, net));
    }
}
