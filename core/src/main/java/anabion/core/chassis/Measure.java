package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** What a reading measures. */
public enum Measure implements Coded {
    DC_VOLTS,
    AC_VOLTS,
    OHMS;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
