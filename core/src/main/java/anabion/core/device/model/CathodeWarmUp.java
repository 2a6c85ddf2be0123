package anabion.core.device.model;

/**
 * How a cathode warms: the heat that its heater takes, less what it gives away, over its heat capacity.
 *
 * <p>Method: the balance of {@link LampLaw} in motion, τ·dx/dt = u²·x^−1.2 − P(x)/P(1), with x the temperature over that at rated volts and u the share of the
 * rated volts, by Euler's method in steps of a hundredth of τ. A dropper in a heater chain holds the volts back while the heaters are cold and low in ohms.
 * τ is chosen such that half of the emission is there after the times that {@link Kind} names (usual figures of data sheets and of the bench).
 */
public final class CathodeWarmUp {
    /** How a cathode is heated. */
    public enum Kind {
        /** A filament that emits itself: half after a second. */
        FILAMENT(3),
        /** A small tube's cathode: half after 11 seconds. */
        CATHODE(31),
        /** A rectifier's larger cathode: half after 15 seconds. */
        LARGE_CATHODE(43);

        private final double seconds;

        Kind(double seconds) {
            this.seconds = seconds;
        }
    }

    /** Room temperature over that at the rated volts. */
    public static final double COLD = 300 / 1050.0;

    private static final double STEP = 0.01;
    private static final LampLaw WIRE = new LampLaw(1, 1, 1050);

    private CathodeWarmUp() {}

    /**
     * The emission some time after switching on, as a share of the full one.
     *
     * @param heat share of its rated volts that the heater has in the end
     * @param dropped share of the line that its chain drops in a resistor, 0 for a winding
     * @param seconds from cold
     */
    public static double emission(Kind kind, double heat, double dropped, double seconds) {
        return emission(after(kind, COLD, heat, dropped, seconds));
    }

    /**
     * The temperature of a heater some time later, over that at its rated volts.
     *
     * @param before its temperature now; {@link #COLD} at room temperature
     * @param heat share of its rated volts that it would have in the end; 0 where it is off
     * @param dropped share of the line that its chain drops in a resistor, 0 for a winding
     */
    public static double after(Kind kind, double before, double heat, double dropped, double seconds) {
        double x = before;
        double step = STEP * kind.seconds;
        for (double t = 0; t < seconds; t += step) {
            double ohms = Math.pow(x, 1.2);
            double u = heat * ohms / ((1 - dropped) * ohms + dropped);
            x = Math.max(COLD, x + STEP * (u * u / ohms - WIRE.radiated(x)));
        }
        return x;
    }

    /**
     * The emission at a temperature of the heater, as a share of the full one.
     *
     * @param temperature over that at its rated volts
     */
    public static double emission(double temperature) {
        return Heated.emission(Math.sqrt(Math.max(0, WIRE.radiated(temperature)) * Math.pow(temperature, 1.2)));
    }
}
