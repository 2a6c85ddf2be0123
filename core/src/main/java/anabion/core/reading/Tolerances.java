package anabion.core.reading;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import java.util.OptionalDouble;

/**
 * When a reading counts as off: policy of the shop or the set.
 *
 * @param usual overrides the chart's own tolerance, as a fraction; empty to use the chart's
 * @param floor volts that no reading can be blamed for, whatever the percentage
 * @param drift beyond the tolerance, up to so many times of it, a value drifts; further out it is out
 */
public record Tolerances(OptionalDouble usual, double floor, double drift) {
    /** The chart's tolerance, a quarter of a volt, and drifting up to one and a half tolerances. */
    public static final Tolerances STANDARD = new Tolerances(OptionalDouble.empty(), 0.25, 1.5);

    /** What of a reading no percentage is held against, in volts: nothing of the alternating volts of a winding, which no grid current or thermal drift moves. */
    public double floor(Measure measure) {
        return measure == Measure.AC_VOLTS ? 0 : floor;
    }

    /** Share of the supply that no reading can be blamed for. */
    private static final double FLOOR = 0.006;

    /** The standard, with a floor that a set on a few volts can use: a quarter of a volt would excuse a transistor anything. */
    public static Tolerances usual(Chassis chassis) {
        double volts = chassis.supply().volts();
        return volts > 0
                ? new Tolerances(STANDARD.usual, Math.min(STANDARD.floor, FLOOR * volts), STANDARD.drift)
                : STANDARD;
    }
}
