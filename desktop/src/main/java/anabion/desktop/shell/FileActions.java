package anabion.desktop.shell;

import anabion.core.error.InputException;
import anabion.core.job.Step;
import anabion.core.recap.Plan;
import anabion.desktop.session.Session;
import anabion.workshop.SetRecord;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.archive.WorkshopArchive;
import anabion.workshop.report.Templates;
import anabion.workshop.storage.ForcedFiles;
import anabion.workshop.timeline.CalendarFile;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import javafx.application.Platform;

/** What writes files and reads them: sets, tables, archives, pages to print, calendars. */
final class FileActions {
    private final Shell shell;
    private final Session session;
    private final FileChoice files;

    FileActions(Shell shell, Session session, FileChoice files) {
        this.shell = shell;
        this.session = session;
        this.files = files;
    }

    void openFile() {
        files.toOpen(session.say("action.open-file"), List.of("*.zip", "*.json", "*.csv"))
                .ifPresent(this::open);
    }

    void open(Path file) {
        if (file.toString().toLowerCase(Locale.ROOT).endsWith(".csv")) {
            String text = FileErrors.saying(() -> Files.readString(file, StandardCharsets.UTF_8));
            shell.bench()
                    .sheet()
                    .paste(text)
                    .thenRun(() -> Platform.runLater(() -> shell.probe().say(session.say("ui.pasted"))));
            return;
        }
        if (WorkshopArchive.isOne(file)) {
            bringIn(file);
            return;
        }
        session.ask(
                w -> SetArchive.addTo(
                        w,
                        FileErrors.saying(() -> SetArchive.open(file)),
                        session.say("ui.change.opened", file.getFileName())),
                shell::added);
    }

    /** All sets of another workshop, or of this one at another time. */
    private void bringIn(Path file) {
        session.ask(
                w -> FileErrors.saying(
                        () -> WorkshopArchive.addTo(w, file, session.say("ui.change.opened", file.getFileName()))),
                a -> {
                    session.refreshShelf();
                    shell.probe()
                            .say(session.say(
                                    a.differing().isEmpty() ? "keep.in" : "keep.in-more",
                                    a.added().size(),
                                    a.there(),
                                    String.join(", ", a.differing())));
                });
    }

    /** The whole workshop as one file. */
    void wholeWorkshop() {
        files.toSave(session.say("action.whole-workshop"), "anabion-workshop.zip")
                .ifPresent(file -> session.ask(
                        WorkshopArchive.Snapshot::of, all -> shell.export(Export.workshop(all, file), file)));
    }

    void keepArchives() {
        files.folder(session.say("action.keep-archives")).ifPresent(folder -> {
            shell.keeping().keepIn(folder);
            shell.probe().say(session.say("keep.chosen", folder));
        });
    }

    void templates() {
        session.ask(
                w -> {
                    Path folder = w.folder().resolve(Templates.FOLDER);
                    return Map.entry(
                            folder,
                            FileErrors.saying(() -> Templates.copyTo(folder)).size());
                },
                written -> shell.probe()
                        .say(session.say(
                                written.getValue() > 0 ? "keep.templates" : "keep.templates-there", written.getKey())));
    }

    void export(Export.Kind kind) {
        SetRecord set = session.need();
        files.toSave(session.say("action." + kind.action()), Export.name(set, kind))
                .ifPresent(file -> shell.export(Export.of(set, session.words().get(), kind, file), file));
    }

    /** The recap as a page to print; beside the drive its cords, at size. */
    void benchSheet() {
        SetRecord set = session.need();
        if (session.step().get() == Step.DRIVE_AND_CASE) {
            files.toSave(session.say("action.bench-sheet"), Export.name(set, "-cord.pdf"))
                    .ifPresent(file ->
                            shell.export(Export.cords(set, session.words().get(), file), file));
            return;
        }
        Plan plan = session.plan().get().orElseThrow(() -> InputException.at("")
                .because(session.say("recap.no-plan"))
                .so(session.say("recap.no-plan.remedy")));
        files.toSave(session.say("action.bench-sheet"), Export.name(set, "-recap.html"))
                .ifPresent(file -> shell.export(
                        Export.benchSheet(set, plan, session.words().get(), file), file));
    }

    /** All timers, and what is on order for any set. */
    void calendar() {
        files.toSave(session.say("action.calendar"), "anabion.ics")
                .ifPresent(file -> session.ask(
                        w -> {
                            CalendarFile calendar =
                                    new CalendarFile(session.words().get(), session.clock());
                            Map<UUID, String> names = new HashMap<>();
                            for (UUID id : w.sets().ids()) {
                                SetRecord set = w.sets().get(id);
                                names.put(id, set.chassis().name());
                                calendar.with(set);
                            }
                            String text = calendar.with(w.timers(), names).text();
                            FileErrors.saying(() -> {
                                ForcedFiles.write(file, o -> o.write(text.getBytes(StandardCharsets.UTF_8)));
                                return text;
                            });
                            return calendar.size();
                        },
                        n -> shell.probe().say(session.say("ui.calendar", n, file.getFileName()))));
    }
}
