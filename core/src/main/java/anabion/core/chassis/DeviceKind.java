package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** The kinds of active device. */
public enum DeviceKind implements Coded {
    TUBE,
    TRANSISTOR,
    DIODE;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
