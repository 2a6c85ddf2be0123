package anabion.core.trace;

import anabion.core.tree.Coded;
import java.util.Locale;

/** A way of choosing the next point. */
public enum School implements Coded {
    /** From the speaker toward the aerial, until it dies. */
    BACK,
    /** From the aerial toward the speaker, until it lives. */
    FORWARD,
    /** The point that divides what is left. */
    HALF;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
