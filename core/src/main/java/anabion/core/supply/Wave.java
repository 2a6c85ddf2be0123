package anabion.core.supply;

/** The shape of the alternating source. */
public enum Wave {
    /** Mains. */
    SINE,
    /** A vibrator: contacts closed one way, open, closed the other way. */
    VIBRATOR;

    /** Share of a half cycle in which a vibrator's contacts are open, in the middle of its published range. */
    private static final double OPEN = 0.1;

    /** Momentary value for an effective value of one; {@code phase} in cycles. */
    double at(double phase) {
        if (this == SINE) return Math.sqrt(2) * Math.sin(2 * Math.PI * phase);
        double within = phase - Math.floor(phase);
        double half = within < 0.5 ? within * 2 : within * 2 - 1;
        if (half < OPEN / 2 || half > 1 - OPEN / 2) return 0;
        return (within < 0.5 ? 1 : -1) / Math.sqrt(1 - OPEN);
    }
}
