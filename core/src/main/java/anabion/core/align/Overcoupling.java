package anabion.core.align;

import anabion.core.job.AlignmentEntry.Sample;
import java.util.List;
import java.util.Optional;

/**
 * A selectivity curve with two humps: a can whose windings are coupled beyond the critical point. Its cores have no peak of their own while both swing, so that each is
 * turned with the other winding damped.
 *
 * <p>Source: two like coupled circuits peak at f·(1 ± √(k² − 1/Q²)/2) (any textbook of radio), so that the distance of the humps tells the coupling; the windings' Q
 * is the usual one.
 *
 * @param lower hertz of the lower hump; {@code upper} of the other
 * @param dip decibels by which the valley between lies below the lesser hump
 */
public record Overcoupling(double lower, double upper, double dip) {
    /** A valley that no meter's error makes, in decibels. */
    private static final double LEAST_DIP = 0.5;

    private static final double QUALITY = 100;
    /** Share of the critical coupling at which a winding peaks by itself. */
    private static final double LOOSE = 0.5;

    /** @return empty for a curve with one peak, or one that goes through zero */
    static Optional<Overcoupling> of(MeasuredCurve curve) {
        if (curve.crosses()) return Optional.empty();
        List<Sample> all = curve.samples();
        Optional<Overcoupling> found = Optional.empty();
        for (int valley = 1; valley < all.size() - 1; valley++) {
            Sample left = highest(all.subList(0, valley));
            Sample right = highest(all.subList(valley + 1, all.size()));
            double dip = 20
                    * Math.log10(Math.min(left.volts(), right.volts())
                            / Math.max(all.get(valley).volts(), Double.MIN_NORMAL));
            if (dip > found.map(Overcoupling::dip).orElse(LEAST_DIP))
                found = Optional.of(new Overcoupling(left.hertz(), right.hertz(), dip));
        }
        return found;
    }

    private static Sample highest(List<Sample> some) {
        Sample most = some.get(0);
        for (Sample s : some) if (s.volts() > most.volts()) most = s;
        return most;
    }

    /** The coupling factor of its windings. */
    public double coupling() {
        double apart = (upper - lower) / ((upper + lower) / 2);
        return Math.hypot(apart, 1 / QUALITY);
    }

    /**
     * Ohms across one winding that leave its neighbour a peak of its own: coupling at half the critical one, k·√(Q₁Q₂).
     *
     * @param henries of the winding that is damped
     */
    public double damping(double henries) {
        double damped = LOOSE * LOOSE / (coupling() * coupling() * QUALITY);
        return damped * 2 * Math.PI * (lower + upper) / 2 * henries;
    }
}
