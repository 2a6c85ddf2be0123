package anabion.core.align;

import anabion.core.json.Coded;
import java.util.Locale;

/** What holds before the first adjuster is touched. */
public enum Preparation implements Coded {
    /** Its voltages are right. */
    VOLTAGES_FIRST,
    /** Half an hour on. */
    WARM_UP,
    VOLUME_FULL_UP,
    /** The speaker, or a resistor in its place. */
    LOAD_CONNECTED,
    /** Each core where it stands. */
    MARK_CORES,
    /** A tool without metal, of the core's shape. */
    INSULATED_TOOL,
    /** The chassis may be live: an isolating transformer before the set, a capacitor in both leads of the generator. */
    ISOLATE,
    /** Frame or rod, and batteries, where they are in use. */
    LOOP_IN_PLACE,
    /** Automatic frequency control off. */
    AFC_OFF,
    /** The aerial's own trimmer once more in the car. */
    LAST_IN_THE_CAR;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
