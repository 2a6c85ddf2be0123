package anabion.core.quantity;

import anabion.core.error.InputException;
import java.util.Optional;

/**
 * The one reader of written values: RKM code of IEC 60062 ({@code 6k8}, {@code R33}), old American lists ({@code .05 mfd},
 * {@code 50 mmf}), old European spellings ({@code M47}, {@code 3k3p}, {@code 500 cm}), sections and ratings
 * ({@code 20+20/350}, {@code 50@12}), decimal point or comma.
 */
public final class Notation {
    private Notation() {}

    /**
     * Reads a value without knowing what it belongs to: what else it can be stands among the alternatives.
     *
     * @throws InputException naming the character where the text stops making sense
     */
    public static Decoded decode(String text) {
        return KindlessValue.decode(text);
    }

    /**
     * Reads a value that must be in a known unit, such as the value of a part whose kind is known. A bare number is taken
     * in the unit customary for it: ohms, volts, and so on; for capacitors microfarads or picofarads, whichever its size and its rating make plausible, with the
     * other as an alternative.
     *
     * @throws InputException if the text is no value or is in another unit
     */
    public static Decoded decode(String text, Unit expected) {
        if (expected == Unit.FARAD) {
            Optional<Decoded> can = CanSections.decode(text, t -> decode(t, expected));
            if (can.isPresent()) return can.get();
        }
        String plain = Spelling.canonical(text, Optional.of(expected));
        if (expected == Unit.FARAD) {
            Optional<Decoded> code = CapacitorCode.decode(plain);
            if (code.isPresent()) return code.get();
        }
        if (expected == Unit.OHM) {
            Optional<Decoded> ballast = BallastCode.decode(plain);
            if (ballast.isPresent()) return ballast.get();
        }
        if (expected == Unit.VOLT) {
            Optional<Decoded> level = SignalLevels.decode(plain);
            if (level.isPresent()) return level.get();
        }
        return new ValueReader(plain, Optional.of(expected)).read();
    }

    /** A value in a known unit that must not be ambiguous; SI. */
    public static double exact(String text, Unit expected) {
        return decode(text, expected).certain(text);
    }

    /** Ohms that no meter tells from an open circuit. */
    public static final double OPEN = 1e9;

    /**
     * Ohms as a meter of today shows them: M is mega, {@code open} is no passage at all.
     *
     * @throws InputException if it is no resistance, or below zero
     */
    public static double metered(String text) {
        String plain = text.strip();
        if (plain.equalsIgnoreCase("open")) return OPEN;
        if (plain.startsWith("-") || plain.startsWith("−"))
            throw InputException.at("\"" + plain + "\"")
                    .because("a resistance is not below zero")
                    .so("turn the probes round, or write open");
        return exact(plain.endsWith("M") ? plain + "eg" : plain, Unit.OHM);
    }
}
