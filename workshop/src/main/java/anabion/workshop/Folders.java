package anabion.workshop;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;

/** Folders with all that is in them. */
public final class Folders {
    private Folders() {}

    /** Deletes a folder, if it is there; links in it are not followed. */
    public static void delete(Path folder) throws IOException {
        if (!Files.exists(folder)) return;
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path p : all.sorted(Comparator.reverseOrder()).toList()) Files.delete(p);
        }
    }
}
