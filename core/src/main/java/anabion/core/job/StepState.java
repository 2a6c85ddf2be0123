package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

/** How far a step has come. */
public enum StepState implements Coded {
    OPEN,
    UNDER_WAY,
    DONE;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
