package anabion.core.job;

import anabion.core.json.Extra;
import java.util.UUID;

/** A step that somebody marked by hand. */
public record Marked(UUID id, Step step, StepState state, Extra extra) {}
