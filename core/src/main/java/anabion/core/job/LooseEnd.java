package anabion.core.job;

import anabion.core.json.Extra;
import java.time.Instant;
import java.util.UUID;

/**
 * Something borrowed, wanted, or that went wrong.
 *
 * @param part reference, or what it is
 * @param detail from where, what would do instead, what happened
 * @param settled given back, found, made good
 */
public record LooseEnd(UUID id, Instant at, LooseKind kind, String part, String detail, boolean settled, Extra extra) {
    LooseEnd settle() {
        return new LooseEnd(id, at, kind, part, detail, true, extra);
    }
}
