package anabion.core.job;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * Work on controls, case and what is fixed to it.
 *
 * @param what which one
 * @param how material and method, a value, a size; may be empty
 * @param result empty while it is to be done
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record CaseEntry(UUID id, Instant at, Kind kind, String what, String how, Optional<Result> result, Extra extra)
        implements CaseEntryBuilder.With {
    /** What is worked on. */
    public enum Kind implements Coded {
        CONTROL,
        SWITCH,
        KNOB,
        /** A tube's base. */
        BASE,
        SPEAKER,
        LOOP,
        BATTERY,
        LAMP,
        /** The mains cord with its grip. */
        CORD,
        HANDLE,
        COSMETIC,
        /** One thing that keeps hands from a chassis that may be live. */
        BARRIER,
        /** How the set plays in its case. */
        CABINET;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What came of it. */
    public enum Result implements Coded {
        DONE,
        BETTER,
        SAME,
        WORSE;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }
}
