package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import anabion.workshop.storage.Backup;
import anabion.workshop.storage.Database;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A damaged or incomplete workshop is never opened as if it were whole, and a backup is put back without a loss. */
class RestoreTest {
    private static final String BACKUP = "workshop-2026-05-04.db";
    private static final UUID HALCYON = Temp.halcyon().id();

    @TempDir
    Path parent;

    /** What a program leaves that dies: a backup, then one more reading, in the log only. */
    private Path crashed() throws IOException {
        Path live = parent.resolve("live");
        Path folder = parent.resolve("crashed");
        try (Workshop w = Temp.open(live)) {
            w.sets().add(Temp.halcyon());
            w.backup();
            Temp.take(w, w.sets().get(HALCYON), "V3.7", 85);
            copy(live, folder);
        }
        return folder;
    }

    private static void copy(Path from, Path to) throws IOException {
        try (Stream<Path> all = Files.walk(from)) {
            for (Path p : all.toList())
                Files.copy(p, to.resolve(from.relativize(p).toString()));
        }
    }

    private static int readings(Path folder) {
        try (Workshop w = Temp.open(folder)) {
            return w.sets().get(HALCYON).readings().size();
        }
    }

    private static void refused(Path folder, String what) {
        assertThatThrownBy(() -> Temp.open(folder))
                .isInstanceOfSatisfying(
                        StorageException.class, t -> assertThat(t.kind()).isEqualTo(StorageException.Kind.RESTORABLE))
                .hasMessageContaining(what);
        assertThat(Workshop.finding(folder))
                .get()
                .extracting(Throwable::getMessage)
                .asString()
                .contains(what);
    }

    @Test
    void aProgramThatDiedLeavesNothingToRestore() throws IOException {
        Path folder = crashed();
        assertThat(Workshop.finding(folder)).isEmpty();
        assertThat(readings(folder)).isEqualTo(Temp.halcyon().readings().size() + 1);
    }

    @Test
    void backupsAreListedWithWhatIsInThem() throws IOException {
        assertThat(Restore.choices(crashed())).singleElement().satisfies(b -> {
            assertThat(b.name()).isEqualTo(BACKUP);
            assertThat(b.state()).isEqualTo(Backup.State.SOUND);
            assertThat(b.sets()).isEqualTo(1);
            assertThat(b.readings()).isEqualTo(Temp.halcyon().readings().size());
        });
        assertThat(parent.resolve("crashed/backups")).isDirectoryContaining(f -> f.endsWith(BACKUP));
        try (Stream<Path> files = Files.list(parent.resolve("crashed/backups"))) {
            assertThat(files).as("looking writes nothing").hasSize(1);
        }
    }

    @Test
    void aDamagedDatabaseIsKeptAndItsLogIsNotReplayed() throws IOException {
        Path folder = crashed();
        byte[] log = Files.readAllBytes(Database.companions(folder).get(0));
        Files.writeString(Database.in(folder), "this was a database once. ".repeat(40));
        refused(folder, "damaged");
        Path kept = Restore.from(folder, BACKUP, Temp.CLOCK).orElseThrow();
        assertThat(readings(folder)).isEqualTo(Temp.halcyon().readings().size());
        assertThat(kept.resolve("workshop.db")).content().startsWith("this was a database once.");
        assertThat(kept.resolve("workshop.db-wal")).hasBinaryContent(log);
        assertThat(Workshop.finding(folder)).isEmpty();
    }

    @Test
    void aMissingOrEmptyDatabaseBesideBackupsIsNoEmptyWorkshop() throws IOException {
        Path folder = crashed();
        Files.delete(Database.in(folder));
        refused(folder, "missing");
        assertThat(Database.in(folder)).doesNotExist();
        Files.createFile(Database.in(folder));
        refused(folder, "missing");
        assertThat(Database.in(folder)).isEmptyFile();
        Restore.from(folder, BACKUP, Temp.CLOCK);
        assertThat(readings(folder)).isEqualTo(Temp.halcyon().readings().size());
    }

    @Test
    void aLostLogIsSaidAndTheDatabaseCanBeTakenAsItIs() throws IOException {
        Path folder = crashed();
        for (Path f : Database.companions(folder)) Files.deleteIfExists(f);
        refused(folder, "workshop.db-wal is gone");
        assertThat(Restore.choices(folder)).extracting(Backup::name).containsExactly("workshop.db", BACKUP);
        assertThat(Restore.from(folder, "workshop.db", Temp.CLOCK)).isEmpty();
        assertThat(Workshop.finding(folder)).isEmpty();
        Temp.open(folder).close();
    }

    @Test
    void aCleanEndNeedsNoLog() throws IOException {
        crashed();
        assertThat(Workshop.finding(parent.resolve("live"))).isEmpty();
        assertThat(Database.companions(parent.resolve("live")))
                .as("looking makes no file")
                .allSatisfy(f -> assertThat(f).doesNotExist());
        assertThat(readings(parent.resolve("live")))
                .isEqualTo(Temp.halcyon().readings().size() + 1);
    }

    @Test
    void aBackupThatIsNotSoundIsRefusedAndNothingChanges() throws IOException {
        Path folder = crashed();
        Path backup = folder.resolve("backups").resolve(BACKUP);
        byte[] whole = Files.readAllBytes(backup);
        byte[] halved = java.util.Arrays.copyOf(whole, whole.length / 2);
        byte[] garbage = whole.clone();
        java.util.Arrays.fill(garbage, 4096, garbage.length, (byte) 7);
        for (byte[] bad : List.of(halved, garbage, new byte[0])) {
            Files.write(backup, bad);
            assertThat(Restore.choices(folder)).extracting(Backup::state).containsExactly(Backup.State.DAMAGED);
            assertThatThrownBy(() -> Restore.from(folder, BACKUP, Temp.CLOCK)).isInstanceOf(InputException.class);
        }
        Files.write(backup, whole);
        try (FileChannel channel = FileChannel.open(backup, StandardOpenOption.WRITE)) {
            channel.write(ByteBuffer.allocate(4).putInt(99).flip(), 60);
        }
        assertThatThrownBy(() -> Restore.from(folder, BACKUP, Temp.CLOCK)).hasMessageContaining("newer");
        assertThatThrownBy(() -> Restore.from(folder, "../live/workshop.db", Temp.CLOCK))
                .hasMessageContaining("no such backup");
        assertThat(readings(folder)).isEqualTo(Temp.halcyon().readings().size() + 1);
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files.map(f -> f.getFileName().toString()))
                    .containsExactlyInAnyOrder("workshop.db", "workshop.lock", "backups");
        }
    }

    @Test
    void anOpenWorkshopIsNotRestored() throws IOException {
        Path folder = crashed();
        try (Workshop w = Temp.open(folder)) {
            assertThatThrownBy(() -> Restore.from(folder, BACKUP, Temp.CLOCK)).hasMessageContaining("open in another");
            assertThat(w.backups()).extracting(Backup::name).containsExactly(BACKUP);
        }
    }
}
