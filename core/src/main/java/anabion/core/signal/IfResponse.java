package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.circuit.SmallSignal;
import anabion.core.error.InputException;
import anabion.core.signal.Gains.Response;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;

/**
 * The selectivity of a band's intermediate frequency from a point to its detector, with the cores where the setting's trims have them.
 *
 * @param centre where it is highest, in hertz
 * @param width between the points 6 dB down, in hertz; empty where the sweep does not reach them
 * @param points against the highest, over a tenth of the intermediate frequency
 */
public record IfResponse(String from, double centre, Optional<Double> width, List<Response> points) {
    private static final int SWEEP = 201;
    private static final double SPAN = 0.1;
    private static final double GOLDEN = (Math.sqrt(5) - 1) / 2;
    private static final double EXACT = 1e-7;
    private static final double DOWN = 6;

    public IfResponse {
        points = List.copyOf(points);
    }

    /**
     * Sweeps a generator at a net.
     *
     * @param at empty for the converter's plate
     * @throws InputException if the band has no intermediate frequency, converter or detector, or the net is not there
     */
    public static IfResponse of(Simulator engine, Chassis chassis, Setting setting, Band band, Optional<String> at) {
        Setting here = setting.withBand(band.name());
        SignalPath path = SignalPath.of(chassis, band);
        Ends ends = Ends.of(chassis, band, true);
        double middle = Frequencies.intermediate(chassis, Optional.of(band))
                .filter(f -> path.converter().isPresent() && ends.detector().isPresent())
                .orElseThrow(() -> InputException.at(band.name())
                        .because("no intermediate frequency is found on this band")
                        .so("print it on an IF transformer, like 465 kHz, and name the stages of the band"));
        OperatingPoint solved = engine.solve(chassis, here);
        if (!solved.converged())
            throw InputException.at(chassis.name())
                    .because("the circuit does not settle")
                    .so("check it with solve");
        SmallSignal network = new Networks(chassis, here, solved, Optional.of(band)).aligned();
        String from = at.orElseGet(() -> path.converter().orElseThrow().outputNet());
        if (network.circuit().node(from).isEmpty() || from.equals(chassis.reference()))
            throw InputException.at(from)
                    .because("there is no such net to drive")
                    .so("name a net or a pin, such as "
                            + path.converter().orElseThrow().inputNet());
        DoubleUnaryOperator size = f ->
                ends.atDiode(network.at(f).driven(from, chassis.reference())).size();
        return swept(from, size, middle);
    }

    private static IfResponse swept(String from, DoubleUnaryOperator size, double middle) {
        double step = SPAN * middle / (SWEEP - 1);
        double[] hertz = new double[SWEEP];
        double[] sizes = new double[SWEEP];
        int best = 0;
        for (int n = 0; n < SWEEP; n++) {
            hertz[n] = middle * (1 - SPAN / 2) + n * step;
            sizes[n] = size.applyAsDouble(hertz[n]);
            if (sizes[n] > sizes[best]) best = n;
        }
        double centre = highest(size, hertz[Math.max(0, best - 1)], hertz[Math.min(SWEEP - 1, best + 1)]);
        double top = size.applyAsDouble(centre);
        List<Response> points = new ArrayList<>();
        for (int n = 0; n < SWEEP; n++) points.add(new Response(hertz[n], Survey.decibels(sizes[n] / top)));
        return new IfResponse(from, centre, Gains.width(points, DOWN), points);
    }

    /** Golden section. */
    private static double highest(DoubleUnaryOperator size, double low, double high) {
        double a = low;
        double b = high;
        double x = b - GOLDEN * (b - a);
        double y = a + GOLDEN * (b - a);
        double fx = size.applyAsDouble(x);
        double fy = size.applyAsDouble(y);
        while (b - a > EXACT * b) {
            if (fx > fy) {
                b = y;
                y = x;
                fy = fx;
                x = b - GOLDEN * (b - a);
                fx = size.applyAsDouble(x);
            } else {
                a = x;
                x = y;
                fx = fy;
                y = a + GOLDEN * (b - a);
                fy = size.applyAsDouble(y);
            }
        }
        return (a + b) / 2;
    }
}
