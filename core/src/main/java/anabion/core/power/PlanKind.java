package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.json.Coded;
import anabion.core.simulation.supply.AcSupply;
import java.util.Locale;

/** How a set is brought up. */
public enum PlanKind implements Coded {
    /** Up the variac behind a lamp; its transformer keeps the mains off the chassis. */
    MAINS,
    /** Up the variac behind a lamp and an isolation transformer. */
    HOT_MAINS,
    /** Up a supply of direct current, which nothing isolates. */
    DC_MAINS,
    /** On a supply with a current limit in place of its batteries. */
    BATTERY,
    /** On a supply in place of the car's battery, in steps. */
    CAR,
    /** At full volts or not at all: a vibrator does not start on less. */
    VIBRATOR;

    /** By how a set is supplied. */
    public static PlanKind of(Chassis chassis) {
        return switch (chassis.supply().arrangement()) {
            case TRANSFORMER -> MAINS;
            case AUTOTRANSFORMER, HEATER_TRANSFORMER, HOT_CHASSIS, FLOATING_NEGATIVE, MAINS_BATTERY -> HOT_MAINS;
            case DC_MAINS -> DC_MAINS;
            case BATTERY, BATTERY_A_B, ADAPTOR -> BATTERY;
            case VIBRATOR -> VIBRATOR;
            case CAR_NEGATIVE, CAR_POSITIVE -> AcSupply.vibrator(chassis).isPresent() ? VIBRATOR : CAR;
        };
    }

    /** Whether it hangs on the mains. */
    public boolean usesMains() {
        return this == MAINS || this == HOT_MAINS || this == DC_MAINS;
    }

    /** Whether a variac feeds it: alternating mains. */
    public boolean usesVariac() {
        return this == MAINS || this == HOT_MAINS;
    }

    /** Whether a filament lamp of the line's volts can stand in its line. */
    public boolean takesLamp() {
        return usesMains();
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
