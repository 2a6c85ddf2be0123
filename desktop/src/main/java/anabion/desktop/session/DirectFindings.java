package anabion.desktop.session;

import anabion.core.chassis.Chassis;
import anabion.core.coldcheck.ColdDanger;
import anabion.core.coldcheck.ColdRow;
import anabion.core.coldcheck.ColdTable;
import anabion.core.diagnosis.evidence.DirectProof;
import anabion.core.job.Job;
import anabion.core.reading.Reading;
import anabion.workshop.SetRecord;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;

/** What is known of the set on the bench without any odds: dangers that cold ohms show, and parts that a direct test proved bad. */
public final class DirectFindings {
    private final Session session;
    private final ReadOnlyObjectWrapper<Known> known = new ReadOnlyObjectWrapper<>(Known.NOTHING);
    private Optional<Ground> ground = Optional.empty();

    private record Ground(Chassis chassis, List<Reading> ohms, Job job) {}

    /** @param dangers the gravest first */
    public record Known(List<ColdDanger> dangers, List<DirectProof> proofs) {
        static final Known NOTHING = new Known(List.of(), List.of());

        public Known {
            dangers = List.copyOf(dangers);
            proofs = List.copyOf(proofs);
        }

        /** Whether it must not be powered. */
        public boolean stops() {
            return !dangers.isEmpty();
        }
    }

    DirectFindings(Session session) {
        this.session = session;
        session.set().addListener((o, a, b) -> look());
    }

    public ReadOnlyObjectProperty<Known> known() {
        return known.getReadOnlyProperty();
    }

    private void look() {
        Optional<Ground> now = session.set().get().map(DirectFindings::of);
        if (now.equals(ground)) return;
        boolean same = now.isPresent()
                && ground.filter(
                                g -> g.chassis().id().equals(now.get().chassis().id()))
                        .isPresent();
        ground = now;
        if (!same) known.set(Known.NOTHING);
        if (now.isEmpty()) return;
        session.compute().ask(ComputeScheduler.Job.DIRECT, () -> found(now.get()), known::set, t -> {
            known.set(Known.NOTHING);
            session.report(t);
        });
    }

    private static Ground of(SetRecord set) {
        return new Ground(
                set.chassis(),
                set.readings().stream()
                        .filter(r -> r.measure() == anabion.core.chassis.Measure.OHMS)
                        .toList(),
                set.job());
    }

    private static Known found(Ground g) {
        List<ColdRow> taken = ColdTable.taken(g.chassis(), g.ohms(), g.job());
        return new Known(ColdDanger.of(g.chassis(), taken), DirectProof.of(g.chassis(), g.job(), taken));
    }
}
