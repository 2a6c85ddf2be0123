package anabion.core.json;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** Collects the fields of one JSON object; empty texts, lists and options are left out, unknown fields come last. */
public final class Writing {
    private final Map<String, Object> fields = new LinkedHashMap<>();

    /** Adds a field; one without a value is left out. */
    public Writing put(String name, Object value) {
        if (value instanceof Coded c) fields.put(name, c.code());
        else if (value instanceof OptionalDouble d) {
            if (d.isPresent()) fields.put(name, d.getAsDouble());
        } else if (value instanceof Optional<?> o) {
            if (o.isPresent()) put(name, o.get());
        } else if (value instanceof Double || value instanceof Integer || value instanceof Boolean)
            fields.put(name, value);
        else if (value instanceof Collection<?> || value instanceof Map<?, ?>) fields.put(name, value);
        else fields.put(name, String.valueOf(value));
        return this;
    }

    /** Adds a text that is not empty. */
    public Writing text(String name, String value) {
        return value.isEmpty() ? this : put(name, value);
    }

    /** Adds a list that is not empty. */
    public Writing list(String name, Collection<?> value) {
        return value.isEmpty() ? this : put(name, value);
    }

    /** Adds a map, an empty one too. */
    public Writing map(String name, Map<String, ?> value) {
        return value.isEmpty() ? this : put(name, value);
    }

    /** Adds a value that differs from the usual one. */
    public Writing unless(String name, Object value, Object usual) {
        return value.equals(usual) ? this : put(name, value);
    }

    /** The fields with those that this version does not know. */
    public Map<String, Object> with(Extra extra) {
        extra.fields().forEach(fields::putIfAbsent);
        return fields;
    }
}
