package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;

/** How a set is supplied. Safety hangs on it. */
public enum Arrangement implements Coded {
    /** Separate windings between mains and set. */
    TRANSFORMER,
    /** One winding with taps: the mains is on the set. */
    AUTOTRANSFORMER,
    /** Heaters behind a transformer, the rest directly at the mains. */
    HEATER_TRANSFORMER,
    /** Series heaters, for alternating and direct current, one side of the mains on the chassis. */
    HOT_CHASSIS,
    FLOATING_NEGATIVE,
    /** Direct current alone. */
    DC_MAINS,
    BATTERY,
    BATTERY_A_B,
    MAINS_BATTERY,
    VIBRATOR,
    CAR_NEGATIVE,
    CAR_POSITIVE,
    ADAPTOR;

    /** Whether the mains can reach the chassis or anything joined to it. */
    public boolean chassisMayBeLive() {
        return switch (this) {
            case AUTOTRANSFORMER, HEATER_TRANSFORMER, HOT_CHASSIS, FLOATING_NEGATIVE, DC_MAINS, MAINS_BATTERY -> true;
            case TRANSFORMER, BATTERY, BATTERY_A_B, VIBRATOR, CAR_NEGATIVE, CAR_POSITIVE, ADAPTOR -> false;
        };
    }

    /** Whether the set is plugged into the mains at all. */
    public boolean usesMains() {
        return this == TRANSFORMER || chassisMayBeLive();
    }

    /** Whether its heaters lie in series: where one is open all are cold. */
    public boolean hasHeaterChain() {
        return switch (this) {
            case AUTOTRANSFORMER, HOT_CHASSIS, FLOATING_NEGATIVE, DC_MAINS, MAINS_BATTERY -> true;
            case TRANSFORMER, HEATER_TRANSFORMER, BATTERY, BATTERY_A_B, VIBRATOR, CAR_NEGATIVE, CAR_POSITIVE, ADAPTOR ->
                false;
        };
    }

    /** Whether its mains alternates. */
    public boolean alternates() {
        return usesMains() && !isDirect();
    }

    /** Whether its mains is direct current. */
    public boolean isDirect() {
        return this == DC_MAINS;
    }

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
