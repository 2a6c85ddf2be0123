package anabion.workshop.timeline;

import anabion.core.json.Coded;
import anabion.workshop.storage.PhotoFiles.Stored;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;

/**
 * One thing that happened.
 *
 * @param part which it is about: a reference, a pin, a net; may be empty
 * @param text in words
 * @param detail beside it: a place, a reason; may be empty
 * @param picture of a photo; empty otherwise
 */
public record Happening(Instant at, Kind kind, String part, String text, String detail, Optional<Stored> picture) {
    /** What sort of thing. */
    public enum Kind implements Coded {
        READING,
        ALTERATION,
        TEST,
        TRIAL,
        HEARD,
        POWER,
        ALIGNMENT,
        STRIP_DOWN,
        SOAK,
        CASE,
        PHOTO,
        LOOSE,
        NOTE,
        ORDER;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }
    }

    /** Whether all words of a filter are in it. */
    public boolean matches(String filter, String kindInWords) {
        String all = (kindInWords + " " + part + " " + text + " " + detail).toLowerCase(Locale.ROOT);
        for (String word : filter.toLowerCase(Locale.ROOT).strip().split("\\s+")) if (!all.contains(word)) return false;
        return true;
    }
}
