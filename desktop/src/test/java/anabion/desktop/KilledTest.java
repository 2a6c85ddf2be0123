package anabion.desktop;

import static org.assertj.core.api.Assertions.assertThat;

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
import java.util.concurrent.TimeUnit;
import javafx.scene.control.Label;
import javafx.stage.Stage;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.testfx.api.FxToolkit;
import org.testfx.framework.junit5.ApplicationTest;
import org.testfx.util.WaitForAsyncUtils;

/** The window is killed without warning while readings are typed; started again, it shows every one that it had acknowledged. */
@Tag("window")
class KilledTest extends ApplicationTest {
    private Stage stage;

    @Override
    public void start(Stage primary) {
        stage = primary;
    }

    @Test
    @Tag("smoke")
    void everyAcknowledgedReadingIsThereAfterAKill() throws Exception {
        Path folder = Files.createTempDirectory("anabion-killed");
        List<String> acknowledged = typeAndKill(folder);
        assertThat(acknowledged).hasSizeGreaterThanOrEqualTo(KilledChild.BEFORE_THE_KILL);
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
        assertThat(shown).contains("85.5", "233");
        FxToolkit.cleanupStages();
        session[0].close();
    }

    private static List<String> typeAndKill(Path folder) throws Exception {
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
        try (BufferedReader out =
                new BufferedReader(new InputStreamReader(child.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                if (line.startsWith("ack ")) acknowledged.add(line.substring(4));
                if (acknowledged.size() >= KilledChild.BEFORE_THE_KILL) child.destroyForcibly();
            }
        } catch (java.io.IOException e) {
            // the stream may break with the process
        }
        assertThat(child.waitFor(20, TimeUnit.SECONDS)).isTrue();
        return acknowledged;
    }
}
