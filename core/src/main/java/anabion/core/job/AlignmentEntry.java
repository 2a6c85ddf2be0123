package anabion.core.job;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * One thing done or seen while a band was aligned.
 *
 * @param purpose of the line; empty for what belongs to none: a station, a band left alone
 * @param adjusters the letters of the line's adjusters, with spaces between; empty as above
 * @param before what the indicator showed, in volts; where a station was heard, what the dial showed, in hertz; 0 where not taken
 * @param after what it showed then, in volts; the frequency of the station, in hertz; 0 where not taken
 * @param turns by which the last of them was turned, positive inwards; 0 where nobody said
 * @param text a reason
 * @param state the fitted state of the set
 */
public record AlignmentEntry(
        UUID id,
        Instant at,
        Kind kind,
        String band,
        Optional<AlignmentPurpose> purpose,
        String adjusters,
        double before,
        double after,
        double turns,
        String text,
        UUID state,
        Extra extra) {
    /** What it says. */
    public enum Kind implements Coded {
        /** The indicator was read; adjusters may have been turned. */
        READ,
        PEAK,
        NO_PEAK,
        NO_EFFECT,
        /** It fell, and was put back. */
        WORSE,
        /** It still rises at the end of its travel. */
        END,
        BROKEN_CORE,
        STATION,
        LEFT_ALONE;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Whether nothing more is to be done on the line. */
        public boolean done() {
            return this == READ || this == PEAK || this == WORSE;
        }

        /** Whether it says that something else is wrong. */
        public boolean finding() {
            return this == NO_PEAK || this == NO_EFFECT || this == END || this == BROKEN_CORE;
        }
    }
}
