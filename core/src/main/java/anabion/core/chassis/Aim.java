package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** What an adjuster is turned to. */
public enum Aim implements Coded {
    PEAK,
    DIP,
    /** Through zero, between two peaks of opposite sign. */
    ZERO,
    /** Both sides of a curve alike. */
    SYMMETRY;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
