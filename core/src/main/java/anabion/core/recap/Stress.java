package anabion.core.recap;

/**
 * What a capacitor must bear, computed.
 *
 * @param normal direct volts from its plus to its minus end at the nominal line; below zero it stands the wrong way round
 * @param start direct volts across it while the rectifier works and nothing draws yet, at high line
 * @param high direct volts at high line
 * @param peak largest volts across it with what alternates there
 * @param ripple effective ripple current, in amperes; 0 where none to speak of flows
 */
public record Stress(double normal, double start, double high, double peak, double ripple) {
    private static final double MORE = 1.2;

    /** Whether what alternates there counts for more than all direct volts. */
    public boolean alternates() {
        return peak > MORE * Math.max(Math.abs(high), Math.abs(start));
    }

    /** The worst of all, as a size. */
    public double worst() {
        return Math.max(Math.max(Math.abs(normal), Math.abs(start)), Math.max(Math.abs(high), peak));
    }
}
