package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.job.AlignmentPurpose;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * One line of an alignment.
 *
 * @param purpose what is brought in tune
 * @param point where the generator goes: a pin, a net, or empty beside a loop
 * @param hertz of the generator
 * @param dial what the dial shows, in hertz; empty where the gang stands open, away from stations
 * @param level effective volts to begin with, at most what leaves the AVC at rest; empty where the circuit does not tell
 * @param adjusters in the order in which they are turned
 * @param rocked whether the gang is moved to and fro while the adjuster is turned
 */
public record AlignmentLine(
        AlignmentPurpose purpose,
        String point,
        Lead lead,
        double hertz,
        Optional<Double> dial,
        Optional<Double> level,
        List<Adjuster> adjusters,
        Aim aim,
        Indicator indicator,
        boolean rocked) {
    public AlignmentLine {
        adjusters = List.copyOf(adjusters);
    }

    /** The letters of its adjusters, with spaces between. */
    public String letters() {
        return adjusters.stream().map(Adjuster::letter).collect(Collectors.joining(" "));
    }
}
