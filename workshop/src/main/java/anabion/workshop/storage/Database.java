package anabion.workshop.storage;

import anabion.core.error.InputException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.flywaydb.core.Flyway;
import org.jdbi.v3.core.Handle;
import org.jdbi.v3.core.Jdbi;
import org.sqlite.SQLiteConfig;
import org.sqlite.SQLiteDataSource;

/** The SQLite file: write-ahead log, every commit forced to disk, schema kept current by Flyway. */
public final class Database implements AutoCloseable {
    /** The schema that this release writes, kept in SQLite's {@code user_version}. */
    public static final int SCHEMA = 7;

    private static final String FILE = "workshop.db";
    private static final String LOG = FILE + "-wal";

    /** Where SQLite's file format keeps its magic text and the user version (big-endian). */
    private static final String NOT_A_DATABASE = "SQLITE_NOTADB";

    private static final String MAGIC = "SQLite format 3";

    private static final int VERSION_OFFSET = 60;
    private final Handle handle;
    private final boolean migrated;

    private Database(Handle handle, boolean migrated) {
        this.handle = handle;
        this.migrated = migrated;
    }

    /**
     * Opens or creates the database; an older schema is backed up and then migrated.
     *
     * @throws InputException if the schema is newer than this release; nothing is written then
     */
    public static Database open(Path folder, Backups backups) throws IOException, SQLException {
        Path file = in(folder);
        int version = version(file);
        if (version > SCHEMA) {
            throw InputException.at(file.toString())
                    .because("this workshop was written by a newer release (schema " + version + "; this one knows "
                            + SCHEMA + ")")
                    .so("open it with that release");
        }
        boolean existing = Files.exists(file) && version > 0;
        boolean migrate = version < SCHEMA;
        SQLiteDataSource source = source(file);
        if (migrate && existing) backups.before(source, "schema-" + version);
        if (migrate) migrate(source);
        Handle handle = Jdbi.open(source.getConnection());
        return new Database(handle, migrate && existing);
    }

    /** The database's file in a workshop's folder. */
    public static Path in(Path folder) {
        return folder.resolve(FILE);
    }

    /** The files that a database may have beside it, its log first. */
    public static List<Path> companions(Path folder) {
        return List.of(folder.resolve(LOG), folder.resolve(FILE + "-shm"));
    }

    /** Whether there is a file with anything in it. */
    public static boolean isThere(Path folder) throws IOException {
        Path file = in(folder);
        return Files.exists(file) && Files.size(file) > 0;
    }

    /** Whether a log lies beside it. */
    public static boolean hasLog(Path folder) {
        return Files.exists(folder.resolve(LOG));
    }

    /** Whether all its pages can be read, with its log; neither is changed. */
    public static boolean isSound(Path folder) throws IOException {
        try {
            version(in(folder));
        } catch (IOException e) {
            if (isDamage(e)) return false;
            throw e;
        }
        // without a log nothing may be made beside it
        try (Connection c = hasLog(folder) ? readOnly(in(folder).toString()) : readOnly(in(folder));
                Statement statement = c.createStatement();
                ResultSet answer = statement.executeQuery("PRAGMA integrity_check")) {
            return answer.next() && "ok".equals(answer.getString(1));
        } catch (SQLException e) {
            return false;
        }
    }

    private static boolean isDamage(IOException e) {
        return e.getMessage().startsWith(NOT_A_DATABASE);
    }

    /** Writes what is in the log into the database. */
    public void checkpoint() {
        handle.createQuery("PRAGMA wal_checkpoint(TRUNCATE)").mapToMap().list();
    }

    /** Makes a whole copy of what is in it, from its open file; the copy must not exist. */
    public void copyTo(Path copy) {
        handle.createUpdate("VACUUM INTO ?").bind(0, copy.toString()).execute();
    }

    /** Opens a copy for reading only; no file is made beside it. */
    static Connection readOnly(Path file) throws SQLException {
        return readOnly(file.toUri() + "?immutable=1");
    }

    private static Connection readOnly(String name) throws SQLException {
        SQLiteConfig config = new SQLiteConfig();
        config.setReadOnly(true);
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl("jdbc:sqlite:" + name);
        return source.getConnection();
    }

    private static SQLiteDataSource source(Path file) {
        SQLiteConfig config = new SQLiteConfig();
        config.setJournalMode(SQLiteConfig.JournalMode.WAL);
        config.setSynchronous(SQLiteConfig.SynchronousMode.FULL);
        config.enforceForeignKeys(true);
        config.setTransactionMode(SQLiteConfig.TransactionMode.IMMEDIATE);
        config.setBusyTimeout(2000);
        SQLiteDataSource source = new SQLiteDataSource(config);
        source.setUrl("jdbc:sqlite:" + file);
        return source;
    }

    private static void migrate(SQLiteDataSource source) throws SQLException {
        Flyway.configure(Database.class.getClassLoader())
                .dataSource(source)
                .locations("classpath:anabion/schema")
                .baselineOnMigrate(false)
                .load()
                .migrate();
        try (Connection c = source.getConnection();
                var statement = c.createStatement()) {
            statement.execute("PRAGMA user_version=" + SCHEMA);
            statement.execute("PRAGMA wal_checkpoint(TRUNCATE)");
        }
    }

    /** The schema version from the file's header, read without opening it as a database; 0 for a new file. */
    static int version(Path file) throws IOException {
        if (!Files.exists(file) || Files.size(file) < VERSION_OFFSET + 4) return 0;
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.READ)) {
            ByteBuffer magic = ByteBuffer.allocate(MAGIC.length());
            channel.read(magic, 0);
            if (!new String(magic.array(), StandardCharsets.US_ASCII).equals(MAGIC)) {
                throw new IOException(NOT_A_DATABASE + ": " + file);
            }
            ByteBuffer four = ByteBuffer.allocate(4);
            channel.read(four, VERSION_OFFSET);
            return four.flip().getInt();
        }
    }

    /** The one connection, for the storage thread. */
    public Handle handle() {
        return handle;
    }

    /** Whether opening it changed its schema. */
    public boolean migrated() {
        return migrated;
    }

    @Override
    public void close() {
        handle.close();
    }
}
