package anabion.desktop.shell;

import anabion.core.device.DeviceLibrary;
import anabion.core.error.InputException;
import anabion.core.job.Note;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.WorkOrder;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.desktop.session.Session;
import anabion.workshop.Op;
import anabion.workshop.Op.Place;
import anabion.workshop.OwnLibrary;
import anabion.workshop.SetRecord;
import anabion.workshop.Summary;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Function;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;

/** Every action of the program and its key. */
final class ShellActions {
    private final Shell shell;
    private final Session session;
    private final FileChoice files;
    private final FileActions own;
    private final PhotoIntake photos;

    ShellActions(Shell shell, Session session, FileChoice files) {
        this.shell = shell;
        this.session = session;
        this.files = files;
        this.own = new FileActions(shell, session, files);
        this.photos = new PhotoIntake(session, f -> shell.guarded(() -> own.open(f)));
    }

    void register(Actions a) {
        a.add("actions", "Shortcut+K", () -> ActionList.show(shell));
        a.add("guide", "F1", () -> Guide.show(shell));
        a.add("shelf", "Shortcut+1", () -> shell.go(Shell.Where.SHELF));
        a.add("bench", "Shortcut+2", () -> shell.go(Shell.Where.BENCH));
        a.add("library", "Shortcut+3", () -> shell.go(Shell.Where.LIBRARY));
        a.add("new", "Shortcut+N", () -> NewSet.show(shell));
        a.add("open-file", "Shortcut+O", own::openFile);
        a.add("undo", "Shortcut+Z", this::undo);
        a.add("redo", "Shortcut+Y", this::redo);
        a.add("copy", "Shortcut+C", this::copy);
        a.add("paste", "Shortcut+V", this::paste);
        a.add("stage-next", "Alt+Right", () -> shell.bench().stepPointer(1));
        a.add("stage-previous", "Alt+Left", () -> shell.bench().stepPointer(-1));
        a.add("step-next", "Alt+Down", () -> step(1));
        a.add("step-previous", "Alt+Up", () -> step(-1));
        a.add("mark", "Shortcut+D", this::mark);
        a.add("fields", "F2", () -> shell.bench().sheet().focus());
        a.add("band", "F3", () -> shell.entries().nextBand());
        a.add("every-band", "Shortcut+B", () -> shell.bench().sheet().everyBand());
        a.add("arithmetic", "F4", () -> shell.bench().toggleArithmetic());
        a.add("socket", "F5", () -> {
            if (inLibrary()) shell.library().flip();
            else shell.bench().flipSocket();
        });
        a.add("next-test", "Shortcut+G", () -> shell.begin(shell.nextTest().first()));
        a.add("meter", "F6", () -> shell.takeFromInstruments());
        for (int i = 1; i <= 6; i++) {
            int tab = i;
            a.add("tab-" + i, "Alt+" + i, () -> {
                if (inLibrary()) shell.library().view(tab);
                else shell.bench().sheet().tab(tab);
            });
        }
        a.add("theme", "F7", this::theme);
        a.add(
                "valve",
                "F8",
                () -> vocabulary(new Vocabulary(
                        !session.words().get().vocabulary().valve(),
                        session.words().get().vocabulary().oldUnits())));
        a.add(
                "units",
                "F9",
                () -> vocabulary(new Vocabulary(
                        session.words().get().vocabulary().valve(),
                        !session.words().get().vocabulary().oldUnits())));
        a.add("motion", "F10", this::motion);
        a.add("larger", "Shortcut+Equals", () -> scale(1.1));
        a.add("smaller", "Shortcut+Minus", () -> scale(1 / 1.1));
        a.add("photo", "Shortcut+P", this::photo);
        a.add("watch-photos", "Shortcut+Shift+P", this::watchFolder);
        a.add("pdf", "Shortcut+E", () -> own.export(Export.Kind.PDF));
        a.add("html", "Shortcut+Shift+E", () -> own.export(Export.Kind.HTML));
        a.add("bench-sheet", "Shortcut+J", own::benchSheet);
        a.add("report", "Shortcut+R", () -> ReportCard.show(shell, files));
        a.add("templates", "Shortcut+Shift+T", own::templates);
        a.add("whole-workshop", "Shortcut+Shift+S", own::wholeWorkshop);
        a.add("keep-archives", "Shortcut+Shift+K", own::keepArchives);
        a.add("archive-file", "Shortcut+S", () -> own.export(Export.Kind.ZIP));
        a.add("archive", "Shortcut+Shift+A", () -> move(Place.ARCHIVE));
        a.add("trash", "Shortcut+Delete", () -> move(Place.TRASH));
        a.add("purge", "Shortcut+Shift+Delete", this::purge);
        a.add("restore", "Shortcut+Shift+R", () -> move(Place.SHELF));
        a.add("show-archive", "Shortcut+Shift+1", () -> look(Place.ARCHIVE));
        a.add("show-trash", "Shortcut+Shift+2", () -> look(Place.TRASH));
        a.add("restore-backup", "Shortcut+Shift+B", () -> shell.troubles().restore());
        a.add("timer-done", "Shortcut+T", this::timerDone);
        a.add("note", "F11", () -> shell.probe().offer("note "));
        a.add("timeline", "Shortcut+L", () -> TimelineList.show(shell));
        a.add("search", "Shortcut+F", () -> SearchList.show(shell, shell::openSet));
        a.add("failures", "Shortcut+Shift+F", () -> FailureList.show(shell));
        a.add("calendar", "Shortcut+Shift+D", own::calendar);
    }

    /** How photos and files come in. */
    PhotoIntake photos() {
        return photos;
    }

