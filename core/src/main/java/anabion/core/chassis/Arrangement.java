package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** How a set is supplied. Safety hangs on it. */
public enum Arrangement implements Coded {
    TRANSFORMER,
    HOT_CHASSIS,
    FLOATING_NEGATIVE,
    BATTERY,
    BATTERY_A_B,
    MAINS_BATTERY,
    VIBRATOR,
    CAR_NEGATIVE,
    CAR_POSITIVE,
    ADAPTOR;

    /** Whether the mains can reach the chassis or anything joined to it. */
    public boolean chassisMayBeLive() {
        return this == HOT_CHASSIS || this == FLOATING_NEGATIVE || this == MAINS_BATTERY;
    }

    /** Whether the set is plugged into the mains at all. */
    public boolean usesMains() {
        return this == TRANSFORMER || chassisMayBeLive();
    }

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
