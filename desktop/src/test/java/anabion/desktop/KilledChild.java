package anabion.desktop;

import anabion.core.job.Step;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Ports;
import anabion.desktop.shell.Shell;
import anabion.workshop.Workshop;
import java.nio.file.Path;
import java.time.Clock;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.application.Platform;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.testfx.util.WaitForAsyncUtils;

/** The real window in a process of its own, typing readings until it is killed; it says which ones were acknowledged. */
final class KilledChild {
    private static Stage stage;
    private static Shell shell;
    private static Session session;

    private KilledChild() {}

    public static void main(String[] args) throws Exception {
        Workshop workshop = Workshop.open(Path.of(args[0]), Clock.systemUTC());
        CountDownLatch shown = new CountDownLatch(1);
        Platform.startup(() -> {
            stage = new Stage();
            session = new Session(workshop);
            shell = AnabionApp.show(stage, session, Ports.system(stage));
            shown.countDown();
        });
        shown.await();
        FastKeyboard keyboard = new FastKeyboard();
        until(() -> !session.shelf().get().isEmpty());
        enter(keyboard, "halcyon");
        until(() ->
                session.step().get() == Step.VOLTAGES && session.verdict().get().isPresent());
        String[] typed = {"V3.7 85.5", "V4.5 233", "V3.2 0.5", "V4.1 2.5", "V1.1 -8.5", "V2.5 211.5", "V5.7 251.5"};
        for (int i = 0; ; i++) {
            String line = typed[i % typed.length];
            int before = readings();
            enter(keyboard, line);
            until(() -> readings() > before);
            System.out.println("ack " + line.split(" ")[0] + " " + Double.parseDouble(line.split(" ")[1]));
            System.out.flush();
        }
    }

    /** Those that are on the disk: what is still being written is not shown as the set yet. */
    private static int readings() {
        return session.set().get().orElseThrow().readings().size();
    }

    private static void enter(FastKeyboard keyboard, String line) {
        line.codePoints()
                .forEach(c -> Platform.runLater(() -> FastKeyboard.type(shell.getScene(), Character.toString(c))));
        keyboard.press(stage, KeyCode.ENTER);
    }

    private static void until(BooleanSupplier holds) throws Exception {
        WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, () -> WaitForAsyncUtils.asyncFx(holds::getAsBoolean)
                .get());
    }
}
