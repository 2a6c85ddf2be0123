package anabion.core.job;

import anabion.core.json.Extra;
import java.time.Instant;
import java.util.UUID;

/** One thing done to one part: lifted, removed, renewed, … with the new value or the reason as detail. */
public record Alteration(UUID id, Instant at, String part, AlterationKind kind, String detail, Extra extra) {}