    private void step(int by) {
        Step[] all = Step.values();
        session.step().set(all[Math.floorMod(session.step().get().ordinal() + by, all.length)]);
    }

    /** Open, under way, done, and back to what the program derives. */
    private void mark() {
        SetRecord set = session.need();
        Step step = session.step().get();
        StepState now = session.order().stream()
                .filter(i -> i.step() == step)
                .map(WorkOrder.Item::state)
                .findFirst()
                .orElse(StepState.OPEN);
        StepState next = StepState.values()[(now.ordinal() + 1) % StepState.values().length];
        if (step == Step.HAND_BACK
                && next == StepState.DONE
                && set.job().notes(Note.Kind.CAUSE).isEmpty())
            throw InputException.at("").because(session.say("ui.no-cause")).so(session.say("ui.no-cause.remedy"));
        session.putJob(
                session.say("ui.change.step", session.say("step." + step.code()), session.say("state." + next.code())),
                set.job().withStep(step, next));
    }

    private boolean inLibrary() {
        return shell.where() == Shell.Where.LIBRARY;
    }

    private void undo() {
        if (inLibrary()) {
            typeStep(session.types().history().get().undo(), "ui.undone", OwnLibrary::undo);
            return;
        }
        Optional<String> what = session.history().get().undo();
        session.undo();
        what.ifPresent(w -> shell.probe().say(session.say("ui.undone", w)));
    }

    private void typeStep(Optional<String> what, String key, Function<OwnLibrary, DeviceLibrary> step) {
        if (what.isEmpty()) return;
        session.types().change(step);
        shell.probe().say(session.say(key, what.get()));
    }

    private void redo() {
        if (inLibrary()) {
            typeStep(session.types().history().get().redo(), "ui.redone", OwnLibrary::redo);
            return;
        }
        Optional<String> what = session.history().get().redo();
        session.redo();
        what.ifPresent(w -> shell.probe().say(session.say("ui.redone", w)));
    }

    private void theme() {
        shell.theme(!shell.dim());
        session.remember("theme", shell.dim() ? "dim" : "light");
    }

    private void vocabulary(Vocabulary v) {
        session.words().set(new Words(v));
        session.remember("words", (v.valve() ? "valve" : "tube") + " " + (v.oldUnits() ? "old" : "si"));
    }

    private void motion() {
        session.motion().set(!session.motion().get());
        session.remember("motion", String.valueOf(session.motion().get()));
    }

    private void scale(double factor) {
        shell.scale(shell.scaled() * factor);
        session.remember("scale", String.valueOf(shell.scaled()));
    }

    private void copy() {
        ClipboardContent content = new ClipboardContent();
        content.putString(shell.bench().sheet().copy());
        Clipboard.getSystemClipboard().setContent(content);
        shell.probe().say(session.say("ui.copied"));
    }

    private void paste() {
        if (shell.where() == Shell.Where.BENCH
                && !Clipboard.getSystemClipboard().hasString()
                && photos.pasted()) return;
        String text =
                Optional.ofNullable(Clipboard.getSystemClipboard().getString()).orElse("");
        boolean table = text.strip().contains("\n");
        if (!table || shell.where() != Shell.Where.BENCH) {
            shell.probe().field().paste();
            return;
        }
        told(shell.bench().sheet().paste(text), session.say("ui.pasted"));
    }

    private void told(CompletableFuture<?> done, String words) {
        done.thenRun(
                () -> javafx.application.Platform.runLater(() -> shell.probe().say(words)));
    }

    // --- photos ---

    private void photo() {
        session.need();
        files.toOpen(session.say("action.photo"), List.of("*.jpg", "*.jpeg", "*.png"))
                .ifPresent(photos::file);
    }

    /** Pictures that come into a folder come to the set on the bench, until the key is pressed again. */
    private void watchFolder() {
        if (photos.watches()) {
            photos.end();
            shell.probe().say(session.say("photo.watch-ended"));
            return;
        }
        session.need();
        files.folder(session.say("action.watch-photos")).ifPresent(f -> {
            photos.watch(f);
            shell.probe().say(session.say("photo.watching", f.getFileName()));
        });
    }

    // --- places on the shelf ---

    private void move(Place to) {
        Optional<Summary> chosen =
                shell.where() == Shell.Where.SHELF ? shell.shelf().chosen() : Optional.empty();
        var id = chosen.map(Summary::id).orElseGet(() -> session.need().id());
        String name = chosen.map(Summary::name)
                .orElseGet(() -> session.need().chassis().name());
        session.change(
                id,
                session.say(
                        "ui.change.place",
                        name,
                        session.say("shelf." + to.name().toLowerCase(Locale.ROOT))),
                new Op.PutPlace(to));
        shell.probe()
                .say(session.say(
                        "ui.moved", name, session.say("shelf." + to.name().toLowerCase(Locale.ROOT))));
    }

    /** For good, and only what lies in the trash already. */
    private void purge() {
        shell.shelf()
                .chosen()
                .filter(s -> shell.where() == Shell.Where.SHELF)
                .ifPresent(s -> session.ask(
                        w -> {
                            w.sets().purge(s.id());
                            return s.name();
                        },
                        name -> {
                            session.refreshShelf();
                            shell.probe().say(session.say("ui.purged", name));
                        }));
    }

    private void look(Place place) {
        shell.shelf().show(shell.shelf().place() == place ? Place.SHELF : place);
        shell.go(Shell.Where.SHELF);
    }

    private void timerDone() {
        session.timers().get().stream()
                .findFirst()
                .ifPresent(t -> session.change(
                        t.set(), session.say("ui.change.timer-done", t.label()), new Op.DropTimer(t.id())));
    }
}
