package anabion.core.power;

import java.util.List;

/**
 * A fuse for one set: the fuse of a variac or a bench supply is sized for its own copper and protects no set.
 *
 * @param amperes rated
 */
public record Fuse(double amperes) {
    /** Ratings by IEC 60127, and those usual on 110 to 130 V lines. */
    private static final List<Double> METRIC = List.of(
            0.05, 0.063, 0.08, 0.1, 0.125, 0.16, 0.2, 0.25, 0.315, 0.4, 0.5, 0.63, 0.8, 1.0, 1.25, 1.6, 2.0, 2.5, 3.15,
            4.0, 5.0, 6.3, 8.0, 10.0);

    private static final List<Double> AMERICAN = List.of(
            0.0625, 0.1, 0.125, 0.1875, 0.25, 0.375, 0.5, 0.75, 1.0, 1.25, 1.5, 2.0, 2.5, 3.0, 4.0, 5.0, 7.0, 7.5,
            10.0);

    private static final double AMERICAN_LINE = 130;
    /** Over the working current: a time-lag fuse holds the inrush of cold heaters and empty filters at this. */
    private static final double MARGIN = 1.6;

    /**
     * The next time-lag rating above {@value #MARGIN} times the current of a sound set.
     *
     * @param line volts
     * @param amperes effective, that the set takes
     */
    public static Fuse of(double line, double amperes) {
        List<Double> ratings = line > 60 && line <= AMERICAN_LINE ? AMERICAN : METRIC;
        return new Fuse(ratings.stream()
                .filter(r -> r >= MARGIN * amperes)
                .findFirst()
                .orElse(ratings.get(ratings.size() - 1)));
    }
}
