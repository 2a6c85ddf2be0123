package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.error.InputException;
import anabion.workshop.archive.ArchiveSchedule;
import anabion.workshop.archive.WorkshopArchive;
import anabion.workshop.demo.DemoWorkshop;
import anabion.workshop.storage.CheckedPicture;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A whole workshop goes into one file, and comes out of it again. */
class WorkshopArchiveTest {
    @TempDir
    Path folder;

    /** One that the program does not know. */
    private static List<DeviceType> types(String flag) {
        DeviceType t = DeviceLibrary.standard().find("6AQ5").orElseThrow();
        return List.of(new DeviceType(
                "6AQ5X",
                List.of(),
                t.description(),
                t.base(),
                t.functions(),
                t.labels(),
                t.heaterVolts(),
                t.heaterAmperes(),
                t.sections(),
                t.limits(),
                t.semiconductor(),
                flag,
                t.source(),
                t.extra()));
    }

    private Path full() {
        Path one = folder.resolve("one");
        try (Workshop w = Temp.open(one)) {
            for (String name : new String[] {"halcyon", "brae", "lark"})
                w.sets().add(DemoWorkshop.set(name));
            w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(1), "a.png"), "front");
            w.sets().change(DemoWorkshop.chassis("brae").id(), "away", List.of(new Op.PutPlace(Op.Place.ARCHIVE)));
            w.sets()
                    .change(
                            DemoWorkshop.chassis("lark").id(),
                            "timer",
                            List.of(new Op.PutTimer(Timer.starting(
                                    DemoWorkshop.chassis("lark").id(), "glue", Duration.ofHours(3), Temp.CLOCK))));
            w.types().put("own", types(""));
            w.setting("report.shop", "The Loft");
            Path file = folder.resolve("all.zip");
            WorkshopArchive.write(WorkshopArchive.Snapshot.of(w), file);
            return file;
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private List<SetRecord> sets(Workshop w) {
        return w.sets().ids().stream().map(w.sets()::get).toList();
    }

    @Test
    void whatIsWipedComesBackWhole() throws IOException {
        Path file = full();
        List<SetRecord> before;
        try (Workshop w = Temp.open(folder.resolve("one"))) {
            before = sets(w);
        }
        Folders.delete(folder.resolve("one"));
        try (Workshop w = Temp.open(folder.resolve("one"))) {
            assertThat(w.sets().ids()).isEmpty();
            WorkshopArchive.Added added = WorkshopArchive.addTo(w, file, "brought in");
            assertThat(added.added()).hasSize(3);
            assertThat(sets(w)).isEqualTo(before);
            assertThat(Files.readAllBytes(
                            w.file(w.sets().get(Temp.halcyon().id()).photos().get(0))))
                    .isEqualTo(Temp.picture(1));
            assertThat(w.sets().get(DemoWorkshop.chassis("brae").id()).place()).isEqualTo(Op.Place.ARCHIVE);
            assertThat(w.timers()).extracting(Timer::label).containsExactly("glue");
            assertThat(w.types().own()).isEqualTo(types(""));
            assertThat(w.setting("report.shop")).contains("The Loft");
        }
    }

    /** What is here stays; what differs stands beside it; what is alike does not come twice. */
    @Test
    void conflictsAreKeptSideBySide() throws IOException {
        Path file = full();
        try (Workshop w = Temp.open(folder.resolve("one"))) {
            SetRecord mine = Temp.take(w, w.sets().get(Temp.halcyon().id()), "V3.7", 85);
            w.types().put("mine", types("measured here"));
            w.setting("report.shop", "The Cellar");
            WorkshopArchive.Added added = WorkshopArchive.addTo(w, file, "brought in");
            assertThat(added.there()).isEqualTo(2);
            assertThat(added.beside()).extracting(s -> s.chassis().name()).containsExactly("Vessmark Halcyon (2)");
            assertThat(added.differing()).containsExactly("6AQ5X");
            assertThat(w.sets().get(mine.id())).isEqualTo(mine);
            assertThat(w.setting("report.shop")).contains("The Cellar");
            assertThat(WorkshopArchive.addTo(w, file, "again").added()).isEmpty();
        }
    }

    @Test
    void whatIsNoneIsRefused() throws IOException {
        Path file = folder.resolve("x.zip");
        Files.writeString(file, "PK nothing");
        assertThat(WorkshopArchive.isOne(file)).isFalse();
        try (Workshop w = Temp.open(folder.resolve("one"))) {
            assertThatThrownBy(() -> WorkshopArchive.addTo(w, file, "x")).isInstanceOf(InputException.class);
        }
    }

    /** Elsewhere one is kept of each week, and not for ever; what is not ours is left alone. */
    @Test
    void archivesElsewhereAreWeeklyAndFew() throws IOException {
        Path elsewhere = Files.createDirectory(folder.resolve("stick"));
        Files.writeString(elsewhere.resolve("anabion-workshop-2026-99-99.zip"), "somebody else's");
        ArchiveSchedule schedule = new ArchiveSchedule(elsewhere);
        LocalDate day = LocalDate.of(2026, 5, 1);
        int written = 0;
        for (int n = 0; n < 60; n++) {
            var due = schedule.due(day.plusDays(n));
            if (due.isEmpty()) continue;
            Files.writeString(due.get(), "an archive");
            schedule.prune();
            written++;
        }
        assertThat(written).isEqualTo(9);
        try (Stream<Path> all = Files.list(elsewhere)) {
            assertThat(all.map(p -> p.getFileName().toString()))
                    .hasSize(6)
                    .contains("anabion-workshop-2026-06-26.zip", "anabion-workshop-2026-99-99.zip");
        }
        assertThatThrownBy(() -> new ArchiveSchedule(folder.resolve("gone")).due(day))
                .isInstanceOf(IOException.class);
    }
}
