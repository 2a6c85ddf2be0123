package anabion.core.tracing;

import anabion.core.json.Coded;
import java.util.Locale;

/** A way of choosing the next point. */
public enum School implements Coded {
    /** From the speaker toward the aerial, until it dies. */
    BACK,
    /** From the aerial toward the speaker, until it lives. */
    FORWARD,
    /** The point that divides what is left. */
    HALF,
    /** Volts of every device, and only then a point of the stage that they suspect most. */
    VOLTAGES;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
