package anabion.workshop;

import anabion.core.error.InputException;
import anabion.core.job.Step;
import anabion.workshop.storage.Backup;
import anabion.workshop.storage.Backups;
import anabion.workshop.storage.CheckedPicture;
import anabion.workshop.storage.ComputedFiles;
import anabion.workshop.storage.Database;
import anabion.workshop.storage.ForcedFiles;
import anabion.workshop.storage.PhotoFiles;
import anabion.workshop.storage.WorkshopLock;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jdbi.v3.core.Handle;

/** An open workshop. Not for several threads at once. */
public final class Workshop implements AutoCloseable {
    static final int DAILY_BACKUPS = 10;

    private final Path folder;
    private final Optional<Object> file;
    private final WorkshopLock lock;
    private final Database database;
    private final PhotoFiles photoFiles;
    private final Predictors predictors;
    private final Sets sets;
    private final Clock clock;

    private Workshop(Path folder, WorkshopLock lock, Database database, Clock clock, Predictors predictors)
            throws IOException {
        this.predictors = predictors;
        this.file = identity(folder);
        this.folder = folder;
        this.lock = lock;
        this.database = database;
        this.clock = clock;
        this.photoFiles = new PhotoFiles(folder);
        this.sets = new Sets(database.handle(), clock, predictors);
        predictors.keep(Optional.of(new ComputedFiles(folder, this::isThere)));
    }

    /**
     * Opens the workshop in a folder, making it if there is none.
     *
     * @throws InputException if it is open elsewhere, or of a newer release
     * @throws StorageException if the disk will not, or the database or its log is missing
     */
    public static Workshop open(Path folder, Clock clock) {
        return open(folder, clock, new Predictors());
    }

    /** As {@link #open(Path, Clock)}, with what another workshop computed of the same circuits. */
    public static Workshop open(Path folder, Clock clock, Predictors predictors) {
        WorkshopLock lock = null;
        Database database = null;
        try {
            ForcedFiles.createFolders(folder);
            lock = WorkshopLock.take(folder);
            Optional<StorageException> finding = finding(folder, lock);
            if (finding.isPresent()) throw finding.get();
            database = Database.open(folder, new Backups(folder, DAILY_BACKUPS));
            ForcedFiles.forceFolder(folder);
            lock.markOpen();
            Workshop workshop = new Workshop(folder, lock, database, clock, predictors);
            if (database.migrated()) workshop.sets.cutHistory();
            return workshop;
        } catch (InputException | StorageException e) {
            release(database, lock);
            throw e;
        } catch (IOException | SQLException | RuntimeException e) {
            release(database, lock);
            throw StorageException.of(e, folder);
        }
    }

    /**
     * What is missing in a workshop that is not open; empty where it can be opened.
     *
     * @throws InputException if it is open elsewhere, or there is no such folder
     */
    public static Optional<StorageException> finding(Path folder) {
        if (!Files.isDirectory(folder))
            throw InputException.at(folder.toString())
                    .because("there is no such folder")
                    .so("check the name");
        try (WorkshopLock lock = WorkshopLock.take(folder)) {
            Optional<StorageException> missing = finding(folder, lock);
            if (missing.isPresent() || !Database.isThere(folder)) return missing;
            return Database.isSound(folder) ? Optional.empty() : Optional.of(StorageException.damaged(folder, null));
        } catch (IOException e) {
            throw StorageException.of(e, folder);
        }
    }

    private static Optional<StorageException> finding(Path folder, WorkshopLock lock) throws IOException {
        if (!Database.isThere(folder) && new Backups(folder, DAILY_BACKUPS).exist())
            return Optional.of(StorageException.missing(folder));
        if (lock.wasLeftOpen() && !Database.hasLog(folder)) return Optional.of(StorageException.withoutLog(folder));
        return Optional.empty();
    }

    /** Device and inode of the database's file, where the file system has such. */
    private static Optional<Object> identity(Path folder) throws IOException {
        return Optional.ofNullable(Files.readAttributes(Database.in(folder), BasicFileAttributes.class)
                .fileKey());
    }

    private void unmoved() {
        if (!isThere()) throw StorageException.moved(folder);
    }

    private boolean isThere() {
        try {
            return identity(folder).equals(file);
        } catch (IOException e) {
            return false;
        }
    }

    /**
     * Saves all that is in it in a new folder, also where its own is gone.
     *
     * @return the photos whose files could not be found
     * @throws InputException if there is something of this name already
     * @throws StorageException if the disk will not; nothing is left behind then
     */
    public List<Photo> saveTo(Path elsewhere) {
        if (Files.exists(elsewhere))
            throw InputException.at(elsewhere.toString())
                    .because("there is something of this name")
                    .so("name a new folder");
        try {
            ForcedFiles.createFolders(elsewhere);
            PhotoFiles copies = new PhotoFiles(elsewhere);
            List<Photo> lost = new ArrayList<>();
            for (UUID id : sets.ids())
                for (Photo p : sets.get(id).photos()) if (!copies.copy(file(p), p.file())) lost.add(p);
            database.copyTo(Database.in(elsewhere));
            ForcedFiles.force(Database.in(elsewhere));
            ForcedFiles.forceFolder(elsewhere);
            return lost;
        } catch (IOException | RuntimeException e) {
            remove(elsewhere);
            throw StorageException.of(e, elsewhere);
        }
    }

