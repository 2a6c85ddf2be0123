package anabion.core.chassis;

import anabion.core.tree.Coded;
import java.util.Locale;

/** What a band receives. */
public enum BandKind implements Coded {
    AM,
    FM,
    PICK_UP;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
