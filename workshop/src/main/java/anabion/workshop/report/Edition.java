package anabion.workshop.report;

import anabion.core.json.Coded;
import java.util.Locale;

/** For whom a report is. */
public enum Edition implements Coded {
    /** What was wrong, what was done, what to know; without the workshop's words. */
    OWNER,
    /** Everything. */
    WORKSHOP,
    /** One page for inside the cabinet. */
    CARD;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
