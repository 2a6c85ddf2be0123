package anabion.core.align;

import anabion.core.align.AlignmentLine.Printed;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Aim;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Points;
import anabion.core.chassis.ServiceLine;
import anabion.core.job.AlignmentPurpose;
import anabion.core.signal.Domain;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** The lines of a maker's table, in its order, with what the circuit knows of their adjusters: purpose, indicator, level. */
final class ServiceLines {
    /** Share by which a frequency may differ from the intermediate one and be meant for it. */
    private static final double NEAR = 0.05;

    private final Chassis chassis;
    private final Band band;
    private final List<AlignmentLine> made;
    private final GeneratorLevels levels;
    private final Optional<Double> intermediate;
    private final Lead aerial;

    /**
     * @param made lines made from the circuit
     * @param intermediate frequency in hertz
     * @param aerial how a generator reaches the aerial
     */
    ServiceLines(
            Chassis chassis,
            Band band,
            List<AlignmentLine> made,
            GeneratorLevels levels,
            Optional<Double> intermediate,
            Lead aerial) {
        this.chassis = chassis;
        this.band = band;
        this.made = made;
        this.levels = levels;
        this.intermediate = intermediate;
        this.aerial = aerial;
    }

    /** @return empty where the maker's table is not entered, or has no line of the band */
    List<AlignmentLine> lines() {
        List<AlignmentLine> all = new ArrayList<>();
        for (ServiceLine l : chassis.serviceTable()) if (l.band().equals(band.name())) all.add(line(l));
        // of what was taken out of the set nothing is left to turn
        all.removeIf(l -> l.adjusters().isEmpty());
        return all;
    }

    private AlignmentLine line(ServiceLine l) {
        List<Adjuster> turned = l.adjusters().stream()
                .flatMap(letter ->
                        chassis.adjusters().stream().filter(a -> a.letter().equals(letter)))
                .toList();
        Optional<AlignmentLine> like = made.stream()
                .filter(m -> m.adjusters().stream().anyMatch(turned::contains))
                .min(Comparator.comparingDouble(m -> Math.abs(Math.log(m.hertz() / l.hertz()))));
        boolean between =
                intermediate.filter(f -> Math.abs(l.hertz() / f - 1) < NEAR).isPresent();
        boolean trap = between && l.aim() == Aim.DIP;
        AlignmentPurpose purpose = trap
                ? AlignmentPurpose.TRAP
                : like.map(AlignmentLine::purpose).orElseGet(() -> purpose(l, turned, between));
        Domain domain = between && !trap ? Domain.IF : Domain.RF;
        Optional<String> point = Points.of(chassis).find(l.point()).map(p -> p.label());
        Optional<AlignmentLine> same =
                like.filter(m -> l.point().isEmpty() || m.point().equals(point.orElse(l.point())));
        return new AlignmentLine(
                purpose,
                point.orElse(
                        l.point().isEmpty() ? like.map(AlignmentLine::point).orElse("") : l.point()),
                like.map(AlignmentLine::lead).orElse(domain == Domain.IF ? Lead.BLOCKING_CAPACITOR : aerial),
                l.hertz(),
                domain == Domain.IF ? l.dial() : l.dial().or(() -> trap ? Optional.empty() : Optional.of(l.hertz())),
                same.flatMap(AlignmentLine::level).or(() -> point.flatMap(p -> levels.at(p, domain))),
                same.flatMap(AlignmentLine::knee).or(() -> point.flatMap(p -> levels.knee(p, domain))),
                turned,
                l.aim(),
                l.aim() == Aim.ZERO
                        ? Indicator.DETECTOR_VOLTS
                        : like.map(AlignmentLine::indicator).orElseGet(() -> Indicator.of(chassis, band)),
                l.rocked() || like.map(AlignmentLine::rocked).orElse(false),
                Optional.of(new Printed(l.through(), l.note())));
    }

    /** Of adjusters that the circuit does not tell: by frequency, place on the dial, and the role of their part. */
    private AlignmentPurpose purpose(ServiceLine l, List<Adjuster> turned, boolean between) {
        if (between) return l.aim() == Aim.ZERO ? AlignmentPurpose.BALANCE : AlignmentPurpose.INTERMEDIATE;
        boolean oscillator = turned.stream()
                .flatMap(a -> chassis.part(a.part()).stream())
                .flatMap(p -> p.role().stream())
                .anyMatch(PartRole::isOfOscillator);
        boolean high = l.dial().orElse(l.hertz()) > band.range().at(0.5);
        if (oscillator) return high ? AlignmentPurpose.OSCILLATOR_HIGH : AlignmentPurpose.OSCILLATOR_LOW;
        return high ? AlignmentPurpose.SIGNAL_HIGH : AlignmentPurpose.SIGNAL_LOW;
    }
}
