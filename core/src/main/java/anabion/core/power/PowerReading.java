package anabion.core.power;

/**
 * Something read during a power-up.
 *
 * @param dial volts that the variac, or the supply, gives
 * @param atSet volts at the set, behind the lamp; 0 where they were not measured
 * @param what what was read
 * @param net the rail that was read, or its ripple; empty for anything else
 * @param value in volts, watts or amperes; of a glow its ordinal; of dark tubes 1 if there are any
 */
public record PowerReading(double dial, double atSet, What what, String net, double value) {
    /** What can be read on the way up. */
    public enum What {
        RAIL,
        /** Alternating volts on a rail. */
        RIPPLE,
        WATTS,
        AMPERES,
        GLOW,
        /** Tubes that stay dark where all should glow: 0 for none, 1 for any. */
        DARK
    }
}
