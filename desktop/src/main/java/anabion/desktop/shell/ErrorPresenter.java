package anabion.desktop.shell;

import anabion.core.error.InputException;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.instruments.InstrumentException;
import anabion.workshop.Photo;
import anabion.workshop.Restore;
import anabion.workshop.StorageException;
import anabion.workshop.Workshop;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CompletionException;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;

/** What went wrong, said where it belongs, with what can be done about it. */
final class ErrorPresenter {
    private final Shell shell;
    private final FileChoice files;
    private BiConsumer<Supplier<Path>, String> reopen = (work, said) -> {};

    ErrorPresenter(Shell shell, FileChoice files) {
        this.shell = shell;
        this.files = files;
    }

    void onReopen(BiConsumer<Supplier<Path>, String> handler) {
        reopen = handler;
    }

    static Throwable cause(Throwable e) {
        return e instanceof CompletionException && e.getCause() != null ? e.getCause() : e;
    }

    /** Calmly in the probe line what the user can mend, the rest as a notice. */
    void say(Throwable failure, String typed) {
        Throwable t = cause(failure);
        if (t instanceof StorageException s && s.kind() == StorageException.Kind.MOVED) moved(s);
        if (t instanceof InputException || t instanceof StorageException || t instanceof InstrumentException)
            shell.probe().complain(t.getMessage(), typed);
        else Notice.show(shell, t);
    }

    /** The folder is gone: everything can be saved in another. */
    private void moved(StorageException trouble) {
        if (shell.overlay().isOpen()) return;
        Session session = shell.session();
        Button save = new Button(session.say("moved.save"));
        save.setId("save-elsewhere");
        save.setDefaultButton(true);
        Label said = Texts.wrapped("", "brick");
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        save.setOnAction(e -> files.toSave(session.say("moved.save"), "anabion-workshop")
                .ifPresent(folder ->
                        session.saveTo(folder, lost -> saved(folder, lost), t -> said.setText(cause(t).getMessage()))));
        VBox box = new VBox(10, Texts.wrapped(trouble.getMessage()), save, said);
        shell.overlay().open(session.say("moved.title"), box, save, this::back);
    }

    private void saved(Path folder, List<Photo> lost) {
        shell.overlay().close();
        Session session = shell.session();
        reopen.accept(() -> folder, lost.isEmpty() ? "" : session.say("moved.lost", lost.size()));
    }

    /** Backups of the open workshop, to put one in its place. */
    void restore() {
        Session session = shell.session();
        session.ask(Workshop::backups, backups -> {
            BackupList list = new BackupList(
                    backups, session.words().get(), session.clock().getZone(), b -> {
                        shell.overlay().close();
                        reopen.accept(
                                () -> {
                                    Restore.from(session.folder(), b.name(), session.clock());
                                    return session.folder();
                                },
                                session.say("restore.done", b.name()));
                    });
            VBox box = new VBox(10, Texts.wrapped(session.say("restore.text")), list);
            shell.overlay().open(session.say("restore.title"), box, list.list(), this::back);
        });
    }

    private void back() {
        shell.probe().field().requestFocus();
    }
}
