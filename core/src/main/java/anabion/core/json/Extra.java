package anabion.core.json;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/** Fields that this release does not know, kept so that they can be written back. */
public record Extra(Map<String, Object> fields) {
    public static final Extra NONE = new Extra(Map.of());

    public Extra {
        fields = Collections.unmodifiableMap(new LinkedHashMap<>(fields));
    }
}
