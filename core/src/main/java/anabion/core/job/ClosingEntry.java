package anabion.core.job;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.UUID;

/**
 * Something measured, looked at or signed off before a set is handed back.
 *
 * @param item the code of what was looked at or signed off; a band that was heard; empty for a measurement
 * @param values ohms of insulation and earth; amperes of touch current, in the order of {@link Plug}; how many stations
 * @param text the reason for signing off; what was heard; to whom it went
 * @param state the fitted state of the set: what was measured before another part went in counts no more
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record ClosingEntry(
        UUID id, Instant at, Kind kind, String item, List<Double> values, String text, UUID state, Extra extra)
        implements ClosingEntryBuilder.With {
    public ClosingEntry {
        values = List.copyOf(values);
    }

    /** What it is. */
    public enum Kind implements Coded {
        /** At 500 V, both poles of the mains joined and the switch on, to metal that can be touched. */
        INSULATION,
        /** Through a network like a body, see {@link Plug}. */
        TOUCH,
        /** From the earth pin to the chassis. */
        EARTH,
        /** A band played: how many stations. */
        HEARD,
        /** Somebody looked, and it is in order. */
        CHECKED,
        /** It is not in order, and goes out so for a reason. */
        SIGNED,
        /** It left the house. */
        HANDED_BACK;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** The four ways in which a touch current is measured. */
    public enum Plug {
        ONE_WAY_ON,
        ONE_WAY_OFF,
        OTHER_WAY_ON,
        OTHER_WAY_OFF
    }
}
