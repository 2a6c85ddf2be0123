package anabion.core.trace;

import anabion.core.job.Outcome;
import anabion.core.signal.Gains;
import java.util.Optional;

/**
 * One point of a band at which a signal is put in.
 *
 * @param signal af, if or rf
 * @param hertz of the signal; a carrier is modulated
 * @param volts that a good set needs there for the standard output; infinite where none does
 * @param farads of the capacitor at the generator's lead
 * @param heard what came out; empty when not tried
 * @param left whether the fault can still lie just before or at this point
 */
public record TraceRow(
        String stage,
        String point,
        String signal,
        double hertz,
        double volts,
        double farads,
        Optional<Outcome> heard,
        boolean left) {
    /** Whether a good set brings anything through from here. */
    public boolean heardWhenSound() {
        return volts < Gains.Level.SILENT;
    }

    /** Whether it sounded as it should. */
    public boolean good() {
        return heard.filter(o -> o == Outcome.LOUD).isPresent();
    }
}
