package anabion.core.job;

import anabion.core.tree.Coded;
import java.util.Locale;

/** What a band or function does wrong. */
public enum SymptomKind implements Coded {
    FINE,
    DEAD,
    WEAK,
    DISTORTED,
    HUM,
    NOISE,
    CRACKLE,
    INTERMITTENT,
    HOWL,
    DRIFT,
    NO_EFFECT,
    SEGMENT_WRONG,
    UNTRIED;

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
