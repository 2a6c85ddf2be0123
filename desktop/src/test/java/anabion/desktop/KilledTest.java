package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.testing.Deep;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Ports;
import anabion.workshop.Workshop;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import javafx.scene.control.Label;
import javafx.stage.Stage;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxToolkit;
import org.testfx.framework.junit5.ApplicationTest;
import org.testfx.util.WaitForAsyncUtils;

/** The window is killed without warning while readings are typed; started again, it shows every one that it had acknowledged. */
@Tag("window")
class KilledTest extends ApplicationTest {
    private static final int LONGEST = 8;
    /** A child that somebody else's keys reach may never acknowledge anything. */
    private static final int PATIENCE = 120;

    @TempDir
    Path parent;

    private Stage stage;

    @Override
    public void start(Stage primary) {
        stage = primary;
    }

    @Test
    @Tag("smoke")
    void everyAcknowledgedReadingIsThereAfterAKill() throws Exception {
        int kills = Deep.times("kills of the window while it is typed into", 1, 20);
        Random random = new Random(11);
        for (int kill = 0; kill < kills; kill++) {
            Path folder = Files.createDirectory(parent.resolve("workshop-" + kill));
            DemoCopy.to(folder);
            int wanted = 1 + random.nextInt(LONGEST);
            List<String> acknowledged = typeAndKill(folder, wanted, random.nextInt(120));
            assertThat(acknowledged).hasSizeGreaterThanOrEqualTo(wanted);
            check(folder, acknowledged);
        }
    }

    private void check(Path folder, List<String> acknowledged) throws Exception {
        Workshop workshop = Workshop.open(folder, Clock.systemUTC());
        Session[] session = new Session[1];
        interact(() -> {
            session[0] = new Session(workshop);
            AnabionApp.show(stage, session[0], Ports.system(stage));
        });
        WaitForAsyncUtils.waitFor(
                20,
                TimeUnit.SECONDS,
                () -> session[0].set().get().isPresent()
                        && session[0].verdict().get().isPresent());
        WaitForAsyncUtils.waitForFxEvents();
        List<String> shown = lookup(n -> n instanceof Label && n.getStyleClass().contains("read")).queryAll().stream()
                .map(n -> ((Label) n).getText())
                .toList();
        List<String> readings = session[0].need().readings().stream()
                .map(r -> r.point() + " " + r.value())
                .toList();
        assertThat(readings).containsAll(acknowledged);
        assertThat(shown).as("the first one typed").contains("85.5");
        FxToolkit.cleanupStages();
        session[0].close();
    }

    /** Types in a window of another process until so many are acknowledged, and kills it so many milliseconds later: while the next is typed or stored. */
    private static List<String> typeAndKill(Path folder, int wanted, int later) throws Exception {
        String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        Process child = new ProcessBuilder(
                        java,
                        "-cp",
                        System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                        KilledChild.class.getName(),
                        folder.toString())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        List<String> acknowledged = new ArrayList<>();
        CompletableFuture.delayedExecutor(PATIENCE, TimeUnit.SECONDS).execute(child::destroyForcibly);
        Thread killer = new Thread(() -> {
            LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(later));
            child.destroyForcibly();
        });
        try (BufferedReader out =
                new BufferedReader(new InputStreamReader(child.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                if (line.startsWith("ack ")) acknowledged.add(line.substring(4));
                if (acknowledged.size() == wanted && killer.getState() == Thread.State.NEW) killer.start();
            }
        } catch (java.io.IOException e) {
            // the stream may break with the process
        }
        assertThat(child.waitFor(20, TimeUnit.SECONDS)).isTrue();
        return acknowledged;
    }
}
