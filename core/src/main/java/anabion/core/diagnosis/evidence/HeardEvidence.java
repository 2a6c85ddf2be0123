package anabion.core.diagnosis.evidence;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.PartLead;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Points;
import anabion.core.job.Heard;
import anabion.core.job.Job;
import anabion.core.job.Outcome;
import anabion.core.job.SignalKind;
import anabion.core.signal.Domain;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;

/** What was heard from points of the signal's way, and with controls turned, in the state that a set is in now. */
final class HeardEvidence {
    private final Chassis chassis;
    private final Points points;

    private HeardEvidence(Chassis chassis) {
        this.chassis = chassis;
        this.points = Points.of(chassis);
    }

    private static Optional<Domain> domain(SignalKind signal) {
        return switch (signal) {
            case AF -> Optional.of(Domain.AF);
            case IF -> Optional.of(Domain.IF);
            case RF -> Optional.of(Domain.RF);
            case LEVEL, STAGE -> Optional.empty();
        };
    }

    /** @param outdated whether a part was exchanged since a fitted state */
    static List<Observation> of(Chassis chassis, Job job, Predicate<UUID> outdated) {
        HeardEvidence e = new HeardEvidence(chassis);
        List<Observation> all = new ArrayList<>();
        for (Heard h : job.heard()) {
            Optional<Domain> domain = domain(h.signal());
            if (h.how() == Heard.How.TURNED && !outdated.test(h.state())) {
                e.turned(h).ifPresent(all::add);
                continue;
            }
            boolean known = chassis.band(h.band()).isPresent()
                    && (e.points.find(h.point()).isPresent() || e.hears(h.point()));
            if (domain.isEmpty() || !known || outdated.test(h.state())) continue;
            all.add(observed(h, domain.get()));
        }
        return all;
    }

    /** The band with a control at one of its ends. */
    private Optional<Observation> turned(Heard h) {
        String control = PartLead.owner(h.point());
        return chassis.band(h.band())
                .filter(b -> chassis.part(control).isPresent())
                .map(b -> new Observation.Heard(
                        new Measurement.Listen(
                                b.name(), Map.of(control, h.point().endsWith(".1") ? 1.0 : 0.0)),
                        h.outcome()));
    }

    /** Whether a field is put in there: at a loop, a frame or a rod. */
    private boolean hears(String part) {
        return chassis.part(part).filter(p -> p.is(PartRole.AERIAL_COIL)).isPresent();
    }

    private static Observation observed(Heard h, Domain domain) {
        if (h.how() == Heard.How.TAP)
            return new Observation.Heard(new Measurement.Tap(h.band(), domain, h.point()), h.outcome());
        if (h.volts() > 0)
            return new Observation.Measured(new Measurement.Level(h.band(), domain, h.point()), h.volts());
        return new Observation.Heard(
                new Measurement.Inject(h.band(), domain, h.point()), h.good() ? Outcome.LOUD : h.outcome());
    }
}
