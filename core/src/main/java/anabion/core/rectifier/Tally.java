package anabion.core.rectifier;

/** What is met on the way through one cycle. */
final class Tally {
    private int steps;
    private double volts;
    private double amperes;
    private double low = Double.MAX_VALUE;
    private double high = -Double.MAX_VALUE;
    private double peak;
    private double squares;
    private double given;
    private double inverse;

    /** A step: reservoir volts, their mean over the step, and the load's current. */
    void step(double end, double mean, double load) {
        steps++;
        volts += mean;
        amperes += load;
        low = Math.min(low, end);
        high = Math.max(high, end);
    }

    /** What one path does in the step: its current, its source's volts, and the volts across it in reverse. */
    void path(boolean first, double current, double source, double reverse) {
        peak = Math.max(peak, current);
        if (first) squares += current * current;
        given += current * source;
        inverse = Math.max(inverse, reverse);
    }

    double high() {
        return high;
    }

    /**
     * @param perCycle steps in a whole cycle: a mirrored rectifier is walked through half of one
     * @param reverse largest inverse volts; below zero to take what was met
     */
    Cycle cycle(int perCycle, double reverse, boolean settled) {
        return new Cycle(
                volts / steps,
                amperes / steps,
                high - low,
                peak,
                Math.sqrt(squares / perCycle),
                given / steps,
                reverse < 0 ? inverse : reverse,
                settled);
    }
}
