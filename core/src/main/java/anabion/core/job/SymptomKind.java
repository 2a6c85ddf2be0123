package anabion.core.job;

import anabion.core.json.Coded;
import java.util.Locale;
import java.util.Optional;

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

    /** Whether it is a complaint at all. */
    public boolean isWrong() {
        return this != FINE && this != UNTRIED;
    }

    /** What an ear would call it on a band that is listened to, or an eye of a segment; empty for what comes and goes, and the like. */
    public Optional<Outcome> outcome() {
        return switch (this) {
            case FINE -> Optional.of(Outcome.LOUD);
            case DEAD, SEGMENT_WRONG -> Optional.of(Outcome.NOTHING);
            case WEAK -> Optional.of(Outcome.WEAK);
            case DISTORTED -> Optional.of(Outcome.DISTORTED);
            case HUM -> Optional.of(Outcome.HUM);
            case CRACKLE -> Optional.of(Outcome.CRACKLE);
            case NOISE, INTERMITTENT, HOWL, DRIFT, NO_EFFECT, UNTRIED -> Optional.empty();
        };
    }

    /** The name in files and word keys: lower case, words joined by hyphens. */
    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
