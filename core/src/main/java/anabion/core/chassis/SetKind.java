package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** What kind of receiver it is. */
public enum SetKind implements Coded {
    HOME,
    PORTABLE,
    CAR;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
