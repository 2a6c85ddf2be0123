package anabion.workshop;

import anabion.core.input.BadInput;
import anabion.workshop.storage.Backups;
import anabion.workshop.storage.Database;
import anabion.workshop.storage.PhotoFiles;
import anabion.workshop.storage.WorkshopLock;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.jdbi.v3.core.Handle;

/** An open workshop. Not for several threads at once. */
public final class Workshop implements AutoCloseable {
    private static final int DAILY_BACKUPS = 10;

    private final Path folder;
    private final WorkshopLock lock;
    private final Database database;
    private final PhotoFiles photoFiles;
    private final Predictors predictors = new Predictors();
    private final Sets sets;
    private final Clock clock;

    private Workshop(Path folder, WorkshopLock lock, Database database, Clock clock) {
        this.folder = folder;
        this.lock = lock;
        this.database = database;
        this.clock = clock;
        this.photoFiles = new PhotoFiles(folder);
        this.sets = new Sets(database.handle(), clock, predictors);
    }

    /**
     * Opens the workshop in a folder, making it if there is none.
     *
     * @throws BadInput if it is open elsewhere, or of a newer release
     * @throws StorageTrouble if the disk will not
     */
    public static Workshop open(Path folder, Clock clock) {
        WorkshopLock lock = null;
        try {
            Files.createDirectories(folder);
            lock = WorkshopLock.take(folder);
            Backups backups = new Backups(folder, DAILY_BACKUPS);
            Database database = Database.open(folder, backups);
            Workshop workshop = new Workshop(folder, lock, database, clock);
            if (database.migrated()) workshop.sets.cutHistory();
            return workshop;
        } catch (BadInput e) {
            release(lock);
            throw e;
        } catch (IOException | SQLException | RuntimeException e) {
            release(lock);
            throw StorageTrouble.of(e, folder);
        }
    }

    private static void release(WorkshopLock lock) {
        try {
            if (lock != null) lock.close();
        } catch (IOException e) {
            // the process ends it anyway
        }
    }

    public Path folder() {
        return folder;
    }

    public Clock clock() {
        return clock;
    }

    Handle handle() {
        return database.handle();
    }

    /** Runs storage work and says its failures in words. A failed change has changed nothing. */
    public <T> T doing(Supplier<T> work) {
        try {
            return work.get();
        } catch (BadInput | StorageTrouble e) {
            throw e;
        } catch (RuntimeException e) {
            if (isStorage(e)) throw StorageTrouble.of(e, folder);
            throw e;
        }
    }

    private static boolean isStorage(Throwable e) {
        for (Throwable c = e; c != null; c = c.getCause())
            if (c instanceof SQLException || c instanceof IOException) return true;
        return false;
    }

    public Sets sets() {
        return sets;
    }

    /** What the circuits of its sets say; for any thread. */
    public Predictors predictors() {
        return predictors;
    }

    /** The types of this workshop. */
    public OwnLibrary types() {
        return new OwnLibrary(handle(), sets);
    }

    /** Makes today's backup unless it exists. */
    public void backup() {
        try {
            new Backups(folder, DAILY_BACKUPS).daily(handle().getConnection(), LocalDate.now(clock));
        } catch (IOException | SQLException e) {
            throw StorageTrouble.of(e, folder);
        }
    }

    public Path file(Photo photo) {
        return photoFiles.path(photo.file());
    }

    /**
     * Stores a picture on disk and, only then, its row.
     *
     * @throws BadInput if it is no picture
     */
    public SetRecord addPhoto(UUID set, byte[] bytes, String name, String caption) {
        Photo photo = storePhoto(UUID.randomUUID(), bytes, name, caption, clock.instant());
        return doing(() -> sets.change(set, "photo " + caption, List.of(new Op.PutPhoto(photo))));
    }

    /** Stores a picture's file; its row is for the caller to commit. */
    public Photo storePhoto(UUID id, byte[] bytes, String name, String caption, Instant at) {
        try {
            return new Photo(id, photoFiles.store(bytes, name), caption, at);
        } catch (IOException e) {
            throw StorageTrouble.of(e, folder);
        }
    }

    public Optional<String> setting(String name) {
        return handle().createQuery("SELECT value FROM settings WHERE name = ?")
                .bind(0, name)
                .mapTo(String.class)
                .findOne();
    }

    public void setting(String name, String value) {
        handle().createUpdate(
                        "INSERT INTO settings(name, value) VALUES (?, ?) ON CONFLICT(name) DO UPDATE SET value = excluded.value")
                .bind(0, name)
                .bind(1, value)
                .execute();
    }

    public List<Timer> timers() {
        return new Timers(handle()).all();
    }

    @Override
    public void close() {
        database.close();
        release(lock);
    }
}
