package anabion.core.device.model;

/**
 * A tungsten filament in thermal balance: dial lamp, series lamp, tube heater.
 *
 * <p>R grows with temperature as T^1.2 and the filament radiates as T^4, less what comes back from surroundings at 300 K, while its
 * leads conduct a little away; from a hot temperature of 2700 K (lamps) or 1050 K (heaters, whose cold resistance is a sixth to a
 * seventh of hot). Between the ends the current rises monotonically with the volts. (Source: textbook properties of tungsten.)
 *
 * @param volts rated
 * @param amperes at the rated volts
 * @param hot temperature at the rated volts in kelvin
 */
public record LampLaw(double volts, double amperes, double hot) implements FilamentLaw {
    private static final double ROOM = 300;
    /** Of the rated temperature: above it tungsten melts. */
    private static final double HOTTEST = 1.36;

    private static final int HALVINGS = 40;
    /** Kelvin of a lamp filament at its rated volts. */
    public static final double LAMP = 2700;

    /** Hot resistance. */
    @Override
    public double ohms(double effective) {
        double rated = volts / amperes;
        return rated * Math.pow(kelvin(effective) / hot, 1.2);
    }

    /** Temperature of the filament: the balance of V²/R(T) and the heat it gives away, by Newton's method in ln T. */
    public double kelvin(double effective) {
        double power = effective * effective / (volts * volts);
        double full = heat(1);
        double t = Math.max(ROOM / hot, Math.pow(Math.max(power, 1e-12), 1 / 5.2));
        for (int n = 0; n < 40; n++) {
            double f = heat(t) / full * Math.pow(t, 1.2) - power;
            double slope = (f + power) * 1.2 / t + heatSlope(t) / full * Math.pow(t, 1.2);
            double next = Math.max(ROOM / hot, t - f / slope);
            if (Math.abs(next - t) < 1e-12) break;
            t = next;
        }
        return t * hot;
    }

    /**
     * Volts across it when a current heats it: the balance of I²R(T) and the heat it gives away, by halving the temperature.
     *
     * @param current effective amperes
     */
    public double across(double current) {
        double share = current / amperes;
        double low = ROOM / hot;
        double high = HOTTEST;
        for (int n = 0; n < HALVINGS; n++) {
            double t = (low + high) / 2;
            if (radiated(t) < share * share * Math.pow(t, 1.2)) low = t;
            else high = t;
        }
        return current * volts / amperes * Math.pow(low, 1.2);
    }

    /** Volts across it at a temperature of its filament, in kelvin. */
    public double acrossAt(double kelvin) {
        double t = kelvin / hot;
        return volts * Math.sqrt(Math.max(0, radiated(t)) * Math.pow(t, 1.2));
    }

    /** Amperes through it at a temperature of its filament, in kelvin. */
    public double amperesAt(double kelvin) {
        double t = kelvin / hot;
        return amperes * Math.sqrt(Math.max(0, radiated(t)) / Math.pow(t, 1.2));
    }

    /** Share of the rated light-giving temperature reached above room, 0 cold to 1 at the rated volts. */
    public double glow(double effective) {
        return (kelvin(effective) - ROOM) / (hot - ROOM);
    }

    /**
     * The heat that it gives away, over that at its rated volts.
     *
     * @param t temperature over {@link #hot}
     */
    public double radiated(double t) {
        return heat(t) / heat(1);
    }

    private double heat(double t) {
        double cold = ROOM / hot;
        return Math.pow(t, 4) - Math.pow(cold, 4) + 0.03 * (t - cold);
    }

    private static double heatSlope(double t) {
        return 4 * t * t * t + 0.03;
    }
}
