package anabion.desktop.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/** A folder into which a phone or a camera puts its pictures: those that come while it is watched are new, once they are written to their end. */
final class PhotoFolder {
    private final Path folder;
    private final Set<Path> known = new HashSet<>();
    private final Map<Path, Long> growing = new HashMap<>();

    /** @throws IOException if it cannot be read */
    PhotoFolder(Path folder) throws IOException {
        this.folder = folder;
        known.addAll(pictures());
    }

    private List<Path> pictures() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f ->
                            f.getFileName().toString().toLowerCase(Locale.ROOT).matches(".*\\.(jpe?g|png|heic|tiff?)"))
                    .sorted()
                    .toList();
        }
    }

    /**
     * Pictures that are new since the last look and have not grown since the one before.
     *
     * @throws IOException if the folder cannot be read any more
     */
    List<Path> fresh() throws IOException {
        Map<Path, Long> now = new HashMap<>();
        for (Path p : pictures()) if (!known.contains(p)) now.put(p, Files.size(p));
        List<Path> whole = now.entrySet().stream()
                .filter(e -> e.getValue() > 0 && e.getValue().equals(growing.get(e.getKey())))
                .map(Map.Entry::getKey)
                .sorted()
                .toList();
        known.addAll(whole);
        growing.clear();
        growing.putAll(now);
        return whole;
    }
}
