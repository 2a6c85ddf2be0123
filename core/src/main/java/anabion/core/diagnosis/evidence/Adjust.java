package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import java.util.EnumSet;
import java.util.Set;

/**
 * An adjuster turned through its travel: does its circuit come to a peak?
 *
 * @param part its letter, or those of a line whose adjusters were not told apart
 * @param circuit the parts that tune there
 * @param silent whether turning changed nothing at all, which a set that is silent for another reason does, too
 */
public record Adjust(String part, Set<String> circuit, boolean silent) implements Measurement.PartTest {
    private static final Set<FaultMode> KILLS = EnumSet.of(FaultMode.OPEN, FaultMode.SHORT);
    private static final Set<FaultMode> SHIFTS = EnumSet.of(FaultMode.WRONG, FaultMode.MISTUNED);

    public Adjust {
        circuit = Set.copyOf(circuit);
    }

    @Override
    public double minutes() {
        return 2;
    }

    /** Whether a fault takes the resonance away. */
    public boolean kills(Fault f) {
        return circuit.contains(f.part()) && KILLS.contains(f.mode());
    }

    /** Likewise, or whether it moves it, perhaps farther than the travel goes. */
    @Override
    public boolean catches(Fault f) {
        return kills(f) || (circuit.contains(f.part()) && SHIFTS.contains(f.mode()));
    }

    @Override
    public String text() {
        return "adjust " + part;
    }
}
