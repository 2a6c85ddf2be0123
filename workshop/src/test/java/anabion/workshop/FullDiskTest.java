package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import anabion.workshop.storage.CheckedPicture;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A disk that is really full or really read-only: a small file system of its own, where the machine lets us mount one. */
class FullDiskTest {
    @TempDir
    Path parent;

    private Path disk;
    private boolean mounted;

    @BeforeEach
    void mount() throws Exception {
        disk = Files.createDirectory(parent.resolve("disk"));
        mounted = run("mount", "-t", "tmpfs", "-o", "size=2m", "tmpfs", disk.toString());
    }

    @AfterEach
    void unmount() throws Exception {
        if (mounted) run("umount", "-l", disk.toString());
    }

    private static boolean run(String... command) throws Exception {
        try {
            return new ProcessBuilder(command)
                            .redirectErrorStream(true)
                            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                            .start()
                            .waitFor()
                    == 0;
        } catch (IOException e) {
            return false;
        }
    }

    private static void fill(Path file) throws IOException {
        try (var out = Files.newOutputStream(file)) {
            for (byte[] block = new byte[4096]; ; ) out.write(block);
        } catch (IOException e) {
            assertThat(e).hasMessageContaining("No space left");
        }
    }

    @Test
    void aFullDiskRefusesTheChangeAndKeepsEverything() throws Exception {
        assumeTrue(mounted, "needs the right to mount a file system");
        try (Workshop w = Temp.open(disk)) {
            w.sets().add(Temp.halcyon());
            SetRecord before = w.sets().get(Temp.halcyon().id());
            fill(disk.resolve("ballast"));
            assertThatThrownBy(() -> {
                        for (int i = 0; i < 50; i++) Temp.take(w, before, "V3.7", i);
                    })
                    .isInstanceOf(StorageException.class)
                    .hasMessageContaining("full")
                    .hasMessageContaining("Free some space");
            SetRecord now = w.sets().get(before.id());
            assertThat(now.readings()).startsWith(before.readings().get(0));
            assertThat(now.chassis()).isEqualTo(before.chassis());
            int kept = now.readings().size();
            assertThatThrownBy(() -> w.addPhoto(before.id(), CheckedPicture.of(Temp.picture(3), "a.png"), "a"))
                    .isInstanceOf(StorageException.class);
            assertThat(w.sets().get(before.id()).photos()).isEmpty();
            Files.delete(disk.resolve("ballast"));
            assertThat(Temp.take(w, before, "V3.7", 85).readings()).hasSize(kept + 1);
        }
        try (Workshop w = Temp.open(disk)) {
            assertThat(w.handle()
                            .createQuery("PRAGMA integrity_check")
                            .mapTo(String.class)
                            .one())
                    .isEqualTo("ok");
        }
    }

    @Test
    void aReadOnlyDiskIsNamed() throws Exception {
        assumeTrue(mounted, "needs the right to mount a file system");
        Temp.open(disk).close();
        assertThat(run("mount", "-o", "remount,ro", disk.toString())).isTrue();
        assertThatThrownBy(() -> Temp.open(disk))
                .isInstanceOf(StorageException.class)
                .hasMessageContaining(disk.toString());
    }

    @Test
    void aDatabaseAtItsLimitRefusesTheChange() {
        try (Workshop w = Temp.open(parent.resolve("limited"))) {
            w.sets().add(Temp.halcyon());
            SetRecord before = w.sets().get(Temp.halcyon().id());
            int pages = w.handle()
                    .createQuery("PRAGMA page_count")
                    .mapTo(Integer.class)
                    .one();
            w.handle()
                    .createQuery("PRAGMA max_page_count=" + (pages + 2))
                    .mapTo(Integer.class)
                    .one();
            assertThatThrownBy(() -> {
                        for (int i = 0; i < 80; i++)
                            w.doing(() -> w.sets()
                                    .change(before.id(), "chassis", List.of(new Op.PutChassis(before.chassis()))));
                    })
                    .isInstanceOf(StorageException.class)
                    .hasMessageContaining("full");
            assertThat(w.sets().get(before.id())).isEqualTo(before);
            w.handle()
                    .createQuery("PRAGMA max_page_count=" + pages * 10)
                    .mapTo(Integer.class)
                    .one();
            assertThat(Temp.take(w, before, "V3.7", 85).readings())
                    .hasSize(before.readings().size() + 1);
        }
    }
}
