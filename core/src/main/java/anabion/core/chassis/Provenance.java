package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** Where a part's data come from. */
public enum Provenance implements Coded {
    SHEET,
    MEASURED,
    INFERRED;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
