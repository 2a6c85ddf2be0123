package anabion.core.text;

import java.util.List;

/** A sentence to be said: its key in the bundle and what fills its gaps (text, quantities or other phrases). */
public record Phrase(String key, List<Object> fillings) {
    public Phrase {
        fillings = List.copyOf(fillings);
    }

    /** @param fillings texts, numbers written out, or phrases */
    public static Phrase of(String key, Object... fillings) {
        return new Phrase(key, List.of(fillings));
    }
}
