package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

/** What is ticked off for one part at the bench. */
public enum Tick implements Coded {
    REMOVED,
    MEASURED,
    FITTED,
    POLARITY,
    PHOTO;

    /** The name in files and word keys: lower case. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
