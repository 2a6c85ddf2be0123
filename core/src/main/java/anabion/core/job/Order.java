package anabion.core.job;

import anabion.core.json.Extra;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Optional;
import java.util.UUID;

/**
 * Something that was ordered for a set.
 *
 * @param from the supplier; may be empty
 * @param price 0 where nobody said
 * @param due when it should come
 * @param arrived when it came; empty while the set waits for it
 */
public record Order(
        UUID id,
        Instant at,
        String what,
        String from,
        double price,
        Optional<LocalDate> due,
        Optional<Instant> arrived,
        Extra extra) {
    /** The same once it has come. */
    public Order arrived(Instant when) {
        return new Order(id, at, what, from, price, due, Optional.of(when), extra);
    }
}
