package anabion.desktop.bench;

import anabion.core.drive.Barrier;
import anabion.core.drive.CordCheck;
import anabion.core.drive.CordPath;
import anabion.core.job.CaseEntry;
import anabion.core.job.CordRun;
import anabion.core.job.Job;
import anabion.core.quantity.Figures;
import anabion.core.text.Phrase;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.DriveSheet;
import java.util.List;
import java.util.Optional;
import javafx.scene.layout.VBox;

/** How long a cord is to be cut, what is wrong with its run, and what is still to be done to the case. */
final class DrivePane extends VBox {
    private final Session session;

    DrivePane(Session session) {
        super(8);
        this.session = session;
        Job job = session.need().job();
        boolean live = session.isolation().get().filter(i -> i.mayBeLive()).isPresent();
        List<Barrier> missing = live ? Barrier.missing(job.casework()) : List.of();
        long open = job.casework().stream().filter(e -> e.result().isEmpty()).count();
        getChildren().add(Texts.wrapped(headline(job, open, missing), "headline"));
        for (CordRun c : job.cords()) DriveSheet.path(c).ifPresent(this::cord);
        if (job.casework().stream()
                .anyMatch(e -> e.kind() == CaseEntry.Kind.CABINET
                        && e.result().filter(r -> r == CaseEntry.Result.WORSE).isPresent()))
            getChildren().add(Texts.wrapped(session.say("case.only-there")));
        if (!missing.isEmpty()) getChildren().add(Texts.wrapped(session.say("case.live"), "out"));
        getChildren().addAll(Texts.rule(), Texts.label(session.say("ui.next"), "soft", "small"));
        getChildren().add(Texts.wrapped(session.say("case.next")));
    }

    private String headline(Job job, long open, List<Barrier> missing) {
        Optional<CordPath> first =
                job.cords().stream().flatMap(c -> DriveSheet.path(c).stream()).findFirst();
        if (first.isPresent())
            return session.say("cord.cut", Figures.fixed(first.get().length(), 0));
        if (!missing.isEmpty()) return session.say("case.barriers", missing.size());
        if (open > 0) return session.say("case.open", open);
        return session.say(job.casework().isEmpty() ? "case.nothing" : "case.done");
    }

    private void cord(CordPath p) {
        List<Phrase> wrong = CordCheck.of(p);
        wrong.forEach(w -> getChildren().add(Texts.wrapped(session.words().get().say(w), "out")));
        if (wrong.isEmpty()) getChildren().add(Texts.wrapped(session.say("cord.sound"), "soft"));
        if (!p.run().broke().isEmpty())
            getChildren().add(Texts.wrapped(session.say("cord.broke", p.run().broke()), "soft"));
    }
}
