package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a digit or segment of a display shows while its input is followed, against what it should. */
public enum DisplayOutcome implements Coded {
    /** As it should be. */
    LIT(Outcome.LOUD),
    DARK(Outcome.NOTHING),
    /** Whatever its input says. */
    ALWAYS(Outcome.DISTORTED),
    /** Faintly, beside what is meant. */
    GHOST(Outcome.WEAK);

    private final Outcome outcome;

    DisplayOutcome(Outcome outcome) {
        this.outcome = outcome;
    }

    /** As which outcome of a chain it counts. */
    public Outcome outcome() {
        return outcome;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Of its word, or its first letter. */
    public static Optional<DisplayOutcome> said(String word) {
        String small = word.toLowerCase(Locale.ROOT);
        return Arrays.stream(values())
                .filter(d -> d.code().equals(small) || d.code().substring(0, 1).equals(small))
                .findFirst();
    }

    /** How a display's outcome is called; empty for what no display does. */
    public static Optional<DisplayOutcome> of(Outcome outcome) {
        return Arrays.stream(values()).filter(d -> d.outcome == outcome).findFirst();
    }
}
