package anabion.core.quantity;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Preferred values. E3 to E24 are the tables of IEC 60063; E48 to E192 are 10^(i/n) rounded to three figures, with the
 * standard's one exception (920 in E192). Voltage ratings are the usual trade series for each kind of capacitor.
 */
public final class Series {
    public static final Series E3 = table(1, 2.2, 4.7);
    public static final Series E6 = table(1, 1.5, 2.2, 3.3, 4.7, 6.8);
    public static final Series E12 = table(1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2);
    public static final Series E24 = table(
            1, 1.1, 1.2, 1.3, 1.5, 1.6, 1.8, 2, 2.2, 2.4, 2.7, 3, 3.3, 3.6, 3.9, 4.3, 4.7, 5.1, 5.6, 6.2, 6.8, 7.5, 8.2,
            9.1);
    public static final Series E48 = computed(48);
    public static final Series E96 = computed(96);
    public static final Series E192 = computed(192);

    /** Not of parts: steps that are easily read off an axis. */
    public static final Series AXIS = table(1, 2, 5);

    private static final double[] ELECTROLYTIC = {6.3, 10, 16, 25, 35, 50, 63, 100, 160, 200, 250, 350, 400, 450, 500};
    private static final double[] FILM = {63, 100, 160, 250, 400, 630, 1000, 1250, 1600, 2000};

    private final double[] mantissas;

    private Series(double[] mantissas) {
        this.mantissas = mantissas;
    }

    private static Series table(double... mantissas) {
        return new Series(mantissas);
    }

    private static Series computed(int n) {
        double[] m = new double[n];
        for (int i = 0; i < n; i++) m[i] = Math.round(100 * Math.pow(10, (double) i / n)) / 100.0;
        if (n == 192) m[185] = 9.20;
        return new Series(m);
    }

    /** Values in a decade. */
    public int size() {
        return mantissas.length;
    }

    /** Whether the value is in the series, to within rounding. */
    public boolean contains(double value) {
        return Math.abs(nearest(value) / value - 1) < 1e-6;
    }

    /** The member with the smallest relative deviation from a positive value. */
    public double nearest(double value) {
        double above = atOrAbove(value);
        double below = atOrBelow(value);
        return above / value < value / below ? above : below;
    }

    /** The smallest member not below a positive value. */
    public double atOrAbove(double value) {
        double decade = decade(value);
        for (double m : mantissas) if (m * decade >= value * (1 - 1e-9)) return m * decade;
        return 10 * decade;
    }

    /** The largest member not above a positive value. */
    public double atOrBelow(double value) {
        double decade = decade(value);
        for (int i = mantissas.length - 1; i >= 0; i--) {
            if (mantissas[i] * decade <= value * (1 + 1e-9)) return mantissas[i] * decade;
        }
        throw new IllegalStateException("unreachable: the decade's first member is at or below the value");
    }

    private static double decade(double value) {
        if (!(value > 0) || Double.isInfinite(value))
            throw new IllegalArgumentException("a preferred value is positive and finite: " + value);
        return Math.pow(10, Math.floor(Math.log10(value) + 1e-12));
    }

    /** The usual electrolytic rating at or above so many volts; empty above the series. */
    public static List<Double> electrolyticVolts(double atLeast) {
        return atOrAbove(ELECTROLYTIC, atLeast);
    }

    /** The usual film ratings at or above so many volts; empty above the series. */
    public static List<Double> filmVolts(double atLeast) {
        return atOrAbove(FILM, atLeast);
    }

    private static List<Double> atOrAbove(double[] series, double atLeast) {
        List<Double> found = new ArrayList<>();
        Arrays.stream(series).filter(v -> v >= atLeast).forEach(found::add);
        return found;
    }
}
