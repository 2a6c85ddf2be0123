package anabion.workshop;

import anabion.core.error.InputException;
import anabion.workshop.storage.Backup;
import anabion.workshop.storage.Backups;
import anabion.workshop.storage.Database;
import anabion.workshop.storage.ForcedFiles;
import anabion.workshop.storage.WorkshopLock;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Puts a backup in the place of a workshop's database. Whatever lay there before is kept in a folder of its own. */
public final class Restore {
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("yyyy-MM-dd-HHmmss").withZone(ZoneOffset.UTC);

    private Restore() {}

    /**
     * What can be restored in a workshop that is not open: its backups, the newest first; before them the database as it is, where only its
     * log is missing.
     *
     * @throws StorageException if the disk will not
     */
    public static List<Backup> choices(Path folder) {
        try {
            List<Backup> all = new ArrayList<>();
            if (Workshop.finding(folder).isPresent() && Database.isThere(folder) && !Database.hasLog(folder)) {
                Backup asItIs = Backups.look(Database.in(folder));
                if (asItIs.state() == Backup.State.SOUND) all.add(asItIs);
            }
            all.addAll(new Backups(folder, Workshop.DAILY_BACKUPS).all());
            return List.copyOf(all);
        } catch (IOException e) {
            throw StorageException.of(e, folder);
        }
    }

    /**
     * Restores one of the choices.
     *
     * @param name of its file
     * @return the folder with what was there before; empty where there was nothing, or the database was taken as it is
     * @throws InputException if there is no such choice, it is not sound, or the workshop is open; nothing is changed then
     * @throws StorageException if the disk will not
     */
    public static Optional<Path> from(Path folder, String name, Clock clock) {
        Backup chosen = choices(folder).stream()
                .filter(b -> b.name().equals(name))
                .findFirst()
                .orElseThrow(() -> InputException.at(name)
                        .because("there is no such backup in " + folder)
                        .so("list them with: anabion restore " + folder));
        try (WorkshopLock lock = WorkshopLock.take(folder)) {
            Optional<Path> kept = Optional.empty();
            if (!chosen.file().equals(Database.in(folder))) {
                check(chosen, folder);
                kept = setAside(folder, clock);
                ForcedFiles.copy(chosen.file(), Database.in(folder));
            }
            lock.markClosed();
            return kept;
        } catch (IOException e) {
            throw StorageException.of(e, folder);
        }
    }

    /** Every record in it must be readable: a copy is opened as a workshop is. */
    private static void check(Backup chosen, Path folder) throws IOException {
        if (chosen.state() == Backup.State.NEWER)
            throw InputException.at(chosen.name())
                    .because("it was written by a newer release")
                    .so("choose another, or use that release");
        if (chosen.state() == Backup.State.DAMAGED)
            throw InputException.at(chosen.name())
                    .because("this backup is damaged")
                    .so("choose another");
        Path trial = Files.createTempDirectory(folder, "trial-");
        try {
            Files.copy(chosen.file(), Database.in(trial));
            try (Workshop w = Workshop.open(trial, Clock.systemUTC())) {
                w.doing(() -> w.sets().ids().stream().map(w.sets()::get).toList());
            }
        } catch (InputException | StorageException e) {
            throw InputException.at(chosen.name())
                    .because("this backup is damaged (" + e.getMessage() + ")")
                    .so("choose another");
        } finally {
            Folders.delete(trial);
        }
    }

    /**
     * Renames the database first: a program that ends in the middle leaves a workshop that says what it lacks.
     *
     * @return empty where nothing was there
     */
    private static Optional<Path> setAside(Path folder, Clock clock) throws IOException {
        List<Path> files = Stream.concat(Stream.of(Database.in(folder)), Database.companions(folder).stream())
                .filter(Files::exists)
                .toList();
        if (files.isEmpty()) return Optional.empty();
        String name = "set-aside-" + STAMP.format(clock.instant());
        Path kept = folder.resolve(name);
        for (int n = 2; Files.exists(kept); n++) kept = folder.resolve(name + "-" + n);
        Files.createDirectory(kept);
        for (Path f : files) Files.move(f, kept.resolve(f.getFileName()));
        ForcedFiles.forceFolder(kept);
        ForcedFiles.forceFolder(folder);
        return Optional.of(kept);
    }
}
