package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;

/** What must not be forgotten about a set. */
public enum LooseKind implements Coded {
    /** Taken from another set or donor: a debt. */
    BORROWED,
    /** Still to be found. */
    WANTED,
    /** Done to the set by its restorer: a suspect from now on. */
    ACCIDENT;

    /** The name in files and word keys: lower case. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
