package anabion.core.device.model;

import java.util.ArrayList;
import java.util.List;

/**
 * Finds a law of the space current that several published points hold to account.
 *
 * <p>Method: a search over amplification, exponent and softness for the least sum of logarithmic errors at the other points, a slope counting half, among the
 * laws that have the first point's current and its slope within {@value #FIRST}. A law follows the similarity of space-charge flow (all volts by a factor s,
 * the current by s to the 3/2), and where published points contradict that, as those of some beam tubes do, none meets them.
 */
final class SpaceFit {
    /** Logarithmic error of the first point's slope that is allowed. */
    private static final double FIRST = 0.09;
    /** Error in the current of another point from which on a search is worth while. */
    private static final double MISSED = 0.12;

    private static final double MISSED_SLOPE = 0.3;
    private static final double SLOPE_WEIGHT = 0.5;
    /** How little, against errors, a law is preferred that keeps the published amplification and slope. */
    private static final double KEEPING = 0.05;

    private static final double LEAST_EXPONENT = 1.2;
    private static final double MOST_EXPONENT = 2.4;
    private static final double SOFTEST = 6;
    private static final double HARDEST = 3000;
    private static final double STEP = 1e-3;

    private SpaceFit() {}

    /**
     * A published point.
     *
     * @param electrode volts of the plate of a triode, of the screen of a pentode with the plate's pull
     * @param siemens slope; 0 where not published
     */
    record Sample(double grid, double electrode, double amperes, double siemens) {}

    /** The law itself where it meets all points, else a better one if there is one. */
    static SpaceCurrent improved(SpaceCurrent law, List<Sample> points) {
        List<Sample> others = points.subList(1, points.size());
        if (others.stream().allMatch(s -> near(law, s))) return law;
        SpaceCurrent best = law;
        double least = cost(law, law.mu(), points);
        for (SpaceCurrent shape : shapes(law)) {
            SpaceCurrent tried = shape.times(points.get(0).amperes()
                    / shape.amperes(points.get(0).grid(), points.get(0).electrode()));
            double cost = cost(tried, law.mu(), points);
            if (cost < least) {
                least = cost;
                best = tried;
            }
        }
        return best;
    }

    private static List<SpaceCurrent> shapes(SpaceCurrent law) {
        List<SpaceCurrent> all = new ArrayList<>();
        for (double mu = 0.8; mu <= 1.2; mu += 0.05)
            for (double exponent = LEAST_EXPONENT; exponent <= MOST_EXPONENT; exponent += 0.1)
                for (double softness = SOFTEST; softness < HARDEST; softness *= 1.25)
                    all.add(SpaceCurrent.sharp(mu * law.mu(), exponent, softness, law.corner()));
        return all;
    }

    private static boolean near(SpaceCurrent law, Sample s) {
        return off(law.amperes(s.grid(), s.electrode()), s.amperes()) < MISSED
                && (s.siemens() == 0 || off(slope(law, s), s.siemens()) < MISSED_SLOPE);
    }

    private static double cost(SpaceCurrent law, double mu, List<Sample> points) {
        double first = off(slope(law, points.get(0)), points.get(0).siemens());
        if (first > FIRST) return Double.POSITIVE_INFINITY;
        double sum = KEEPING * (first + off(law.mu(), mu));
        for (Sample s : points.subList(1, points.size())) {
            sum += off(law.amperes(s.grid(), s.electrode()), s.amperes());
            if (s.siemens() > 0) sum += SLOPE_WEIGHT * off(slope(law, s), s.siemens());
        }
        return sum;
    }

    private static double off(double found, double published) {
        return Math.abs(Math.log(found / published));
    }

    private static double slope(SpaceCurrent law, Sample s) {
        return (law.amperes(s.grid() + STEP, s.electrode()) - law.amperes(s.grid() - STEP, s.electrode())) / (2 * STEP);
    }
}
