package anabion.core.reading;

import java.util.Locale;
import java.util.Optional;

/** The station or generator that a set hears while a reading is taken. */
public enum SignalLevel {
    /** Strong enough that the automatic volume control works. */
    STRONG(7),
    /** Some signal, in words of its own: nobody knows how strong. */
    OTHER(0);

    private final double carrier;

    SignalLevel(double carrier) {
        this.carrier = carrier;
    }

    /** Volts of the carrier's peaks at the detector, as a near station brings them to a usual set; 0 where nobody knows. */
    public double carrier() {
        return carrier;
    }

    /** The level of the words that a reading carries; empty where there is none, or nothing was said of one. */
    public static Optional<SignalLevel> of(String words) {
        return switch (words.strip().toLowerCase(Locale.ROOT)) {
            case "", "none" -> Optional.empty();
            case "strong" -> Optional.of(STRONG);
            default -> Optional.of(OTHER);
        };
    }
}
