package anabion.core.json;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A JSON value that knows its line. Numbers stay as written (BigDecimal). */
public sealed interface Tree {
    int line();

    /** The value as plain maps, lists, text, numbers and booleans. JSON null becomes an empty Optional, since our maps hold no nulls. */
    Object plain();

    /** What it is, in words, for errors. */
    String describe();

    /** An object, in the order of the file. */
    record Obj(Map<String, Tree> fields, int line) implements Tree {
        @Override
        public Object plain() {
            Map<String, Object> map = new LinkedHashMap<>();
            fields.forEach((k, v) -> map.put(k, v.plain()));
            return java.util.Collections.unmodifiableMap(map);
        }

        @Override
        public String describe() {
            return "an object";
        }
    }

    /** A list. */
    record Arr(List<Tree> items, int line) implements Tree {
        @Override
        public Object plain() {
            List<Object> list = new ArrayList<>();
            items.forEach(i -> list.add(i.plain()));
            return List.copyOf(list);
        }

        @Override
        public String describe() {
            return "a list";
        }
    }

    /** Text, a number, true or false, or null. */
    record Leaf(Optional<Object> value, int line) implements Tree {
        @Override
        public Object plain() {
            return value.isPresent() ? value.get() : Optional.empty();
        }

        @Override
        public String describe() {
            return value.map(v -> v instanceof String s ? "\"" + s + "\"" : String.valueOf(v))
                    .orElse("nothing (null)");
        }
    }
}
