package anabion.instruments.simulated;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Random;

/**
 * What instruments show of what is there: in a range, with an error of their own, in steps of their last digit. Errors are one instrument's: they stay while it
 * does.
 */
final class Shown {
    /** SCPI's answer for beyond the range. */
    static final String BEYOND = "9.9E+37";

    private static final double DECADE = 10;
    private static final double ERROR = 0.004;
    private static final double DIGITS = 20000;
    private static final double OHMS_ERROR = 0.006;
    private static final double WATTS_ERROR = 0.015;
    private static final double LEAST_AMPERES = 1e-5;
    private static final double LEAST_WATTS = 1e-3;
    private static final double MOST_DC = 1000;
    private static final double MOST_AC = 750;
    private static final double LEAST_VOLTS = 0.2;
    private static final double LEAST_OHMS = 200;
    private static final double MOST_OHMS = 20e6;

    private final double direct;
    private final double alternating;
    private final double ohms;
    private final double watts;

    /** @param seed tells one set of instruments from another */
    Shown(long seed) {
        Random random = new Random(seed ^ 0x5EED);
        direct = 1 + ERROR * random.nextGaussian();
        alternating = 1 + ERROR * random.nextGaussian();
        ohms = 1 + OHMS_ERROR * random.nextGaussian();
        watts = 1 + WATTS_ERROR * random.nextGaussian();
    }

    /** @param expected chooses the range; empty for the smallest that holds it */
    String direct(double volts, OptionalDouble expected) {
        return shown(volts * direct, expected, LEAST_VOLTS, MOST_DC);
    }

    String alternating(double volts, OptionalDouble expected) {
        return shown(volts * alternating, expected, LEAST_VOLTS, MOST_AC);
    }

    String ohms(double value) {
        return shown(value * ohms, OptionalDouble.empty(), LEAST_OHMS, MOST_OHMS);
    }

    String amperes(double value) {
        return figures(value * watts, LEAST_AMPERES);
    }

    String watts(double value) {
        return figures(value * watts, LEAST_WATTS);
    }

    /** To four figures, as far as the last digit goes. */
    private static String figures(double value, double least) {
        double step = Math.max(least, Math.pow(10, Math.floor(Math.log10(Math.max(Math.abs(value), least))) - 3));
        return number(Math.rint(value / step) * step);
    }

    private static String shown(double value, OptionalDouble expected, double least, double most) {
        double wanted = expected.isPresent() ? Math.abs(expected.getAsDouble()) : Math.abs(value);
        double range = least;
        while (range < wanted && range < most) range = Math.min(most, range * DECADE);
        if (!(Math.abs(value) <= range)) return BEYOND;
        double step = range / DIGITS;
        return number(Math.rint(value / step) * step);
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, "%+.5E", value);
    }
}
