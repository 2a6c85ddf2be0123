package anabion.core.job;

import anabion.core.json.Extra;
import java.time.Instant;
import java.util.UUID;

/**
 * A band against a known good receiver, both on the same aerial and station.
 *
 * @param decibels by which this set is louder, or its meter higher; below zero where it is weaker
 * @param state the fitted state it was heard in
 */
public record Compared(UUID id, Instant at, String band, double decibels, UUID state, Extra extra) {
    /** Decibels of a step of a signal-strength meter (convention of the International Amateur Radio Union). */
    public static final double STEP = 6;
    /** Below this it is weak, and below the other as good as silent: two steps are what two sound sets may differ by. */
    private static final double WEAK = -2 * STEP;

    private static final double GONE = -40;

    /** What an ear would call it. */
    public Outcome outcome() {
        if (decibels <= GONE) return Outcome.NOTHING;
        return decibels < WEAK ? Outcome.WEAK : Outcome.LOUD;
    }

    /** Whether it answers the same question. */
    public boolean same(Compared other) {
        return band.equals(other.band) && state.equals(other.state);
    }
}
