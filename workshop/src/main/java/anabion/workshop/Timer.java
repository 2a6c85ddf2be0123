package anabion.workshop;

import anabion.core.json.Extra;
import anabion.core.json.Fields;
import anabion.core.json.Writing;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.TemporalAmount;
import java.util.Map;
import java.util.UUID;

/** Something that takes its time: glue, a soak, re-forming. */
public record Timer(UUID id, UUID set, String label, Instant ends) {
    /** A new timer that begins to run now. */
    public static Timer starting(UUID set, String label, TemporalAmount length, Clock clock) {
        Instant ends = clock.instant().atZone(clock.getZone()).plus(length).toInstant();
        return new Timer(UUID.randomUUID(), set, label, ends);
    }

    /** As the formats have it. */
    public Map<String, Object> tree() {
        return new Writing()
                .put("id", id)
                .put("set", set)
                .put("label", label)
                .put("ends", ends)
                .with(Extra.NONE);
    }

    /** What {@link #tree} wrote. */
    public static Timer read(Fields f) {
        return new Timer(f.id(), UUID.fromString(f.text("set")), f.text("label"), f.instant("ends"));
    }
}
