package anabion.core.job;

import anabion.core.chassis.Renames;
import anabion.core.json.Coded;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * What was heard, or seen of a display, while a signal went through a part of the set.
 *
 * @param how whether the signal was put in at the point, or followed to it from the aerial
 * @param point where, such as {@code V3.1}; a stage's name where the set's circuit is not known
 * @param volts effective volts of the generator that it took there for the standard output; 0 where that was not measured
 * @param state the fitted state it was heard in
 */
public record Heard(
        UUID id,
        Instant at,
        String band,
        How how,
        SignalKind signal,
        String point,
        Outcome outcome,
        double volts,
        UUID state,
        Extra extra) {
    /** How a point was tried. */
    public enum How implements Coded {
        /** A signal put in there: what comes out at the end. */
        INJECT,
        /** A finger there, on sets whose chassis is no danger: the hum that comes out. */
        TOUCH,
        /** The set fed at its beginning, and a tracer or meter there: what arrives. */
        TAP,
        /** A control turned to one of its ends while the set plays, its wiper at the terminal that is the point: what comes out then. */
        TURNED;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** After a part got another reference. */
    Heard renamed(String from, String to) {
        return new Heard(id, at, band, how, signal, Renames.point(point, from, to), outcome, volts, state, extra);
    }

    /** The key of the words for its outcome: a display is lit or dark, not loud or soft. */
    public String wordKey() {
        return Optional.of(outcome)
                .filter(o -> signal == SignalKind.LEVEL)
                .flatMap(DisplayOutcome::of)
                .map(d -> "shown." + d.code())
                .orElse("outcome." + outcome.code());
    }

    /** Whether it is about the same place, tried in the same way. */
    public boolean same(Heard other) {
        return band.equals(other.band) && how == other.how && signal == other.signal && point.equals(other.point);
    }

    /** Whether what lies on the signal's way is alive: a touched grid may hum or roar. */
    public boolean good() {
        return outcome == Outcome.LOUD || (how == How.TOUCH && outcome == Outcome.HUM);
    }
}
