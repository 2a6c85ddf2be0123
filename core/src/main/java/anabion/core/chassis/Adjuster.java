package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.UUID;

/** A trimmer, core or padder of the alignment table: its letter there, its part, and where the tool goes in. */
public record Adjuster(UUID id, String letter, String part, String what, String side, String place, Extra extra) {}
