package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.when;

import anabion.core.job.Step;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Shell;
import anabion.workshop.Op;
import anabion.workshop.SetRecord;
import anabion.workshop.Workshop;
import anabion.workshop.storage.CheckedPicture;
import anabion.workshop.storage.Database;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.ListView;
import javafx.scene.image.ImageView;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Nothing is lost: backups put back, a folder that goes away, pictures that break, failures of the program. */
class KeepingTest extends WindowCase {
    @TempDir
    Path elsewhere;

    /** The window's own shell and session: another, once a workshop was opened anew. */
    private Shell now() {
        return (Shell) stage.getScene().getRoot();
    }

    @AfterEach
    void closeTheSecond() {
        Session open = now().session();
        if (open == session) return;
        interact(() -> stage.hide());
        open.close();
    }

    private int read() {
        return now().session().set().get().map(s -> s.readings().size()).orElse(-1);
    }

    @Test
    void aBackupIsPutBackInTheRunningWindow() throws IOException {
        openHalcyon();
        int before = read();
        session.ask(
                        w -> {
                            w.backup();
                            return 0;
                        },
                        x -> {})
                .join();
        enter("V3.7 85");
        until("the reading", () -> read() == before + 1);
        key(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.B);
        until("the backups", () -> shows("workshop-2026-05-04.db"));
        assertThat(shows("7 sets")).isTrue();
        key(KeyCode.ENTER);
        until("the set as it was backed up", () -> now() != shell && read() == before);
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files.filter(f -> f.getFileName().toString().startsWith("set-aside-")))
                    .as("what was there is kept")
                    .singleElement()
                    .satisfies(f -> assertThat(Database.in(f)).exists());
        }
        enter("V3.7 86");
        until("that it works on", () -> read() == before + 1);
    }

    @Test
    void aFolderThatGoesAwayIsSaidAndEverythingIsSavedInAnother() throws IOException {
        openHalcyon();
        int before = read();
        session.ask(
                        w -> w.addPhoto(session.need().id(), CheckedPicture.of(picture(), "a.png"), "underside"),
                        session::changed)
                .join();
        enter("V3.7 85");
        until("the reading", () -> read() == before + 1);
        SetRecord kept = session.set().get().orElseThrow();
        Files.move(folder, elsewhere.resolve("moved"));
        enter("V4.1 2.5");
        until("that it is said", () -> shows("deleted, moved or replaced"));
        Path target = elsewhere.resolve("saved");
        when(files.toSave(anyString(), anyString()))
                .thenReturn(Optional.of(elsewhere))
                .thenReturn(Optional.of(target));
        clickOn("#save-elsewhere");
        until("that a folder in use is refused where it is seen", () -> shows("there is something of this name"));
        clickOn("#save-elsewhere");
        until("what was lost", () -> shows("their files went with the folder: 1"));
        until(
                "the window on the new folder",
                () -> now() != shell && now().session().set().get().isPresent());
        assertThat(now().session().folder()).isEqualTo(target);
        assertThat(now().session().set().get())
                .hasValueSatisfying(s -> assertThat(s.equals(kept)).isTrue());
        enter("V4.1 2.5");
        until("that it works on", () -> read() == kept.readings().size() + 1);
        Files.move(elsewhere.resolve("moved"), folder);
    }

    private static byte[] picture() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(new BufferedImage(300, 220, BufferedImage.TYPE_INT_RGB), "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    @Test
    void aPhotoThatBreaksHasAPlaceholderAndIsTakenOff() throws IOException {
        openHalcyon();
        SetRecord set = session.ask(
                        w -> w.addPhoto(session.need().id(), CheckedPicture.of(picture(), "a.png"), "underside"),
                        session::changed)
                .join();
        Path file = session.ask(w -> w.file(set.photos().get(0)), x -> {}).join();
        byte[] whole = Files.readAllBytes(file);
        Files.write(file, java.util.Arrays.copyOf(whole, 40));
        interact(() -> session.step().set(Step.ARRIVAL));
        until("the placeholder", () -> shows("this picture cannot be read"));
        Button remove = lookup((Button b) -> "remove".equals(b.getText())).query();
        interact(remove::fire);
        until("no photo", () -> session.need().photos().isEmpty() && !shows("underside"));
        key(KeyCode.CONTROL, KeyCode.Z);
        until("the photo again", () -> session.need().photos().size() == 1 && shows("underside"));
    }

    @Test
    void picturesAreNotReadAnewWhenSomethingElseChanges() throws IOException {
        openHalcyon();
        session.ask(
                        w -> w.addPhoto(session.need().id(), CheckedPicture.of(picture(), "a.png"), "underside"),
                        session::changed)
                .join();
        interact(() -> session.step().set(Step.ARRIVAL));
        until("the picture", () -> !lookup((ImageView v) -> "underside".equals(v.getAccessibleText()))
                .queryAll()
                .isEmpty());
        ImageView first = lookup((ImageView v) -> "underside".equals(v.getAccessibleText()))
                .query();
        interact(
                () -> session.change("waits", new Op.PutJob(session.need().job().withWaitsFor("a knob"))));
        until(
                "the change",
                () -> session.set().get().orElseThrow().job().waitsFor().equals("a knob"));
        assertThat(lookup((ImageView v) -> "underside".equals(v.getAccessibleText()))
                        .queryAll())
                .containsExactly(first);
    }

    @Test
    void anErrorOfTheProgramIsSaidAndTheWindowWorksOn() {
        openHalcyon();
        session.ask(
                w -> {
                    throw new OutOfMemoryError("tried");
                },
                x -> {});
        until("the notice", () -> shell.overlay().isOpen() && shows(session.say("notice.title")));
        key(KeyCode.ESCAPE);
        int before = read();
        enter("V3.7 85");
        until("that it works on", () -> read() == before + 1);
    }

    @Test
    void aRefusedStartOffersTheBackups() throws IOException {
        Path broken = elsewhere.resolve("broken");
        try (Workshop w = Workshop.open(broken, session.clock())) {
            w.backup();
        }
        Files.delete(Database.in(broken));
        Workshop[] opened = new Workshop[1];
        Stage[] second = new Stage[1];
        interact(() -> {
            second[0] = new Stage();
            Refusal.fill(second[0], "the database is missing", broken, w -> opened[0] = w);
            second[0].show();
        });
        until("that the list has the focus", () -> second[0].getScene().getFocusOwner() instanceof ListView);
        interact(() -> ((Button) second[0].getScene().lookup("#restore")).fire());
        until("the workshop", () -> opened[0] != null);
        opened[0].close();
        assertThat(Database.in(broken)).exists();
        interact(second[0]::hide);
    }
}
