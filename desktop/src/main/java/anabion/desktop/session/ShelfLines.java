package anabion.desktop.session;

import anabion.core.reading.Condition;
import anabion.core.reading.judgement.Judge;
import anabion.workshop.SetRecord;
import anabion.workshop.Sets;
import anabion.workshop.Summary;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleObjectProperty;

/** The lines of the Shelf: as they are kept, and made anew where changes have left them behind. */
final class ShelfLines {
    /** Sets whose lines are made anew at a time: between them the disk is free for readings. */
    private static final int AT_ONCE = 4;

    private final Session session;
    private final ObjectProperty<List<Summary>> summaries = new SimpleObjectProperty<>(List.of());
    private Optional<Judged> judged = Optional.empty();

    /** The last verdict, with what it was passed on. */
    private record Judged(SetRecord set, Condition now, Judge.Verdict verdict) {
        /** Whether it is what a summary of a set rests on. */
        boolean serves(SetRecord other) {
            return set.equals(other) && now.equals(other.usual());
        }
    }

    private record Made(Summary summary, long change) {}

    ShelfLines(Session session) {
        this.session = session;
    }

    ObjectProperty<List<Summary>> summaries() {
        return summaries;
    }

    /** Shows the lines as they are kept, then what is made anew. */
    void refresh() {
        session.ask(w -> w.sets().shelf(), summaries::set);
        update();
    }

    /** Takes the verdict on the set on the bench: its line follows from it, so that it is judged once. */
    void judged(SetRecord set, Condition now, Judge.Verdict verdict) {
        judged = Optional.of(new Judged(set, now, verdict));
        update();
    }

    private void update() {
        session.ask(w -> w.sets().outdated(AT_ONCE), this::summarise);
    }

    private void summarise(List<Sets.Outdated> outdated) {
        List<Sets.Outdated> others = new ArrayList<>();
        for (Sets.Outdated o : outdated) {
            boolean here = session.set().get().filter(o.set()::equals).isPresent();
            if (!here
                    || session.condition().get().filter(o.set().usual()::equals).isEmpty()) others.add(o);
            else if (judged.filter(j -> j.serves(o.set())).isPresent())
                keep(List.of(new Made(o.summarised(judged.get().verdict()), o.change())));
        }
        if (!others.isEmpty())
            session.compute()
                    .ask(
                            ComputeScheduler.Job.SUMMARIES,
                            () -> others.stream()
                                    .map(o -> new Made(o.summarised(session.predictors()), o.change()))
                                    .toList(),
                            this::keep);
    }

    private void keep(List<Made> made) {
        session.ask(
                w -> {
                    made.forEach(m -> w.sets().keep(m.summary(), m.change()));
                    return w.sets().shelf();
                },
                all -> {
                    summaries.set(all);
                    update();
                });
    }
}
