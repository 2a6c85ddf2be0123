package anabion.core.reading;

import java.util.Locale;
import java.util.Optional;

/** The station or generator that a set hears while a reading is taken. */
public enum SignalLevel {
    /** Strong enough that the automatic volume control works. */
    STRONG,
    /** Some signal, in words of its own. */
    OTHER;

    /** The level of the words that a reading carries; empty where there is none, or nothing was said of one. */
    public static Optional<SignalLevel> of(String words) {
        return switch (words.strip().toLowerCase(Locale.ROOT)) {
            case "", "none" -> Optional.empty();
            case "strong" -> Optional.of(STRONG);
            default -> Optional.of(OTHER);
        };
    }
}
