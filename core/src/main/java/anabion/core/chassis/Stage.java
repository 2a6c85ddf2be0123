package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.List;
import java.util.UUID;

/**
 * A stage of the signal path or of the supply.
 *
 * @param detail the small print under its name; empty to derive it from the first device
 * @param parts references of the parts it owns; a coupling part belongs to the stage it feeds
 * @param point the reading that stands for the stage on the strip, such as {@code V5.7}; empty for none
 */
public record Stage(UUID id, String name, StripRow line, String detail, List<String> parts, String point, Extra extra) {
    /** The {@link #point} of the stage whose reading is the line voltage itself. */
    public static final String LINE = "LINE";

    public Stage {
        parts = List.copyOf(parts);
    }
}
