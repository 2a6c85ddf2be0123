package anabion.core.chassis;

import anabion.core.error.InputException;
import java.util.Locale;

/**
 * From where to where the dial of a band goes.
 *
 * @param low hertz, above 0
 * @param high hertz, above {@code low}
 */
public record TuningRange(double low, double high) {
    private static final TuningRange MEDIUM = new TuningRange(520e3, 1620e3);
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
}
