package anabion.core.diagnosis.prediction;

/**
 * The states of a set from a hypothesis' least severity to its greatest; the same three times where there are no degrees.
 *
 * <p>Every severity s between 0 and 1 is about as likely. Volts go from one end to the other nearly straight; ohms, with resistors in the way, along the
 * parabola through what they are half way: by 4·s·(1 − s) of what they are there off the straight line.
 */
public record SeverityInterval(FaultState least, FaultState middle, FaultState most) {
    /** Half way, by ratio. */
    public static final double HALF = 0.5;
    /** Deviation of the severity: a little more than that of an even spread. */
    public static final double SEVERITY = 0.32;
    /** Mean and deviation of 4·s·(1 − s). */
    private static final double BENT = 2.0 / 3;

    private static final double BENDS = Math.sqrt(4.0 / 45);

    /** The interval of severities that a state stands for. */
    public static SeverityInterval of(FaultState state) {
        return new SeverityInterval(state, state, state);
    }

    /** Whether there is more than one severity. */
    public boolean graded() {
        return least != most;
    }

    /** The middle of all that is between. */
    public static double value(double least, double half, double most) {
        return (least + most) / 2 + BENT * bend(least, half, most);
    }

    /** How far that spreads for being off the straight line. */
    public static double bends(double least, double half, double most) {
        return BENDS * bend(least, half, most);
    }

    private static double bend(double least, double half, double most) {
        return half - (least + most) / 2;
    }
}
