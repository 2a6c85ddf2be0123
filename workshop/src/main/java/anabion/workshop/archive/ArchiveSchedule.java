package anabion.workshop.archive;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Archives of a whole workshop that are kept in a folder elsewhere: one a week, the newest five. A backup beside the database does not help where the disk is lost.
 *
 * @param folder where they lie; it may be away for a while, as a stick is
 */
public record ArchiveSchedule(Path folder) {
    /** Days between two. */
    public static final int EVERY = 7;

    static final int KEPT = 5;

    private static final Pattern NAME = Pattern.compile("anabion-workshop-(\\d{4}-\\d{2}-\\d{2})\\.zip");

    /**
     * The file to be written today.
     *
     * @return empty where the newest is young enough
     * @throws IOException if the folder cannot be read
     */
    public Optional<Path> due(LocalDate today) throws IOException {
        Optional<LocalDate> last = kept().stream().findFirst().flatMap(ArchiveSchedule::day);
        boolean young =
                last.filter(d -> ChronoUnit.DAYS.between(d, today) < EVERY).isPresent();
        return young ? Optional.empty() : Optional.of(folder.resolve("anabion-workshop-" + today + ".zip"));
    }

    /** Takes the oldest away beyond those that are kept; called after another was written whole. */
    public void prune() throws IOException {
        List<Path> all = kept();
        for (Path old : all.subList(Math.min(KEPT, all.size()), all.size())) Files.delete(old);
    }

    /** The newest first. */
    private List<Path> kept() throws IOException {
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(p -> day(p).isPresent())
                    .sorted(Comparator.comparing((Path p) -> day(p).orElseThrow())
                            .reversed())
                    .toList();
        }
    }

    private static Optional<LocalDate> day(Path file) {
        Matcher m = NAME.matcher(file.getFileName().toString());
        try {
            return m.matches() ? Optional.of(LocalDate.parse(m.group(1))) : Optional.empty();
        } catch (DateTimeException e) {
            return Optional.empty(); // somebody else's
        }
    }
}
