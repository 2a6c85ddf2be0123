package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * A band or function, with the names of its stages in signal order. Stages may stand in several bands.
 *
 * @param dial what its dial covers, as entered; empty where nobody entered it
 * @param oscillator on which side of the signal it runs; of no meaning in a straight set
 */
public record Band(
        UUID id,
        String name,
        BandKind kind,
        List<String> stages,
        Optional<TuningRange> dial,
        OscillatorSide oscillator,
        Extra extra) {
    public Band {
        stages = List.copyOf(stages);
    }

    /** One whose dial nobody entered, with the usual oscillator. */
    public Band(UUID id, String name, BandKind kind, List<String> stages, Extra extra) {
        this(id, name, kind, stages, Optional.empty(), OscillatorSide.ABOVE, extra);
    }

    /** What its dial covers: as entered, else the usual one of its name. */
    public TuningRange range() {
        return dial.orElseGet(() -> TuningRange.usual(kind, name));
    }

    public Band withStages(List<String> others) {
        return new Band(id, name, kind, others, dial, oscillator, extra);
    }

    public Band withDial(Optional<TuningRange> other) {
        return new Band(id, name, kind, stages, other, oscillator, extra);
    }

    public Band withOscillator(OscillatorSide other) {
        return new Band(id, name, kind, stages, dial, other, extra);
    }
}
