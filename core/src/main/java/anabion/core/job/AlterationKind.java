package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

/** What was done to a part, or befell the whole set. */
public enum AlterationKind implements Coded {
    LIFTED,
    REFITTED,
    REMOVED,
    RENEWED,
    STAND_IN,
    /** The set is in the house again: of its parts nobody knows what they went through. It names no part. */
    CAME_BACK;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Whether another part may sit there afterwards: what was measured on the old one says nothing of it. */
    public boolean exchanges() {
        return this == RENEWED || this == STAND_IN || this == CAME_BACK;
    }

    /** Whether the set must not be powered before this is undone. */
    public boolean leavesOpenEnd() {
        return this == LIFTED || this == REMOVED;
    }
}
