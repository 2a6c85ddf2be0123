package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Windings;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.numeric.Phasor;
import anabion.core.simulation.dc.Detector;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The two coupled circuits of an FM detector with its two diodes.
 *
 * <p>Method (phase discriminators of Foster and Seeley, 1937; the ratio detector has the same network): with y = 2(f − f₀)/f₀ of each circuit the primary has
 * V₁ ∝ (1 + jQy₂) / ((1 + jQy₁)(1 + jQy₂) + (kQ)²), the secondary V₂ = −j·kQ·√(L₂/L₁)·V₁ / (1 + jQy₂). Each diode has half of the secondary and the third volts: of a
 * tertiary winding close to the primary V₁·√(L₃/L₁), else V₁ itself. What comes out is the difference of the diodes' volts. No sheet gives quality and coupling: both are
 * usual values.
 *
 * @param coil the transformer
 * @param hertz at which it is to be in tune
 * @param secondary whole secondary against the primary, in volts at full coupling
 * @param third third volts against the primary's
 */
public record FmDetector(Part coil, double hertz, double secondary, double third) {
    /** Of the circuits with their diodes (usual of textbooks). */
    private static final double QUALITY = 40;
    /** Coupling times quality: a little beyond critical, as such detectors are made. */
    private static final double COUPLING = 1.2;

    private static final int POINTS = 121;
    /** Share of the frequency to either side that a curve shows. */
    private static final double SPAN = 0.04;

    /** @return empty on AM, and where no transformer with two circuits feeds two diodes */
    public static Optional<FmDetector> of(Chassis chassis, Band band) {
        if (band.kind() != BandKind.FM) return Optional.empty();
        Optional<Double> between = Frequencies.intermediate(chassis, Optional.of(band));
        Optional<Part> coil = Detector.of(chassis, band).flatMap(d -> chassis.part(d.coil()));
        if (between.isEmpty() || coil.isEmpty() || !(coil.get().component() instanceof Windings w))
            return Optional.empty();
        Set<String> diodes = Detector.feeding(chassis, coil.get()).stream()
                .map(Detector::fed)
                .collect(Collectors.toSet());
        Winding primary = w.windings().get(0);
        List<Winding> halves = w.windings().stream()
                .filter(x -> !x.equals(primary) && ends(coil.get(), x).stream().anyMatch(diodes::contains))
                .toList();
        if (halves.isEmpty() || primary.henries() <= 0) return Optional.empty();
        double turns = halves.stream()
                .mapToDouble(x -> Math.sqrt(x.henries() / primary.henries()))
                .sum();
        if (turns <= 0) return Optional.empty();
        Optional<Winding> tertiary = w.windings().stream()
                .filter(x -> !x.equals(primary) && !halves.contains(x) && x.henries() > 0)
                .filter(x -> halves.stream()
                        .anyMatch(h -> ends(coil.get(), h).stream().anyMatch(ends(coil.get(), x)::contains)))
                .findFirst();
        double third =
                tertiary.map(x -> Math.sqrt(x.henries() / primary.henries())).orElse(1.0);
        return Optional.of(new FmDetector(coil.get(), between.get(), turns, third));
    }

    private static Set<String> ends(Part coil, Winding w) {
        return Set.of(w.from(), w.to()).stream()
                .map(t -> coil.nets().getOrDefault(t, t))
                .collect(Collectors.toSet());
    }

    /**
     * Volts between the diodes' loads, against the primary's in tune.
     *
     * @param primary hertz to which it is tuned, {@code other} likewise of the secondary
     */
    public double volts(double at, double primary, double other) {
        Phasor one = new Phasor(1, QUALITY * 2 * (at - primary) / hertz);
        Phasor two = new Phasor(1, QUALITY * 2 * (at - other) / hertz);
        Phasor v1 = two.over(one.times(two).plus(new Phasor(COUPLING * COUPLING, 0)));
        Phasor v2 = v1.times(new Phasor(0, -COUPLING * secondary)).over(two);
        Phasor half = v2.times(new Phasor(0.5, 0));
        Phasor middle = v1.times(new Phasor(third, 0));
        return middle.plus(half).size() - middle.minus(half).size();
    }

    /** One place of the curve: {@code share} of its highest volts, between −1 and 1. */
    public record Place(double hertz, double share) {}

    /** The curve with both circuits tuned somewhere, over {@value #SPAN} of the frequency to either side. */
    public List<Place> curve(double primary, double other) {
        List<Place> all = new ArrayList<>();
        double most = 0;
        double[] volts = new double[POINTS];
        for (int n = 0; n < POINTS; n++) {
            volts[n] = volts(place(n), primary, other);
            most = Math.max(most, Math.abs(volts[n]));
        }
        for (int n = 0; n < POINTS; n++) all.add(new Place(place(n), volts[n] / most));
        return all;
    }

    private double place(int n) {
        return hertz * (1 + SPAN * (2.0 * n / (POINTS - 1) - 1));
    }
}
