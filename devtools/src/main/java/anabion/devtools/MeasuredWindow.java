package anabion.devtools;

import anabion.core.reading.judgement.Judge;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Shell;
import anabion.workshop.Summary;
import java.lang.management.ManagementFactory;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.stage.Stage;

/** Times what a user waits for in the real window, prints it, and closes: start, shelf, search, bench. */
final class MeasuredWindow {
    private final Shell shell;
    private final Session session;

    MeasuredWindow(Shell shell, Session session) {
        this.shell = shell;
        this.session = session;
    }

    void start() {
        ChangeListener<List<Summary>> filled = new ChangeListener<>() {
            @Override
            public void changed(
                    javafx.beans.value.ObservableValue<? extends List<Summary>> o, List<Summary> a, List<Summary> b) {
                session.shelf().removeListener(this);
                drawn(() -> {
                    sinceStart("usable window");
                    shelf();
                });
            }
        };
        session.shelf().addListener(filled);
    }

    /** What JavaFX itself needs: a window of the same size with one label. */
    static void empty() {
        Stage stage = new Stage();
        stage.setScene(new Scene(new Label("empty"), 1280, 800));
        stage.show();
        drawn(() -> {
            sinceStart("empty window");
            Platform.exit();
        });
    }

    private void shelf() {
        long start = System.nanoTime();
        session.ask(w -> w.sets().shelf(), all -> {
            session.shelf().set(all);
            drawn(() -> {
                since("shelf shown anew", start);
                search();
            });
        });
    }

    private void search() {
        long start = System.nanoTime();
        shell.probe().field().setText("lark battery");
        drawn(() -> {
            since("search", start);
            shell.probe().clear();
            bench();
        });
    }

    private void bench() {
        long start = System.nanoTime();
        ChangeListener<Optional<Judge.Verdict>> judged = (o, a, b) -> {
            if (b.isPresent())
                drawn(() -> {
                    since("set opened and judged on the bench", start);
                    shell.getScene().getWindow().hide();
                });
        };
        session.set().set(Optional.empty());
        session.verdict().addListener(judged);
        session.shelf().get().stream()
                .filter(s -> s.charted() > 0)
                .findFirst()
                .map(Summary::id)
                .ifPresentOrElse(shell::openSet, () -> {
                    System.err.println("no set with a chart is in this workshop; use that of ./anabion demo");
                    shell.getScene().getWindow().hide();
                });
    }

    private static void sinceStart(String what) {
        say(
                what,
                System.currentTimeMillis()
                        - ManagementFactory.getRuntimeMXBean().getStartTime());
    }

    private static void since(String what, long start) {
        say(what, (System.nanoTime() - start) / 1_000_000);
    }

    private static void say(String what, long ms) {
        System.out.println(String.format(Locale.ROOT, "%s: %d ms", what, ms));
    }

    /** Runs after the next two pulses: by then what was changed has been drawn. */
    private static void drawn(Runnable then) {
        new AnimationTimer() {
            private int pulses;

            @Override
            public void handle(long now) {
                if (++pulses < 2) return;
                stop();
                then.run();
            }
        }.start();
    }
}
