package anabion.core.job;

import anabion.core.json.Extra;
import java.time.Instant;
import java.util.UUID;

/**
 * One thing done to one part: lifted, removed, renewed, … with the new value or the reason as detail.
 *
 * @param part its reference; empty where it concerns the whole set
 */
public record Alteration(UUID id, Instant at, String part, AlterationKind kind, String detail, Extra extra) {
    /** Whether it concerns a part. */
    public boolean concerns(String reference) {
        return part.equals(reference) || kind == AlterationKind.CAME_BACK;
    }
}
