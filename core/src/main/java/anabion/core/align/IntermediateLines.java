package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.job.AlignmentPurpose;
import anabion.core.signal.Domain;
import anabion.core.signal.Frequencies;
import anabion.core.signal.Gains;
import anabion.core.simulation.dc.Detector;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** The lines of the intermediate frequency: the last transformer first, and in each the winding nearer to the detector first. */
final class IntermediateLines {
    /** Farads from which a capacitor at an FM detector holds its volts: it is a ratio detector. */
    private static final double STABILISES = 1e-6;

    private final Chassis chassis;
    private final Band band;
    private final GeneratorLevels levels;
    private final double hertz;

    IntermediateLines(Chassis chassis, Band band, GeneratorLevels levels, double hertz) {
        this.chassis = chassis;
        this.band = band;
        this.levels = levels;
        this.hertz = hertz;
    }

    /** The transformers of the band, the last first. */
    List<Part> transformers() {
        boolean fm = band.kind() == BandKind.FM;
        return chassis.parts().stream()
                .filter(p -> p.is(PartRole.IF_TRANSFORMER))
                .filter(p -> Frequencies.printed(p).map(f -> f > 2e6 == fm).orElse(!fm))
                .filter(p -> place(p) >= 0)
                .sorted(Comparator.comparingInt(this::place).reversed())
                .toList();
    }

    /** Of its stage in the band, as in the chassis where stages are alike; negative in a stage of another band. */
    private int place(Part p) {
        return chassis.owner(p.reference())
                .map(s -> band.stages().indexOf(s.name()))
                .filter(n -> n >= 0)
                .map(n -> n * 1000 + chassis.parts().indexOf(p))
                .orElse(-1);
    }

    List<AlignmentLine> lines() {
        boolean fm = band.kind() == BandKind.FM;
        Optional<Gains.Level> at = levels.first(Domain.IF);
        String point = at.map(Gains.Level::point).orElse("");
        Optional<Double> level = at.flatMap(l -> levels.at(l.point(), Domain.IF));
        Optional<String> detecting = fm ? Detector.of(chassis, band).map(Detector::coil) : Optional.empty();
        Indicator indicator = fm ? held() : Indicator.OUTPUT_METER;
        Lead lead = fm ? Lead.SMALL_CAPACITOR : Lead.BLOCKING_CAPACITOR;
        List<AlignmentLine> all = new ArrayList<>();
        for (Part p : transformers()) {
            List<Adjuster> own = adjusters(p);
            if (own.isEmpty()) continue;
            boolean last = detecting.filter(p.reference()::equals).isPresent();
            if (!last) {
                all.add(new AlignmentLine(
                        AlignmentPurpose.INTERMEDIATE,
                        point,
                        lead,
                        hertz,
                        Optional.empty(),
                        level,
                        own,
                        Aim.PEAK,
                        indicator,
                        false));
                continue;
            }
            List<Adjuster> primary = own.stream().filter(a -> first(p, a)).toList();
            List<Adjuster> rest = own.stream().filter(a -> !first(p, a)).toList();
            if (!primary.isEmpty())
                all.add(
                        0,
                        new AlignmentLine(
                                AlignmentPurpose.DETECTOR,
                                point,
                                lead,
                                hertz,
                                Optional.empty(),
                                level,
                                primary,
                                Aim.PEAK,
                                indicator,
                                false));
            if (!rest.isEmpty())
                all.add(new AlignmentLine(
                        AlignmentPurpose.BALANCE,
                        point,
                        lead,
                        hertz,
                        Optional.empty(),
                        level,
                        rest,
                        Aim.ZERO,
                        Indicator.DETECTOR_VOLTS,
                        false));
        }
        // the secondary of the detector comes when all before it is in tune
        all.sort(Comparator.comparing(l -> l.purpose() == AlignmentPurpose.BALANCE));
        return all;
    }

    /** What turns a transformer: its cores, and capacitors across a winding; the winding nearer to the detector first. */
    List<Adjuster> adjusters(Part transformer) {
        List<Winding> windings = ((Component.Windings) transformer.component()).windings();
        return chassis.adjusters().stream()
                .filter(a -> turned(transformer, a).isPresent())
                .sorted(Comparator.comparingInt((Adjuster a) ->
                                windings.indexOf(turned(transformer, a).orElseThrow()))
                        .reversed())
                .toList();
    }

    private boolean first(Part p, Adjuster a) {
        return turned(p, a)
                .filter(w -> ((Component.Windings) p.component()).windings().indexOf(w) == 0)
                .isPresent();
    }

    private Optional<Winding> turned(Part transformer, Adjuster a) {
        if (a.part().equals(transformer.reference()))
            return a.windings(transformer).stream().findFirst();
        Optional<Part> across = chassis.part(a.part()).filter(p -> p.component() instanceof Capacitor);
        return across.flatMap(c -> ((Component.Windings) transformer.component())
                .windings().stream()
                        .filter(w -> c.joins(
                                transformer.nets().getOrDefault(w.from(), ""),
                                transformer.nets().getOrDefault(w.to(), "")))
                        .findFirst());
    }

    /** A large capacitor at the detector's nets shows the carrier of a ratio detector; without one a limiter's grid does. */
    private Indicator held() {
        Optional<Detector> d = Detector.of(chassis, band);
        if (d.isEmpty()) return Indicator.LIMITER_VOLTS;
        boolean ratio = chassis.parts().stream()
                .anyMatch(p -> p.component() instanceof Capacitor c
                        && c.farads().stream().anyMatch(f -> f >= STABILISES)
                        && chassis.parts().stream()
                                .filter(x -> x.device().isPresent()
                                        && d.get().element().startsWith(x.reference()))
                                .anyMatch(x -> p.nets().values().stream()
                                        .anyMatch(n -> !n.equals(chassis.reference()) && reaches(n, x))));
        return ratio ? Indicator.STABILISER_VOLTS : Indicator.LIMITER_VOLTS;
    }

    /** At a pin of the device, at most behind one resistor. */
    private boolean reaches(String net, Part device) {
        if (device.touches(net)) return true;
        return chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Resistor && p.touches(net))
                .flatMap(p -> p.nets().values().stream())
                .anyMatch(n -> !n.equals(net) && !n.equals(chassis.reference()) && device.touches(n));
    }
}
