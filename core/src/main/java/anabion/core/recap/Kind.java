package anabion.core.recap;

import anabion.core.json.Coded;
import java.util.Locale;

/** What a part is made of. */
public enum Kind implements Coded {
    ELECTROLYTIC,
    PAPER,
    FILM,
    MICA,
    CERAMIC,
    AIR;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
