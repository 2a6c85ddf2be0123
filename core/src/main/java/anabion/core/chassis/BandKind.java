package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** What a band receives, or shows. */
public enum BandKind implements Coded {
    AM,
    FM,
    PICK_UP,
    /** No band of sound: a segment of a display, from its chip through driver and resistor. */
    DISPLAY;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
