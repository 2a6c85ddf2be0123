package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** What lies between the plates of a capacitor. */
public enum Dielectric implements Coded {
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
