package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;
import java.util.Optional;

/** What was put into a point, or followed to it. */
public enum SignalKind implements Coded {
    AF,
    IF,
    RF,
    /** A level in a display. */
    LEVEL,
    /** Where a stage stands for its input, and no more is known. */
    STAGE;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The kind of a code as in files; empty for another word. */
    public static Optional<SignalKind> named(String code) {
        return Coded.find(values(), code);
    }

    /** Whether it is a frequency of the set's path rather than a level or a stage. */
    public boolean isOfPath() {
        return this == AF || this == IF || this == RF;
    }
}
