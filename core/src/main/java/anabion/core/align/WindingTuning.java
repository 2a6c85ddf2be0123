package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Component.Windings;
import anabion.core.chassis.Part;
import anabion.core.chassis.TunedCircuit;
import anabion.core.chassis.Winding;
import anabion.core.job.AlignmentEntry;
import anabion.core.quantity.Series;
import java.util.Optional;

/**
 * What a winding needs across it to come in tune, and what its core still reaches: 1/(4π²f²L) (Thomson's formula), less what wiring and tubes have.
 *
 * @param hertz at which it is to be in tune
 * @param henries of the winding with its core in the middle
 * @param inferred whether they follow from the capacitor on the drawing, since no sheet gives them
 * @param drawn the capacitor across it; empty where it is in the can and on no drawing
 * @param whole farads across it, with wiring and tubes
 * @param stray farads of wiring and tubes: what the drawn capacitor leaves, else {@link #USUAL}
 */
public record WindingTuning(
        Part coil,
        Winding winding,
        double hertz,
        double henries,
        boolean inferred,
        Optional<Part> drawn,
        double whole,
        double stray) {
    /** Farads of wiring, winding and a tube's electrodes (usual of textbooks). */
    public static final double USUAL = 10e-12;
    /** Share of the whole that wiring and tubes have at most: where more is left, drawing and sheet do not agree. */
    private static final double MOST_STRAY = 0.3;

    /**
     * Of the winding that an adjuster's core tunes, or the one that its capacitor lies across.
     *
     * @return empty where neither inductance nor capacitor is entered, or no winding is found
     */
    public static Optional<WindingTuning> of(Chassis chassis, Adjuster a, double hertz) {
        Optional<Part> own = chassis.part(a.part());
        if (own.isEmpty()) return Optional.empty();
        for (Winding w : a.windings(own.get())) {
            Optional<WindingTuning> found = of(chassis, own.get(), w, hertz);
            if (found.isPresent()) return found;
        }
        for (Part coil : TunedCircuit.of(chassis, a))
            if (coil.component() instanceof Windings x)
                for (Winding w : x.windings())
                    if (TunedCircuit.across(chassis, coil, w).contains(own.get())) return of(chassis, coil, w, hertz);
        return Optional.empty();
    }

    private static Optional<WindingTuning> of(Chassis chassis, Part coil, Winding w, double hertz) {
        Optional<Part> drawn = TunedCircuit.across(chassis, coil, w).stream().findFirst();
        double omega = 2 * Math.PI * hertz;
        double across =
                drawn.map(p -> ((Capacitor) p.component()).farads().get(0)).orElse(0.0);
        if (w.henries() > 0) {
            double whole = 1 / (omega * omega * w.henries());
            double left = whole - across;
            boolean agree = drawn.isPresent() && left >= 0 && left <= MOST_STRAY * whole;
            return Optional.of(
                    new WindingTuning(coil, w, hertz, w.henries(), false, drawn, whole, agree ? left : USUAL));
        }
        if (across <= 0) return Optional.empty();
        double whole = across + USUAL;
        return Optional.of(new WindingTuning(coil, w, hertz, 1 / (omega * omega * whole), true, drawn, whole, USUAL));
    }

    /** Farads that a capacitor across it should have. */
    public double wanted() {
        return whole - stray;
    }

    /** The nearest that is made. */
    public double made() {
        return Series.E24.nearest(wanted());
    }

    /** The least farads with which the core, all the way in, still brings it in tune. */
    public double least() {
        return whole / (1 + Travel.CORE.reach()) - stray;
    }

    /** The most, with the core all the way out. */
    public double most() {
        return whole / (1 - Travel.CORE.reach()) - stray;
    }

    /**
     * What would explain a peak elsewhere, with the core in the middle.
     *
     * @param farads too many across it, or
     * @param henries too many in it; both negative where there are too few
     * @param least whether it is at least so much
     */
    public record Excess(double farads, double henries, boolean least) {}

    /** @param peak the frequency of its peak, in hertz */
    public Excess excess(double peak) {
        return excess(peak, false);
    }

    private Excess excess(double peak, boolean least) {
        double off = hertz / peak * hertz / peak - 1;
        return new Excess(whole * off, henries * off, least);
    }

    /** What would explain that it still rises at an end of its travel. */
    public Excess excessAtEnd(boolean in) {
        return excess(hertz * Math.sqrt(in ? 1 + Travel.CORE.reach() : 1 - Travel.CORE.reach()), true);
    }

    /** What a finding says of it; empty of those that tell no amount, and of an end that nobody named. */
    public Optional<Excess> explained(AlignmentEntry finding) {
        if (finding.kind() == AlignmentEntry.Kind.PEAKS_AT) return Optional.of(excess(finding.after()));
        return finding.kind() == AlignmentEntry.Kind.END && finding.turns() != 0
                ? Optional.of(excessAtEnd(finding.turns() > 0))
                : Optional.empty();
    }
}
