package anabion.core.rectifier;

import java.util.Locale;

/** The shape of the alternating source. */
public enum Wave {
    /** Mains. */
    SINE,
    /** A vibrator: contacts closed one way, open while the buffer capacitor swings the winding over, closed the other way. */
    VIBRATOR;

    /** Share of a half cycle in which a vibrator's contacts are open, in the middle of its published range. */
    private static final double OPEN = 0.1;

    /** Effective value for a peak of one. */
    public double effective() {
        return this == SINE ? Math.sqrt(0.5) : Math.sqrt(1 - OPEN + OPEN / 3);
    }

    /** A source of this shape in a deck. */
    public String deck(double effectiveVolts, double hertz) {
        double peak = effectiveVolts / effective();
        if (this == SINE) return String.format(Locale.ROOT, "SIN(0 %.9g %.9g)", peak, hertz);
        double edge = OPEN / 4 / hertz;
        double half = 0.5 / hertz;
        return String.format(
                Locale.ROOT,
                "PWL(0 0 %.9g %.9g %.9g %.9g %.9g %.9g %.9g %.9g %.9g 0) r=0",
                edge,
                peak,
                half - edge,
                peak,
                half + edge,
                -peak,
                2 * half - edge,
                -peak,
                2 * half);
    }

    /** Momentary value for an effective value of one; {@code phase} in cycles. */
    double at(double phase) {
        if (this == SINE) return Math.sin(2 * Math.PI * phase) / effective();
        double within = phase - Math.floor(phase);
        double toEdge = Math.min(within % 0.5, 0.5 - within % 0.5);
        double height = Math.min(1, toEdge / (OPEN / 4));
        return (within < 0.5 ? height : -height) / effective();
    }
}
