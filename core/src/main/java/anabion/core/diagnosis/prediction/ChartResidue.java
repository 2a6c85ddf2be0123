package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chart;
import anabion.core.chassis.ChartRow;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.Points;
import anabion.core.simulation.chart.Calibration;
import java.util.HashMap;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * What a service chart shows beyond the model that was fitted to it: the model's own error for this design, for no part within its tolerance explains it. It moves what is foreseen at the same net, with a
 * spread of its own; at nets without a charted value the usual size of such errors in this set is a spread alone.
 *
 * <p>Method: where a hypothesis puts a net far from where it stands in a sound set, the error found there says little of it; it counts by the ratio of the smaller of the two volts to the larger.
 */
final class ChartResidue {
    static final ChartResidue NONE = new ChartResidue(Map.of(), 0, 0);

    /** Of a residue, how much of it may be the charted specimen's or the printer's own: a standard deviation. */
    private static final double OWN = 0.5;
    /** Where nothing is charted the model errs about as it does elsewhere in the set; it does not know which way. */
    private static final double ELSEWHERE = 0.7;

    private final Map<String, Double> offsets;
    private final double line;
    private final double share;

    private ChartResidue(Map<String, Double> offsets, double line, double share) {
        this.offsets = Map.copyOf(offsets);
        this.line = line;
        this.share = share;
    }

    /** Of a set with its chart; rows that the circuit does not explain at all are left out. */
    static ChartResidue of(Chassis chassis, Calibration fitted) {
        if (chassis.chart().isEmpty()) return NONE;
        Chart chart = chassis.chart().get();
        Points points = Points.of(chassis);
        Map<String, Double> offsets = new HashMap<>();
        double sum = 0;
        for (ChartRow r : chart.rows()) {
            String row = Calibration.key(r.point(), r.measure());
            boolean own =
                    r.band().isEmpty() || r.band().equals(chart.conditions().band());
            if (r.measure() != Measure.DC_VOLTS || !own || !fitted.fits(row)) continue;
            double left = fitted.offset(row, chart.conditions().line());
            offsets.put(points.need(r.point()).net(), left);
            sum += Math.pow(left / Math.max(1, Math.abs(r.value())), 2);
        }
        return new ChartResidue(
                offsets, chart.conditions().line(), offsets.isEmpty() ? 0 : Math.sqrt(sum / offsets.size()));
    }

    /**
     * What it adds to a net.
     *
     * @param volts that a hypothesis puts there, and {@code sound} those of a sound set
     * @param at volts of the line
     */
    double shift(String net, double volts, double sound, double at) {
        return offsets.getOrDefault(net, 0.0) * restated(at) * likeness(volts, sound);
    }

    /** Standard deviation of what it adds, in volts. */
    double spread(String net, double volts, double sound, double at) {
        OptionalDouble left =
                offsets.containsKey(net) ? OptionalDouble.of(offsets.get(net) * restated(at)) : OptionalDouble.empty();
        double size = left.isPresent() ? OWN * Math.abs(left.getAsDouble()) : ELSEWHERE * share * Math.abs(sound);
        return size * likeness(volts, sound);
    }

    private double restated(double at) {
        return line > 0 ? at / line : 1;
    }

    private static double likeness(double volts, double sound) {
        if (volts * sound <= 0) return 0;
        double a = Math.abs(volts);
        double b = Math.abs(sound);
        return Math.min(a, b) / Math.max(a, b);
    }
}
