package anabion.desktop;

import anabion.core.job.Step;
import anabion.desktop.session.Session;
import anabion.desktop.shell.FileChoice;
import anabion.desktop.shell.Shell;
import anabion.workshop.Workshop;
import anabion.workshop.demo.DemoWorkshop;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.framework.junit5.ApplicationTest;
import org.testfx.util.WaitForAsyncUtils;

/** The real window on the demo workshop, driven by keys; file dialogs are answered by the test. */
@Tag("window")
abstract class WindowCase extends ApplicationTest {
    static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");

    Path folder;
    Shell shell;
    Session session;
    Optional<Path> answer = Optional.empty();
    Stage stage;

    @Override
    public void start(Stage primary) throws Exception {
        stage = primary;
        folder = Files.createTempDirectory("anabion-window");
        Workshop workshop = Workshop.open(folder, Clock.fixed(NOW, ZoneOffset.UTC));
        prepare(workshop);
        session = new Session(workshop);
        session.motion().set(false);
        shell = AnabionApp.show(primary, session, new FileChoice() {
            @Override
            public Optional<Path> toOpen(String title, List<String> patterns) {
                return answer;
            }

            @Override
            public Optional<Path> toSave(String title, String name) {
                return answer.map(p -> Files.isDirectory(p) ? p.resolve(name) : p);
            }
        });
    }

    void prepare(Workshop workshop) {
        DemoWorkshop.fill(workshop);
    }

    @AfterEach
    void closeWindow() throws Exception {
        FxToolkit.cleanupStages();
        session.close();
    }

    /** Waits until something holds in the window, at most a minute: first odds take their time where something else runs. */
    void until(String what, BooleanSupplier holds) {
        try {
            WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(holds::getAsBoolean)
                    .get());
        } catch (Exception e) {
            throw new AssertionError("not seen in a minute: " + what + "; the window says: " + texts(), e);
        }
    }

    /** Types a line into the probe line and presses Enter. */
    FxRobot enter(String line) {
        write(line);
        return key(KeyCode.ENTER);
    }

    FxRobot key(KeyCode... keys) {
        push(keys);
        WaitForAsyncUtils.waitForFxEvents();
        return this;
    }

    /** All texts that are visible now. */
    List<String> texts() {
        return lookup(n -> n instanceof Label && n.isVisible()).queryAll().stream()
                .map((Node n) -> ((Label) n).getText())
                .toList();
    }

    boolean shows(String text) {
        return texts().stream().anyMatch(t -> t != null && t.contains(text));
    }

    void openHalcyon() {
        until("the shelf", () -> shows("Vessmark Halcyon"));
        enter("halcyon");
        until(
                "the bench",
                () -> session.step().get() == Step.VOLTAGES
                        && session.verdict().get().isPresent()
                        && shows("V4.1"));
    }
}
