package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Aim;
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
                .filter(p -> Frequencies.serves(p, fm))
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
        Optional<String> detecting = fm ? Detector.of(chassis, band).map(Detector::coil) : Optional.empty();
        List<AlignmentLine> first = new ArrayList<>();
        List<AlignmentLine> all = new ArrayList<>();
        // the secondary of an FM detector comes when all before it is in tune
        List<AlignmentLine> last = new ArrayList<>();
        for (Part p : transformers()) {
            List<Adjuster> own = adjusters(p);
            if (detecting.filter(p.reference()::equals).isPresent()) {
                add(
                        first,
                        AlignmentPurpose.DETECTOR,
                        own.stream().filter(a -> first(p, a)).toList());
                add(
                        last,
                        AlignmentPurpose.BALANCE,
                        own.stream().filter(a -> !first(p, a)).toList());
            } else add(all, AlignmentPurpose.INTERMEDIATE, own);
        }
        first.addAll(all);
        first.addAll(last);
        return first;
    }

    private void add(List<AlignmentLine> to, AlignmentPurpose purpose, List<Adjuster> turned) {
        if (turned.isEmpty()) return;
        Optional<Gains.Level> at = levels.first(Domain.IF);
        boolean balance = purpose == AlignmentPurpose.BALANCE;
        to.add(new AlignmentLine(
                purpose,
                at.map(Gains.Level::point).orElse(""),
                band.kind() == BandKind.FM ? Lead.SMALL_CAPACITOR : Lead.BLOCKING_CAPACITOR,
                hertz,
                Optional.empty(),
                at.flatMap(l -> levels.at(l.point(), Domain.IF)),
                at.flatMap(l -> levels.knee(l.point(), Domain.IF)),
                turned,
                balance ? Aim.ZERO : Aim.PEAK,
                balance ? Indicator.DETECTOR_VOLTS : Indicator.of(chassis, band),
                false,
                Optional.empty()));
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
}
