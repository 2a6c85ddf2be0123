package anabion.devtools;

import anabion.desktop.AnabionApp;
import anabion.desktop.Toolkit;
import anabion.desktop.session.Session;
import anabion.desktop.shell.Shell;
import anabion.workshop.Workshop;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;

/** {@code shots FOLDER} takes the pictures of the documentation, {@code measure WORKSHOP} times the window and closes it, {@code empty WORKSHOP} times one without content, {@code work WORKSHOP} says what it holds after a minute. */
public final class Main {
    private static final int BAD_INPUT = 2;

    private Main() {}

    public static void main(String[] args) throws IOException {
        Locale.setDefault(Locale.Category.FORMAT, Locale.ROOT);
        String command = args.length == 2 ? args[0] : "";
        switch (command) {
            case "shots" -> Shots.take(Path.of(args[1]));
            case "measure" -> window(Path.of(args[1]), (shell, session) -> new MeasuredWindow(shell, session).start());
            case "empty" -> Toolkit.run(MeasuredWindow::empty);
            case "work" -> window(Path.of(args[1]), (shell, session) -> new MeasuredWork(shell, session).start());
            default -> {
                System.err.println("devtools: shots FOLDER, measure WORKSHOP, empty WORKSHOP or work WORKSHOP");
                System.exit(BAD_INPUT);
            }
        }
    }

    private static void window(Path folder, BiConsumer<Shell, Session> whenShown) {
        Toolkit.begin();
        Workshop workshop = Workshop.open(folder, Clock.system(ZoneId.systemDefault()));
        AnabionApp.start(workshop, Optional.empty(), whenShown);
    }
}
