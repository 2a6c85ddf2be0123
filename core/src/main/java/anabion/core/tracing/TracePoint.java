package anabion.core.tracing;

import anabion.core.job.SignalKind;
import anabion.core.signal.Domain;
import anabion.core.signal.Gains;

/**
 * A point of a band at which a signal is put in, or followed.
 *
 * @param point the pin; the stage's name where its input is all that is known
 * @param hertz of the signal; a carrier is modulated; 0 when not known
 * @param volts that a good set needs there for the standard output; infinite where none does, 0 when not known, and where a coil beside the set's own brings it in
 * @param farads of the capacitor at the generator's lead; 0 for none
 * @param induced whether a turn of wire beside the set's own coil brings it in, not a lead
 */
public record TracePoint(
        String stage, String point, SignalKind signal, double hertz, double volts, double farads, boolean induced) {
    static TracePoint of(Gains.Level l) {
        return new TracePoint(
                l.stage(),
                l.point(),
                kind(l.domain()),
                l.hertz(),
                l.induced() ? 0 : l.volts(),
                l.farads(),
                l.induced());
    }

    private static SignalKind kind(Domain domain) {
        return switch (domain) {
            case AF -> SignalKind.AF;
            case IF -> SignalKind.IF;
            case RF -> SignalKind.RF;
        };
    }

    /**
     * Decibels by which a set brings less from here than a good one; negative where it brings more.
     *
     * @param needed volts that it needs here for the standard output
     */
    public double lacking(double needed) {
        return 20 * Math.log10(needed / volts);
    }

    /** Whether it is known what a good set needs here, so that a level can be held against it. */
    public boolean measurable() {
        return volts > 0 && heardWhenSound();
    }

    /** Whether a good set brings anything through from here. */
    public boolean heardWhenSound() {
        return volts < Gains.Level.SILENT;
    }
}
