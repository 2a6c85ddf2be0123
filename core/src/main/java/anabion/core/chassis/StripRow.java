package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** Which row of the signal strip a stage stands in. */
public enum StripRow implements Coded {
    SIGNAL,
    SUPPLY;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
