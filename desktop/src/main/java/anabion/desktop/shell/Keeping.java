package anabion.desktop.shell;

import anabion.desktop.session.Session;
import anabion.workshop.archive.ArchiveSchedule;
import anabion.workshop.archive.WorkshopArchive;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.util.Duration;

/** What is kept without being asked for: a backup each day, and each week an archive of the whole workshop in a folder elsewhere, where one was chosen. */
public final class Keeping {
    private static final String FOLDER = "keep.folder";

    /** From the start to the first look. */
    private static final Duration SETTLED = Duration.minutes(1);

    private final Session session;
    private final Consumer<String> say;
    private final Timeline hourly = new Timeline(new KeyFrame(Duration.hours(1), e -> look()));

    /** @param say told what was written, or why not */
    public Keeping(Session session, Consumer<String> say) {
        this.session = session;
        this.say = say;
    }

    /** An archive that is to be written. */
    private record Due(Path file, ArchiveSchedule schedule, WorkshopArchive.Snapshot all) {}

    /** From now on, while the window is open: a backup at once, an archive when the start is over. */
    public void begin() {
        session.ask(
                w -> {
                    w.backup();
                    return true;
                },
                x -> {});
        hourly.setCycleCount(Animation.INDEFINITE);
        hourly.playFrom(Duration.hours(1).subtract(SETTLED));
    }

    public void end() {
        hourly.stop();
    }

    /** Chooses the folder of the archives, and writes the first if one is due. */
    void keepIn(Path folder) {
        session.remember(FOLDER, folder.toString());
        look();
    }

    private void look() {
        LocalDate today = LocalDate.now(session.clock());
        session.ask(
                w -> {
                    w.backup();
                    Optional<ArchiveSchedule> schedule = w.setting(FOLDER)
                            .filter(f -> !f.isEmpty())
                            .map(Path::of)
                            .map(ArchiveSchedule::new);
                    return schedule.flatMap(
                            s -> due(s, today).map(file -> new Due(file, s, WorkshopArchive.Snapshot.of(w))));
                },
                due -> due.ifPresent(this::write));
    }

    /** A folder that is away is no trouble: it is asked again. */
    private Optional<Path> due(ArchiveSchedule schedule, LocalDate today) {
        try {
            return schedule.due(today);
        } catch (IOException e) {
            Platform.runLater(() -> say.accept(session.say("keep.away", schedule.folder())));
            return Optional.empty();
        }
    }

    private void write(Due due) {
        CompletableFuture.runAsync(() -> {
                    try {
                        WorkshopArchive.write(due.all(), due.file());
                        due.schedule().prune();
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                })
                .whenComplete((x, e) -> Platform.runLater(() -> say.accept(session.say(
                        e == null ? "keep.written" : "keep.failed",
                        due.file(),
                        e == null ? "" : FileErrors.cause(e)))));
    }
}
