package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

/** The work order, in its order. */
public enum Step implements Coded {
    ARRIVAL,
    STUDY,
    STRIP_DOWN,
    COLD_CHECKS,
    FIRST_POWER,
    RECAP,
    VOLTAGES,
    TRACE,
    ALIGN,
    SOAK,
    DRIVE_AND_CASE,
    HAND_BACK;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
