package anabion.devtools;

import anabion.desktop.AnabionApp;
import anabion.workshop.Workshop;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.Locale;
import java.util.Optional;

/** {@code shots FOLDER} takes the pictures of the documentation, {@code measure WORKSHOP} times the window and closes it. */
public final class Main {
    private static final int BAD_INPUT = 2;

    private Main() {}

    public static void main(String[] args) throws IOException {
        Locale.setDefault(Locale.Category.FORMAT, Locale.ROOT);
        String command = args.length == 2 ? args[0] : "";
        switch (command) {
            case "shots" -> Shots.take(Path.of(args[1]));
            case "measure" -> measure(Path.of(args[1]));
            default -> {
                System.err.println("devtools: shots FOLDER, or measure WORKSHOP");
                System.exit(BAD_INPUT);
            }
        }
    }

    private static void measure(Path folder) {
        Workshop workshop = Workshop.open(folder, Clock.system(ZoneId.systemDefault()));
        if (workshop.sets().summaries().stream().noneMatch(s -> s.charted() > 0)) {
            workshop.close();
            System.err.println(folder + ": no set with a chart is in this workshop; use that of ./anabion demo");
            System.exit(BAD_INPUT);
        }
        AnabionApp.start(workshop, Optional.empty(), (shell, session) -> new MeasuredWindow(shell, session).start());
    }
}
