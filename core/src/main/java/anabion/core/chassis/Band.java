package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * A band or function, with the names of its stages in signal order. Stages may stand in several bands.
 *
 * @param dial what its dial covers, as entered; empty where nobody entered it
 */
public record Band(UUID id, String name, BandKind kind, List<String> stages, Optional<TuningRange> dial, Extra extra) {
    public Band {
        stages = List.copyOf(stages);
    }

    /** One whose dial nobody entered. */
    public Band(UUID id, String name, BandKind kind, List<String> stages, Extra extra) {
        this(id, name, kind, stages, Optional.empty(), extra);
    }

    /** What its dial covers: as entered, else the usual one of its name. */
    public TuningRange range() {
        return dial.orElseGet(() -> TuningRange.usual(kind, name));
    }

    public Band withStages(List<String> others) {
        return new Band(id, name, kind, others, dial, extra);
    }

    public Band withDial(Optional<TuningRange> other) {
        return new Band(id, name, kind, stages, other, extra);
    }
}
