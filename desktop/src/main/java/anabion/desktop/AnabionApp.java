package anabion.desktop;

import anabion.core.command.AlignRequest;
import anabion.core.error.InputException;
import anabion.core.job.Step;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Ports;
import anabion.desktop.shell.Shell;
import anabion.desktop.theme.Look;
import anabion.workshop.StorageException;
import anabion.workshop.Workshop;
import anabion.workshop.archive.SetArchive;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import javafx.animation.AnimationTimer;
import javafx.application.Platform;
import javafx.geometry.Rectangle2D;
import javafx.scene.Scene;
import javafx.scene.image.Image;
import javafx.stage.Screen;
import javafx.stage.Stage;

/** The one window. */
public final class AnabionApp {
    private static final int FIRST_FRAMES = 3;

    private AnabionApp() {}

    /**
     * Starts the toolkit and shows a workshop until its window is closed.
     *
     * @param workshop opened before the toolkit starts, so that a refusal needs no window
     * @param toImport a set archive to take in
     * @param shown is told once the window is there
     */
    public static void start(Workshop workshop, Optional<Path> toImport, BiConsumer<Shell, Session> shown) {
        Toolkit.run(() -> open(new Stage(), workshop, toImport, shown));
    }

    /** Shows a workshop in a window of its own. */
    static void open(Stage stage, Workshop workshop, Optional<Path> toImport, BiConsumer<Shell, Session> shown) {
        Session session = new Session(workshop);
        session.compute().hold();
        Shell shell = show(stage, session, Ports.system(stage));
        live(stage, session, shell);
        drawn(session.compute()::release);
        toImport.ifPresent(f -> take(f, session, shell));
        shown.accept(shell, session);
    }

    /** Runs something after the first frames: what a person sees first shares the processors with nothing. */
    private static void drawn(Runnable then) {
        new AnimationTimer() {
            private int frames;

            @Override
            public void handle(long now) {
                if (++frames < FIRST_FRAMES) return;
                stop();
                then.run();
            }
        }.start();
    }

    /** The window's end is the session's, and what nobody caught is said in the window. */
    private static void live(Stage stage, Session session, Shell shell) {
        stage.setOnCloseRequest(e -> {
            if (session.photosComing() == 0) return;
            e.consume();
            shell.probe().say(session.say("photo.coming", session.photosComing()));
            new AnimationTimer() {
                @Override
                public void handle(long now) {
                    if (session.photosComing() > 0) return;
                    stop();
                    stage.hide();
                }
            }.start();
        });
        stage.setOnHidden(e -> {
            shell.closeInstruments();
            shell.keeping().end();
            session.close();
        });
        Thread.setDefaultUncaughtExceptionHandler((t, e) -> Platform.runLater(() -> shell.trouble(e)));
        shell.keeping().begin();
    }

    /** A workshop opened anew, and why it is not the one that was wanted. */
    private record Reopened(Workshop workshop, Optional<RuntimeException> failed) {}

    /** Closes the workshop, does something to folders, opens the one that this returns in the same window, and says how it went. */
    private static void reopen(
            Stage stage, Session session, Shell shell, Ports ports, Supplier<Path> work, String said) {
        shell.closeInstruments();
        shell.keeping().end();
        shell.setDisable(true);
        CompletableFuture.supplyAsync(() -> reopened(session, work))
                .whenComplete((r, e) -> Platform.runLater(() -> {
                    if (e == null) {
                        Session next = new Session(r.workshop());
                        Shell shown = show(stage, next, ports);
                        live(stage, next, shown);
                        r.failed().ifPresentOrElse(shown::trouble, () -> shown.probe()
                                .say(said));
                    } else Refusal.fill(stage, e.getCause().getMessage());
                }));
    }

    private static Reopened reopened(Session session, Supplier<Path> work) {
        session.close();
        Path folder = session.folder();
        Optional<RuntimeException> failed = Optional.empty();
        try {
            folder = work.get();
        } catch (InputException | StorageException e) {
            failed = Optional.of(e);
        }
        return new Reopened(Workshop.open(folder, session.clock(), session.predictors()), failed);
    }

