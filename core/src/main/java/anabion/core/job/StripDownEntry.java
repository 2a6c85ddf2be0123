package anabion.core.job;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * Something that was taken off a set, in the order in which it came off.
 *
 * @param count how many of it; 1 or more
 * @param what in words for people
 * @param place where it was or is kept; a pin's number; may be empty
 * @param lead of a lead and of a pin; empty otherwise
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record StripDownEntry(
        UUID id,
        Instant at,
        Kind kind,
        int count,
        String what,
        String place,
        Optional<Lead> lead,
        State state,
        Extra extra)
        implements StripDownEntryBuilder.With {
    /** What it is. */
    public enum Kind implements Coded {
        /** Screws, nuts, washers and what else holds things together. */
        FASTENER,
        KNOB,
        LEAD,
        /** One pin of a plug or of a tube's base, with the lead that goes to it. */
        PIN,
        BOARD,
        CLIP,
        PLUG,
        CORD,
        COVER,
        ITEM;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Where it is now. */
    public enum State implements Coded {
        OFF,
        /** Off, and broken by whoever took it off. */
        BROKEN,
        ON,
        /** All is together, and this is left over. */
        LEFT_OVER;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /**
     * A lead that was unsoldered.
     *
     * @param colour as typed; may be empty
     * @param from a pin, a hole, a lug; empty where nobody knows; {@code to} likewise
     */
    public record Lead(String colour, String from, String to) {}

    /** A lead of which one end or both are not known. */
    public boolean ofUnknownEnd() {
        return kind == Kind.LEAD
                && lead.filter(l -> l.from().isEmpty() || l.to().isEmpty()).isPresent();
    }

    /** A lead or pin that is not soldered again. */
    public boolean hangs() {
        return (kind == Kind.LEAD || kind == Kind.PIN) && (state == State.OFF || state == State.BROKEN);
    }

    /** What must not be forgotten: of unknown origin, broken, left over. */
    public boolean isOpenEnd() {
        return state == State.BROKEN || state == State.LEFT_OVER || (state == State.OFF && ofUnknownEnd());
    }
}
