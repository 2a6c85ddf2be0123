package anabion.workshop.storage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.sqlite.SQLiteDataSource;

/** Dated copies of the database, one a day, a bounded number; and one before each migration, which is never swept away. */
public final class Backups {
    private static final String DAILY = "workshop-\\d{4}-\\d{2}-\\d{2}\\.db";
    private final Path folder;
    private final int keep;

    public Backups(Path workshop, int keep) {
        this.folder = workshop.resolve("backups");
        this.keep = keep;
    }

    /** Makes today's copy unless it exists, and sweeps the oldest daily ones. */
    public void daily(Connection connection, LocalDate today) throws IOException, SQLException {
        Path copy = folder.resolve("workshop-" + today + ".db");
        if (Files.exists(copy)) return;
        vacuumInto(connection, copy);
        List<Path> dailies = dailies();
        for (Path old : dailies.subList(0, Math.max(0, dailies.size() - keep))) Files.delete(old);
    }

    private List<Path> dailies() throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(f -> f.getFileName().toString().matches(DAILY))
                    .sorted()
                    .toList();
        }
    }

    void before(SQLiteDataSource source, String what) throws IOException, SQLException {
        try (Connection c = source.getConnection()) {
            Path copy = folder.resolve("before-" + what + ".db");
            Files.deleteIfExists(copy);
            vacuumInto(c, copy);
        }
    }

    /** SQLite's own consistent copy, made under another name first, so that a half-made copy never looks whole. */
    private void vacuumInto(Connection connection, Path copy) throws IOException, SQLException {
        Files.createDirectories(folder);
        Path half = folder.resolve(copy.getFileName() + ".part");
        Files.deleteIfExists(half);
        try (var statement = connection.prepareStatement("VACUUM INTO ?")) {
            statement.setString(1, half.toString());
            statement.execute();
            Files.move(half, copy);
        } finally {
            Files.deleteIfExists(half);
        }
    }
}
