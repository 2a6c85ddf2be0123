package anabion.workshop;

import java.time.Instant;
import java.util.UUID;

/** Something that takes its time: glue, a soak, re-forming. */
public record Timer(UUID id, UUID set, String label, Instant ends) {}
