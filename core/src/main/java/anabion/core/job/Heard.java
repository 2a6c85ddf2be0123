package anabion.core.job;

import anabion.core.chassis.Renames;
import anabion.core.tree.Extra;
import java.time.Instant;
import java.util.UUID;

/**
 * What was heard while a signal was put in.
 *
 * @param signal af, if or rf
 * @param point where, such as {@code V3.1}
 * @param state the fitted state it was heard in
 */
public record Heard(
        UUID id, Instant at, String band, String signal, String point, Outcome outcome, UUID state, Extra extra) {
    /** After a part got another reference. */
    Heard renamed(String from, String to) {
        return new Heard(id, at, band, signal, Renames.point(point, from, to), outcome, state, extra);
    }

    /** Whether it is about the same place. */
    public boolean same(Heard other) {
        return band.equals(other.band) && signal.equals(other.signal) && point.equals(other.point);
    }
}
