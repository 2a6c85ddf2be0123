package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Aim;
import anabion.core.error.InputException;
import anabion.core.job.AlignmentPurpose;
import anabion.core.quantity.DialFrequency;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
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
 * @param knee effective volts above which the AVC takes part; empty where it never does, or the circuit does not tell
 * @param adjusters in the order in which they are turned
 * @param printed what the maker's table says of the generator's lead and of the line; empty where it was made from the circuit
 * @param rocked whether the gang is moved to and fro while the adjuster is turned
 */
public record AlignmentLine(
        AlignmentPurpose purpose,
        String point,
        Lead lead,
        double hertz,
        Optional<Double> dial,
        Optional<Double> level,
        Optional<Double> knee,
        List<Adjuster> adjusters,
        Aim aim,
        Indicator indicator,
        boolean rocked,
        Optional<Printed> printed) {
    /**
     * The words of a maker's table.
     *
     * @param through what is in the generator's lead; {@code note} whatever else is printed; both may be empty
     */
    public record Printed(String through, String note) {}

    public AlignmentLine {
        adjusters = List.copyOf(adjusters);
    }

    /** Factor of frequency beyond which it is another circuit's. */
    private static final double FAR = 1.6;

    /** How many times the volts of the knee make an indicator move that lives on the AVC: ten decibels. */
    private static final double ABOVE = Math.sqrt(10);
    /** How much weaker an ear wants it: loud and louder sound alike. */
    private static final double QUIET = 1 / Math.sqrt(10);

    /**
     * The same with another indicator, and the level for that.
     *
     * @return itself where its own indicator is no output meter: on FM the detector says what is watched
     */
    public AlignmentLine watching(Indicator other) {
        if (indicator != Indicator.OUTPUT_METER || other == indicator) return this;
        Optional<Double> wanted = other.wantsControl() ? knee.map(k -> k * ABOVE) : level.map(l -> l * QUIET);
        return new AlignmentLine(
                purpose, point, lead, hertz, dial, wanted, knee, adjusters, aim, other, rocked, printed);
    }

    /**
     * A frequency near that of the line, as people type it.
     *
     * @param typed in hertz, or bare in kilohertz, of a line in megahertz in these
     * @throws InputException if it lies farther off than any core goes
     */
    public double meant(double typed) {
        double meant = DialFrequency.near(typed, hertz);
        if (!(meant > hertz / FAR && meant < hertz * FAR))
            throw InputException.at(Figures.si(Quantity.hertz(meant)))
                    .because("no circuit of " + Figures.si(Quantity.hertz(hertz)) + " peaks there")
                    .so("check the number");
        return meant;
    }

    /** The letters of its adjusters, with spaces between. */
    public String letters() {
        return adjusters.stream().map(Adjuster::letter).collect(Collectors.joining(" "));
    }
}
