package anabion.workshop.storage;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.sqlite.SQLiteDataSource;

/** Dated copies of the database, one a day, a bounded number; and one before each migration, which is never swept away. */
public final class Backups {
    private static final String DAILY = "workshop-\\d{4}-\\d{2}-\\d{2}\\.db";
    private final Path folder;
    private final int keep;

    /** @param keep how many daily copies */
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

    /** All copies, the newest first, each looked into. */
    public List<Backup> all() throws IOException {
        if (!Files.isDirectory(folder)) return List.of();
        List<Backup> all = new ArrayList<>();
        try (Stream<Path> files = Files.list(folder)) {
            for (Path f : files.filter(f -> f.toString().endsWith(".db")).toList()) all.add(look(f));
        }
        all.sort(Comparator.comparing(Backup::made).thenComparing(Backup::name).reversed());
        return List.copyOf(all);
    }

    /** Whether there is a copy. */
    public boolean exist() throws IOException {
        if (!Files.isDirectory(folder)) return false;
        try (Stream<Path> files = Files.list(folder)) {
            return files.anyMatch(f -> f.toString().endsWith(".db"));
        }
    }

    /**
     * Looks into a copy, or into a database that has no log.
     *
     * @throws IOException if there is no such file
     */
    public static Backup look(Path file) throws IOException {
        Instant made = Files.getLastModifiedTime(file).toInstant();
        try {
            int version = Database.version(file);
            if (version > Database.SCHEMA) return new Backup(file, made, Backup.State.NEWER, 0, 0);
            try (Connection c = Database.readOnly(file);
                    Statement statement = c.createStatement()) {
                boolean sound = version > 0 && "ok".equals(first(statement, "PRAGMA integrity_check"));
                if (!sound) return new Backup(file, made, Backup.State.DAMAGED, 0, 0);
                return new Backup(
                        file,
                        made,
                        Backup.State.SOUND,
                        Integer.parseInt(first(statement, "SELECT count(*) FROM sets")),
                        Integer.parseInt(first(statement, "SELECT count(*) FROM readings")));
            }
        } catch (SQLException | IOException e) {
            return new Backup(file, made, Backup.State.DAMAGED, 0, 0);
        }
    }

    private static String first(Statement statement, String question) throws SQLException {
        try (ResultSet answer = statement.executeQuery(question)) {
            answer.next();
            return answer.getString(1);
        }
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
        ForcedFiles.createFolders(folder.getParent(), folder);
        Path half = folder.resolve(copy.getFileName() + ".part");
        Files.deleteIfExists(half);
        try (var statement = connection.prepareStatement("VACUUM INTO ?")) {
            statement.setString(1, half.toString());
            statement.execute();
            ForcedFiles.force(half);
            Files.move(half, copy);
            ForcedFiles.forceFolder(folder);
        } finally {
            Files.deleteIfExists(half);
        }
    }
}
