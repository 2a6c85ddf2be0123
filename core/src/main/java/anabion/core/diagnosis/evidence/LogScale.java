package anabion.core.diagnosis.evidence;

/**
 * The logarithmic scale on which ohms, amperes, levels and frequencies are compared, from the least to the most that an instrument shows.
 *
 * @param least decimal logarithm of the least
 * @param most decimal logarithm of the most
 */
public record LogScale(double least, double most) {
    /** From here on an ohmmeter shows no more than open. */
    public static final double OPEN_OHMS = 3e7;

    /** Of an ohmmeter: from what its leads have to what it calls open. */
    public static final LogScale OHMS = new LogScale(Math.log10(0.3), Math.log10(OPEN_OHMS));

    /** Of a frequency counter; what does not run is the least. */
    public static final LogScale HERTZ = new LogScale(4, 9);

    /** Of an ammeter, from what a dead set still seems to take. */
    public static final LogScale AMPERES = new LogScale(Math.log10(3e-4), 2);

    /** Of a generator's level, in volts. */
    public static final LogScale VOLTS = new LogScale(-8, 2);

    /** The decimal logarithm of a value, within the scale; of nothing, the least. */
    public double of(double value) {
        return value > 0 ? Math.max(least, Math.min(most, Math.log10(value))) : least;
    }

    /** Decades from one end to the other. */
    public double range() {
        return most - least;
    }
}
