package anabion.desktop.shell;

import anabion.desktop.session.Session;
import anabion.workshop.Photo;
import java.nio.file.Path;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.application.Platform;

/** Writes one file at a time while work goes on, and says in the probe line how far it is. */
final class Exporting {
    private final Session session;
    private final ProbeLine probe;
    private final Consumer<Throwable> trouble;
    private Optional<Export> running = Optional.empty();

    Exporting(Session session, ProbeLine probe, Consumer<Throwable> trouble) {
        this.session = session;
        this.probe = probe;
        this.trouble = trouble;
    }

    /** @return whether there was one to stop */
    boolean stop() {
        running.ifPresent(Export::stop);
        return running.isPresent();
    }

    /** @throws anabion.core.error.InputException while another is written */
    void run(Export export, Path file) {
        if (running.isPresent()) throw Export.busy(session.words().get());
        running = Optional.of(export);
        String name = String.valueOf(file.getFileName());
        session.ask(w -> (Function<Photo, Path>) w::file, photos -> export.run(
                        photos,
                        share -> Platform.runLater(
                                () -> probe.say(session.say("ui.exporting", name, Math.round(100 * share)))))
                .whenComplete((done, e) -> Platform.runLater(() -> {
                    running = Optional.empty();
                    if (e == null) probe.say(session.say("ui.exported", name));
                    else if (export.stopped()) probe.say(session.say("ui.export.stopped", name));
                    else trouble.accept(e);
                })));
    }
}
