package anabion.core.chassis;

import anabion.core.error.InputException;
import anabion.core.quantity.DialFrequency;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import java.util.Locale;

/**
 * From where to where the dial of a band goes.
 *
 * @param low hertz, above 0
 * @param high hertz, above {@code low}
 */
public record TuningRange(double low, double high) {
    private static final TuningRange MEDIUM = new TuningRange(520e3, 1620e3);
    /** Share by which a station may lie beyond the ends: a dial that is off shows it there. */
    private static final double BEYOND = 0.2;

    private static final TuningRange LONG = new TuningRange(150e3, 285e3);
    private static final TuningRange SHORT = new TuningRange(5.9e6, 18e6);
    private static final TuningRange FM = new TuningRange(87.5e6, 108e6);

    /** @throws InputException if it is not a range of radio frequencies */
    public TuningRange {
        if (!(low >= 50e3 && high <= 300e6 && high > low * 1.01))
            throw InputException.at(low / 1e3 + " to " + high / 1e3 + " kHz")
                    .because("a band goes from a lower to a higher frequency, between 50 kHz and 300 MHz")
                    .so("type it like MW 520-1620 or FM 87.5-108");
    }

    /** The usual one of a band of this kind and name, as the trade's dials of the fifties have them. */
    public static TuningRange usual(BandKind kind, String name) {
        if (kind == BandKind.FM) return FM;
        String capitals = name.toUpperCase(Locale.ROOT);
        if (capitals.startsWith("LW") || capitals.startsWith("LONG")) return LONG;
        if (capitals.startsWith("SW") || capitals.startsWith("KW") || capitals.startsWith("SHORT")) return SHORT;
        return MEDIUM;
    }

    /** A frequency between its ends, 0 at the lower. */
    public double at(double share) {
        return low + (high - low) * share;
    }

    /**
     * A frequency as people type it.
     *
     * @param typed in hertz, or bare in the unit of the dial: kilohertz, megahertz on high bands
     * @return hertz
     * @throws InputException if it lies far beyond the dial
     */
    public double meant(double typed) {
        double hertz = DialFrequency.near(typed, high);
        if (!(hertz >= low * (1 - BEYOND) && hertz <= high * (1 + BEYOND)))
            throw InputException.at(Figures.si(Quantity.hertz(hertz)))
                    .because("this lies beyond the dial, " + said())
                    .so("check the number, or the band");
        return hertz;
    }

    /** Both ends with their unit, as dials are printed. */
    public String said() {
        boolean mega = DialFrequency.high(high);
        return String.format(
                Locale.ROOT,
                mega ? "%.1f to %.1f MHz" : "%.0f to %.0f kHz",
                low / (mega ? 1e6 : 1e3),
                high / (mega ? 1e6 : 1e3));
    }
}
