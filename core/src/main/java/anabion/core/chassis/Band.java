package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.List;
import java.util.UUID;

/** A band or function, with the names of its stages in signal order. Stages may stand in several bands. */
public record Band(UUID id, String name, BandKind kind, List<String> stages, Extra extra) {
    public Band {
        stages = List.copyOf(stages);
    }
}
