package anabion.desktop;

import anabion.core.error.InputException;
import anabion.workshop.StorageException;
import anabion.workshop.Workshop;
import anabion.workshop.demo.DemoPhotos;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Starts the window: {@code demo [--fresh] [FOLDER]}, {@code app [FOLDER]} or {@code shots FOLDER}. */
public final class Main {
    private static final int BAD_INPUT = 2;

    private Main() {}

    public static void main(String[] args) throws IOException {
        java.util.Locale.setDefault(java.util.Locale.Category.FORMAT, java.util.Locale.ROOT);
        List<String> words = new ArrayList<>(List.of(args));
        String command = words.isEmpty() ? "app" : words.remove(0);
        boolean fresh = words.remove("--fresh");
        boolean demo = command.equals("demo");
        String file = command.equals("demo") || command.equals("app") ? "" : command;
        Path folder = words.isEmpty() ? home(demo) : Path.of(words.get(0));
        Logs.to(folder);
        Toolkit.begin();
        try {
            if (demo && fresh) DemoWorkshop.reset(folder);
            Workshop workshop = Workshop.open(folder, Clock.system(java.time.ZoneId.systemDefault()));
            if (demo)
                workshop.doing(() -> {
                    if (DemoWorkshop.fill(workshop)) DemoPhotos.add(workshop);
                    return null;
                });
            AnabionApp.start(
                    workshop, file.isEmpty() ? Optional.empty() : Optional.of(Path.of(file)), (shell, session) -> {});
        } catch (InputException e) {
            System.err.println("anabion: " + e.getMessage());
            Refusal.show(e.getMessage(), BAD_INPUT);
        } catch (StorageException e) {
            System.err.println("anabion: " + e.getMessage());
            if (e.kind() == StorageException.Kind.RESTORABLE) Refusal.offer(e.getMessage(), folder, BAD_INPUT);
            else Refusal.show(e.getMessage(), BAD_INPUT);
        } catch (RuntimeException | Error e) {
            Toolkit.end();
            throw e;
        }
    }

    private static Path home(boolean demo) {
        Path home = Path.of(System.getProperty("user.home"));
        return demo ? home.resolve("anabion-demo") : home.resolve("anabion-workshop");
    }
}