    private static void remove(Path folder) {
        try {
            Folders.delete(folder);
        } catch (IOException e) {
            // what stopped the copy stops this, too
        }
    }

    private static void release(Database database, WorkshopLock lock) {
        try {
            if (database != null) database.close();
            if (lock != null) lock.close();
        } catch (IOException e) {
            // the process ends it anyway
        }
    }

    /** Where it is on disk. */
    public Path folder() {
        return folder;
    }

    /** The time of all that is stored. */
    public Clock clock() {
        return clock;
    }

    Handle handle() {
        return database.handle();
    }

    /**
     * Runs storage work and says its failures in words. A failed change has changed nothing.
     *
     * @throws StorageException if the disk will not, or the folder is not the one that was opened
     */
    public <T> T doing(Supplier<T> work) {
        unmoved();
        try {
            return work.get();
        } catch (InputException | StorageException e) {
            throw e;
        } catch (RuntimeException e) {
            if (isStorage(e)) throw StorageException.of(e, folder);
            throw e;
        }
    }

    private static boolean isStorage(Throwable e) {
        for (Throwable c = e; c != null; c = c.getCause())
            if (c instanceof SQLException || c instanceof IOException) return true;
        return false;
    }

    /** Its sets. */
    public Sets sets() {
        return sets;
    }

    /** What the circuits of its sets say; for any thread. */
    public Predictors predictors() {
        return predictors;
    }

    /** What sets of one model taught. */
    public Specimens specimens() {
        return new Specimens(handle(), sets);
    }

    /** The words of all its sets. */
    public SearchIndex search() {
        return new SearchIndex(handle(), sets);
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
            throw StorageException.of(e, folder);
        }
    }

    /** Its backups, the newest first. */
    public List<Backup> backups() {
        try {
            return new Backups(folder, DAILY_BACKUPS).all();
        } catch (IOException e) {
            throw StorageException.of(e, folder);
        }
    }

    /** Where the picture of a photo is on disk. */
    public Path file(Photo photo) {
        return photoFiles.path(photo.file());
    }

    /** Stores a picture on disk and, only then, its row. */
    public SetRecord addPhoto(UUID set, CheckedPicture picture, String caption) {
        return addPhoto(set, picture, caption, Optional.empty());
    }

    /**
     * As {@link #addPhoto(UUID, CheckedPicture, String)}.
     *
     * @param during the step in hand
     */
    public SetRecord addPhoto(UUID set, CheckedPicture picture, String caption, Optional<Step> during) {
        Instant at = picture.taken(clock.getZone())
                .filter(t -> t.isBefore(clock.instant()))
                .orElse(clock.instant());
        Photo stored = storePhoto(UUID.randomUUID(), picture, caption, at);
        Photo photo = during.map(stored::during).orElse(stored);
        return doing(() -> sets.change(set, "photo " + caption, List.of(new Op.PutPhoto(photo))));
    }

    /** Where small copies of its photos lie; they can be made anew. */
    public Path thumbnails() {
        return folder.resolve("thumbnails");
    }

    /** Stores a picture's file; its row is for the caller to commit. */
    public Photo storePhoto(UUID id, CheckedPicture picture, String caption, Instant at) {
        unmoved();
        try {
            return new Photo(id, photoFiles.store(picture), caption, at);
        } catch (IOException e) {
            throw StorageException.of(e, folder);
        }
    }

    /** What a setting was last set to; empty if it never was. */
    public Optional<String> setting(String name) {
        return handle().createQuery("SELECT value FROM settings WHERE name = ?")
                .bind(0, name)
                .mapTo(String.class)
                .findOne();
    }

    /** All settings. */
    public Map<String, String> settings() {
        return handle().createQuery("SELECT name, value FROM settings ORDER BY name")
                .map((rs, c) -> Map.entry(rs.getString(1), rs.getString(2)))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (a, b) -> b, LinkedHashMap::new));
    }

    /** Stores a setting. */
    public void setting(String name, String value) {
        handle().createUpdate(
                        "INSERT INTO settings(name, value) VALUES (?, ?) ON CONFLICT(name) DO UPDATE SET value = excluded.value")
                .bind(0, name)
                .bind(1, value)
                .execute();
    }

    /** All timers, those that have rung too. */
    public List<Timer> timers() {
        return new Timers(handle()).all();
    }

    @Override
    public void close() {
        predictors.keep(Optional.empty());
        try {
            unmoved();
            database.checkpoint();
            lock.markClosed();
        } catch (IOException | RuntimeException e) {
            // the next start finds the log, or says what is missing
        }
        release(database, lock);
    }
}
