package anabion.devtools;

import anabion.core.job.Step;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Shell;
import anabion.workshop.Summary;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.util.Duration;

/** A minute's work on the set with the most points in the real window, then what the process holds. */
final class MeasuredWork {
    private static final List<Step> STEPS =
            List.of(Step.STUDY, Step.COLD_CHECKS, Step.FIRST_POWER, Step.RECAP, Step.VOLTAGES, Step.TRACE);
    private static final Duration STAY = Duration.seconds(5);
    private static final Duration READ = Duration.seconds(3);
    private static final int READINGS = 8;
    private static final Path STATUS = Path.of("/proc/self/status");

    private final Shell shell;
    private final Session session;

    MeasuredWork(Shell shell, Session session) {
        this.shell = shell;
        this.session = session;
    }

    void start() {
        session.shelf().addListener((o, a, b) -> {
            if (session.set().get().isEmpty() && !b.isEmpty()) begin(b);
        });
    }

    private void begin(List<Summary> shelf) {
        shell.openSet(shelf.stream()
                .max(Comparator.comparingInt(Summary::charted))
                .orElseThrow()
                .id());
        Timeline work = new Timeline();
        Duration at = STAY;
        for (Step s : STEPS) {
            work.getKeyFrames().add(new KeyFrame(at, e -> session.step().set(s)));
            at = at.add(STAY);
        }
        work.getKeyFrames().add(new KeyFrame(at, e -> session.step().set(Step.VOLTAGES)));
        for (int n = 0; n < READINGS; n++) {
            at = at.add(READ);
            String volts = String.valueOf(100 + n);
            work.getKeyFrames().add(new KeyFrame(at, e -> type(volts)));
        }
        work.setOnFinished(e -> {
            held();
            shell.getScene().getWindow().hide();
        });
        work.play();
    }

    private void type(String line) {
        shell.probe().field().setText(line);
        shell.probe()
                .field()
                .fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "\r", "", KeyCode.ENTER, false, false, false, false));
    }

    private static void held() {
        try {
            for (String line : Files.readAllLines(STATUS))
                if (line.startsWith("VmRSS"))
                    say("resident after a minute's work", Long.parseLong(line.replaceAll("\\D", "")) / 1024);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Runtime r = Runtime.getRuntime();
        say("heap committed", r.totalMemory() >> 20);
        System.gc();
        say("heap in use after a collection", (r.totalMemory() - r.freeMemory()) >> 20);
    }

    private static void say(String what, long megabytes) {
        System.out.println(String.format(Locale.ROOT, "%s: %d MB", what, megabytes));
    }
}
