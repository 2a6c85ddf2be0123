package anabion.desktop;

import anabion.core.job.Step;
import anabion.desktop.session.Session;
import anabion.desktop.shell.FileChoice;
import anabion.desktop.shell.Ports;
import anabion.desktop.shell.Shell;
import anabion.instruments.InstrumentConnector;
import anabion.instruments.process.BenchProcess;
import anabion.workshop.Predictors;
import anabion.workshop.Workshop;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.Mock;
import org.mockito.junit.jupiter.MockitoExtension;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.framework.junit5.ApplicationTest;
import org.testfx.util.WaitForAsyncUtils;

/** The real window on a copy of the demo workshop, driven by keys; the test stands in for file dialogs and meters. */
@Tag("window")
@ExtendWith(MockitoExtension.class)
abstract class WindowCase extends ApplicationTest {
    static final Instant NOW = Instant.parse("2026-05-04T10:00:00Z");

    /** What the circuits of the demo say is the same in every window: the first odds of one take some seconds. */
    private static final Predictors CIRCUITS = new Predictors();

    /** Of the time of sets on simulated benches. */
    private static final double SPEED = 20;

    @TempDir
    Path folder;

    @Mock
    FileChoice files;

    @Mock
    InstrumentConnector instruments;

    private final FastKeyboard keyboard = new FastKeyboard();
    Shell shell;
    Session session;
    Stage stage;

    @Override
    public void start(Stage primary) throws Exception {
        stage = primary;
        DemoCopy.to(folder);
        Workshop workshop = Workshop.open(folder, clock(), CIRCUITS);
        session = new Session(workshop);
        session.motion().set(false);
        shell = AnabionApp.show(primary, session, ports());
    }

    /** The time of the window: it stands still, where a test does not let it go on. */
    Clock clock() {
        return Clock.fixed(NOW, ZoneOffset.UTC);
    }

    Ports ports() {
        return new Ports(files, instruments, (chassis, condition) -> BenchProcess.start(chassis, condition, SPEED));
    }

    @AfterEach
    void closeWindow() throws Exception {
        FxToolkit.cleanupStages();
        shell.closeInstruments();
        session.close();
        DemoCopy.keep(folder);
    }

    /** Waits until something holds in the window, at most a minute: first odds take their time where something else runs. */
    void until(String what, BooleanSupplier holds) {
        try {
            WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(holds::getAsBoolean)
                    .get());
        } catch (Exception e) {
            throw new AssertionError(
                    "not seen in a minute: " + what + "; the focus is on "
                            + stage.getScene().getFocusOwner() + "; the window says: " + texts(),
                    e);
        }
    }

    /** Types a line into the probe line and presses Enter. */
    FxRobot enter(String line) {
        write(line);
        return key(KeyCode.ENTER);
    }

    /** Presses keys together on the display's keyboard. */
    FxRobot key(KeyCode... keys) {
        keyboard.press(stage, keys);
        return settled();
    }

    /** Types as fast as the window takes it: the robot's own way waits a tenth of a second after each character. */
    @Override
    public FxRobot write(String text) {
        text.codePoints()
                .forEach(c -> Platform.runLater(() -> FastKeyboard.type(stage.getScene(), Character.toString(c))));
        return settled();
    }

    private FxRobot settled() {
        WaitForAsyncUtils.waitForFxEvents(2);
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

    void clipboard(String text) {
        WaitForAsyncUtils.asyncFx(() -> {
            ClipboardContent content = new ClipboardContent();
            content.putString(text);
            Clipboard.getSystemClipboard().setContent(content);
        });
        WaitForAsyncUtils.waitForFxEvents();
    }
}