    /** Builds the window on a stage and recovers what was remembered. */
    public static Shell show(Stage stage, Session session, Ports ports) {
        Look.loadFonts();
        Shell shell = new Shell(session, ports);
        Map<String, String> remembered =
                session.ask(AnabionApp::settings, x -> {}).join();
        double[] box = bounds(remembered.getOrDefault("window", ""));
        Scene scene = new Scene(shell, box[2], box[3]);
        stage.setScene(scene);
        stage.setTitle(session.say("ui.name"));
        stage.getIcons().add(new Image(AnabionApp.class.getResourceAsStream("/anabion/theme/anabion.png")));
        stage.setMinWidth(1024);
        stage.setMinHeight(640);
        if (!Double.isNaN(box[0])) {
            stage.setX(box[0]);
            stage.setY(box[1]);
        }
        recover(shell, session, remembered);
        stage.setOnHiding(e -> session.remember(
                "window", stage.getX() + " " + stage.getY() + " " + scene.getWidth() + " " + scene.getHeight()));
        session.step().addListener((o, a, b) -> session.remember("last.step", b.name()));
        shell.onReopen((work, said) -> reopen(stage, session, shell, ports, work, said));
        stage.show();
        shell.probe().field().requestFocus();
        return shell;
    }

    private static void take(Path archive, Session session, Shell shell) {
        session.ask(
                w -> {
                    try {
                        return SetArchive.addTo(
                                w, SetArchive.open(archive), session.say("ui.change.opened", archive.getFileName()));
                    } catch (IOException e) {
                        throw new UncheckedIOException(e);
                    }
                },
                shell::added);
    }

    private static Map<String, String> settings(Workshop w) {
        Map<String, String> all = new LinkedHashMap<>();
        for (String name :
                new String[] {"window", "theme", "scale", "words", "motion", "school", "stock", "last.set", "last.step"
                }) w.setting(name).ifPresent(v -> all.put(name, v));
        return all;
    }

    /** The remembered window if it still lies on a screen, else a usual one in the middle. */
    static double[] bounds(String remembered) {
        double[] usual = {Double.NaN, Double.NaN, 1280, 800};
        String[] words = remembered.split(" ");
        if (words.length != 4) return usual;
        double[] box = new double[4];
        for (int i = 0; i < 4; i++) box[i] = number(words[i], Double.NaN);
        boolean seen = Screen.getScreensForRectangle(
                        new Rectangle2D(box[0], box[1], Math.max(1, box[2]), Math.max(1, box[3])))
                .stream()
                .anyMatch(s -> s.getVisualBounds().contains(box[0] + box[2] / 2, box[1] + 10));
        if (!seen || Double.isNaN(box[2])) return usual;
        return new double[] {box[0], box[1], Math.max(1024, box[2]), Math.max(640, box[3])};
    }

    private static void recover(Shell shell, Session session, Map<String, String> remembered) {
        shell.theme("dim".equals(remembered.get("theme")));
        if (remembered.containsKey("scale")) shell.scale(number(remembered.get("scale"), 1));
        if (remembered.containsKey("motion")) session.motion().set(Boolean.parseBoolean(remembered.get("motion")));
        String words = remembered.getOrDefault("words", "");
        if (!words.isEmpty())
            session.words().set(new Words(new Vocabulary(words.startsWith("valve"), words.endsWith("old"))));
        session.plans().shop().set(remembered.getOrDefault("school", ""));
        session.plans().stock().set(remembered.getOrDefault("stock", ""));
        session.alignments().ownStations().set(AlignRequest.stations(remembered.getOrDefault("stations", "")));
        String last = remembered.getOrDefault("last.set", "");
        if (last.isEmpty()) return;
        UUID id = UUID.fromString(last);
        if (!session.ask(w -> w.sets().has(id), x -> {}).join()) return;
        session.open(id, () -> {
            session.step().set(step(remembered.getOrDefault("last.step", "")));
            shell.go(Shell.Where.BENCH);
        });
    }

    /** A remembered number; a damaged one is as good as none. */
    private static double number(String text, double otherwise) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            return otherwise;
        }
    }

    private static Step step(String name) {
        for (Step s : Step.values()) if (s.name().equals(name)) return s;
        return Step.ARRIVAL;
    }
}
