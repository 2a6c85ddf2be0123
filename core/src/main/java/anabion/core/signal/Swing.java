package anabion.core.signal;

import anabion.core.circuit.Element;
import anabion.core.circuit.Solution;
import anabion.core.signal.SignalPath.Amplifier;
import java.util.ArrayList;
import java.util.List;

/**
 * How far stages can swing: a plate cannot fall below its cathode. Small signals know no such end, and would have four volts at a base bring something
 * through where the coupling capacitor behind it is open.
 */
record Swing(Solution direct) {
    /** Levels from the speaker backward, silent from where a stage could not give what its plate must have. */
    List<Gains.Level> within(List<Gains.Level> levels, List<Amplifier> path) {
        List<Gains.Level> all = new ArrayList<>();
        boolean beyond = false;
        for (Gains.Level l : levels) {
            all.add(beyond ? l.silent() : l);
            beyond |= path.stream()
                    .filter(a -> a.after() == l.domain() && a.output().equals(l.point()))
                    .anyMatch(a -> beyond(a, l.own()));
        }
        return all;
    }

    private boolean beyond(Amplifier a, double volts) {
        return direct.circuit()
                .device(a.element())
                .filter(d -> Math.sqrt(2) * volts > room(a, d, direct))
                .isPresent();
    }

    /** Volts between plate and cathode, or collector and emitter, which follow each other in every law. */
    static double room(Amplifier a, Element.Device d, Solution direct) {
        int plate = d.nodes().get(a.plate());
        int cathode = d.nodes().get(a.plate() + 1);
        return Math.abs(direct.at(plate) - direct.at(cathode));
    }
}
