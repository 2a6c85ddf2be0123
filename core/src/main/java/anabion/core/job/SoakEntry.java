package anabion.core.job;

import anabion.core.json.Coded;
import anabion.core.json.Extra;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;

/**
 * One line of the log of a soak.
 *
 * @param values what was read, in volts, watts and degrees Celsius; of a plan its hours
 * @param event empty but of one
 * @param part the one that is hottest, or was touched; may be empty
 * @param text a reason, or what was seen
 * @param state the fitted state of the set
 */
@RecordBuilder
@RecordBuilder.Options(addClassRetainedGenerated = true)
public record SoakEntry(
        UUID id,
        Instant at,
        Kind kind,
        Map<Value, Double> values,
        Optional<Event> event,
        String part,
        String text,
        UUID state,
        Extra extra)
        implements SoakEntryBuilder.With {
    public SoakEntry {
        Map<Value, Double> own = new EnumMap<>(Value.class);
        own.putAll(values);
        values = Collections.unmodifiableMap(own);
    }

    /** One that says no more than its kind. */
    public static SoakEntry of(UUID id, Instant at, Kind kind, UUID state) {
        return new SoakEntry(id, at, kind, Map.of(), Optional.empty(), "", "", state, Extra.NONE);
    }

    /** What a line says. */
    public enum Kind implements Coded {
        /** Another length was chosen: its hours. */
        PLANNED,
        /** The class of a transformer's insulation: its code is the text. */
        INSULATION,
        BEGAN,
        READ,
        EVENT,
        /** Switched off. */
        ENDED;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What is read. */
    public enum Value implements Coded {
        LINE,
        RAIL,
        WATTS,
        AVC,
        /** Degrees Celsius of the hottest part. */
        HOTTEST,
        /** Degrees Celsius of the room. */
        AMBIENT,
        HOURS;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What happened. */
    public enum Event implements Coded {
        CRACKLE('c', Optional.of(SymptomKind.CRACKLE)),
        FADE('f', Optional.of(SymptomKind.INTERMITTENT)),
        HUM('h', Optional.of(SymptomKind.HUM)),
        HOWL('o', Optional.of(SymptomKind.HOWL)),
        DISTORTION('d', Optional.of(SymptomKind.DISTORTED)),
        /** Off at once. */
        SMELL('s', Optional.empty());

        private final char key;
        private final Optional<SymptomKind> symptom;

        Event(char key, Optional<SymptomKind> symptom) {
            this.key = key;
            this.symptom = symptom;
        }

        /** The letter that enters it. */
        public char key() {
            return key;
        }

        /** As a complaint; empty for what no ear hears. */
        public Optional<SymptomKind> symptom() {
            return symptom;
        }

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What was read of a kind. */
    public Optional<Double> value(Value v) {
        return Optional.ofNullable(values.get(v));
    }
}
