package anabion.desktop;

import anabion.workshop.Workshop;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Clock;
import java.time.ZoneOffset;
import java.util.List;
import java.util.stream.Stream;

/** The demo workshop, made once in a run: to make it takes its sets' circuits some seconds. */
final class DemoCopy {
    private static final Path MADE = made();

    private DemoCopy() {}

    /** Copies it into an empty folder. */
    static void to(Path folder) throws IOException {
        for (Path from : all(MADE)) {
            Path to = folder.resolve(MADE.relativize(from).toString());
            if (Files.isDirectory(from)) Files.createDirectories(to);
            else Files.copy(from, to);
        }
    }

    /** Keeps what was computed in a copy: whoever starts the program again does not wait for it twice, and neither do the tests. */
    static void keep(Path folder) throws IOException {
        Path computed = folder.resolve("computed");
        for (Path from : all(computed)) {
            Path to = MADE.resolve("computed").resolve(computed.relativize(from).toString());
            if (Files.isDirectory(from)) Files.createDirectories(to);
            else if (!Files.exists(to) || Files.size(from) > Files.size(to))
                Files.copy(from, to, StandardCopyOption.REPLACE_EXISTING);
        }
    }

    private static Path made() {
        try {
            Path folder = Path.of("target", "demo-copy").toAbsolutePath();
            List<Path> old = all(folder);
            for (int n = old.size() - 1; n >= 0; n--) Files.delete(old.get(n));
            try (Workshop workshop = Workshop.open(folder, Clock.fixed(WindowCase.NOW, ZoneOffset.UTC))) {
                DemoWorkshop.fill(workshop);
            }
            return folder;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static List<Path> all(Path folder) throws IOException {
        if (!Files.exists(folder)) return List.of();
        try (Stream<Path> files = Files.walk(folder)) {
            return files.toList();
        }
    }
}
