package anabion.core.quantity;

/** Frequencies as dials print and people type them: bare, in kilohertz, on high bands in megahertz. */
public final class DialFrequency {
    /** A bare number from which on hertz are meant. */
    private static final double HERTZ = 50e3;

    private static final double HIGH_BAND = 3e6;
    /** A bare number below this is in megahertz where nothing else tells: no dial begins so low in kilohertz. */
    private static final double MEGA = 120;

    private DialFrequency() {}

    /**
     * A typed number in hertz.
     *
     * @param about a frequency of the same dial or circuit, in hertz
     */
    public static double near(double typed, double about) {
        return typed >= HERTZ ? typed : typed * (high(about) ? 1e6 : 1e3);
    }

    /** A typed number in hertz, where nothing tells of which dial. */
    public static double alone(double typed) {
        return typed >= HERTZ ? typed : typed * (typed < MEGA ? 1e6 : 1e3);
    }

    /** Whether a dial of this frequency, in hertz, is printed in megahertz. */
    public static boolean high(double hertz) {
        return hertz >= HIGH_BAND;
    }

    /** As dials are printed, without a unit. */
    public static String printed(double hertz) {
        return high(hertz) ? Figures.fixed(hertz / 1e6, 1) : Figures.fixed(hertz / 1e3, 0);
    }
}
