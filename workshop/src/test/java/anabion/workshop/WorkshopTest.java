package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Supply;
import anabion.core.error.InputException;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.json.Extra;
import anabion.workshop.demo.DemoWorkshop;
import anabion.workshop.storage.CheckedPicture;
import anabion.workshop.storage.Database;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class WorkshopTest {
    @TempDir
    Path folder;

    private static int pragma(Workshop w, String name) {
        return w.handle().createQuery("PRAGMA " + name).mapTo(Integer.class).one();
    }

    @Test
    void everyCommitIsForcedToDisk() {
        try (Workshop w = Temp.open(folder)) {
            assertThat(w.handle()
                            .createQuery("PRAGMA journal_mode")
                            .mapTo(String.class)
                            .one())
                    .isEqualTo("wal");
            assertThat(pragma(w, "synchronous")).as("2 is FULL").isEqualTo(2);
            assertThat(pragma(w, "foreign_keys")).isEqualTo(1);
        }
    }

    @Test
    void aSetComesBackAsItWasAfterARestart() {
        SetRecord set = Temp.halcyon();
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(set);
        }
        try (Workshop w = Temp.open(folder)) {
            assertThat(w.sets().get(set.id())).isEqualTo(set);
        }
    }

    @Test
    void undoAndRedoSurviveARestart() {
        SetRecord before;
        SetRecord after;
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
            before = w.sets().get(Temp.halcyon().id());
            after = Temp.take(w, before, "V3.7", 85);
            assertThat(after.readings()).hasSize(before.readings().size() + 1);
        }
        try (Workshop w = Temp.open(folder)) {
            assertThat(w.sets().history(before.id()).undo()).contains("reading V3.7");
            assertThat(w.sets().undo(before.id())).contains(before);
            assertThat(w.sets().history(before.id()).redo()).contains("reading V3.7");
        }
        try (Workshop w = Temp.open(folder)) {
            assertThat(w.sets().redo(before.id())).contains(after);
            assertThat(w.sets().redo(before.id())).isEmpty();
        }
    }

    @Test
    void everyKindOfChangeIsUndone() {
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
            SetRecord start = w.sets().get(Temp.halcyon().id());
            w.addPhoto(start.id(), CheckedPicture.of(Temp.picture(1), "a.png"), "underside");
            SetRecord set = w.sets().get(start.id());
            w.sets()
                    .change(
                            set.id(),
                            "name",
                            List.of(new Op.PutChassis(
                                    set.chassis().withIdentity(Identity.of("Vessmark", "Halcyon II", SetKind.HOME)))));
            w.sets().change(set.id(), "job", List.of(new Op.PutJob(set.job().withStep(Step.SOAK, StepState.DONE))));
            w.sets()
                    .change(
                            set.id(),
                            "first reading gone",
                            List.of(new Op.DropReading(set.readings().get(0).id())));
            w.sets()
                    .change(
                            set.id(),
                            "changed reading",
                            List.of(new Op.PutReading(set.readings().get(1).withValue(1.2))));
            w.sets()
                    .change(
                            set.id(),
                            "photo gone",
                            List.of(new Op.DropPhoto(set.photos().get(0).id())));
            w.sets().change(set.id(), "trash", List.of(new Op.PutPlace(Op.Place.TRASH)));
            SetRecord end = w.sets().get(set.id());
            for (int i = 0; i < 7; i++) assertThat(w.sets().undo(set.id())).isPresent();
            assertThat(w.sets().get(set.id())).isEqualTo(start);
            for (int i = 0; i < 7; i++) assertThat(w.sets().redo(set.id())).isPresent();
            assertThat(w.sets().get(set.id())).isEqualTo(end);
        }
    }

    @Test
    void aNewChangeCutsWhatWasUndone() {
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
            SetRecord set = w.sets().get(Temp.halcyon().id());
            Temp.take(w, set, "V3.7", 85);
            w.sets().undo(set.id());
            Temp.take(w, set, "V3.2", 0);
            assertThat(w.sets().history(set.id()).redo()).isEmpty();
        }
    }

    @Test
    void historiesAreBounded() {
        try (Workshop w = Temp.open(folder)) {
            Chassis small = Chassis.blank(
                    UUID.randomUUID(),
                    Identity.of("", "Box", SetKind.HOME),
                    new Supply(Arrangement.BATTERY, 9, 0, "", Extra.NONE));
            w.sets().add(Sets.fresh(small));
            for (int i = 0; i < ChangeLog.HISTORY + 20; i++) {
                w.sets()
                        .change(
                                small.id(),
                                "waits " + i,
                                List.of(new Op.PutJob(
                                        w.sets().get(small.id()).job().withWaitsFor("n" + i))));
            }
            assertThat(w.handle()
                            .createQuery("SELECT count(*) FROM changes")
                            .mapTo(Integer.class)
                            .one())
                    .isEqualTo(ChangeLog.HISTORY);
        }
    }

    @Test
    void anUnsoundChassisChangesNothing() {
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
            SetRecord set = w.sets().get(Temp.halcyon().id());
            Chassis bad = set.chassis()
                    .withParts(set.chassis()
                            .parts()
                            .subList(1, set.chassis().parts().size()));
            assertThatThrownBy(() -> w.sets()
                            .change(
                                    set.id(),
                                    "bad",
                                    List.of(new Op.PutJob(set.job().withWaitsFor("x")), new Op.PutChassis(bad))))
                    .isInstanceOf(InputException.class);
            assertThat(w.sets().get(set.id())).isEqualTo(set);
            assertThat(w.sets().history(set.id()).undo()).isEmpty();
        }
    }

    @Test
    void aSecondInstanceIsRefusedAndTheFirstGoesOn() {
        try (Workshop w = Temp.open(folder)) {
            assertThatThrownBy(() -> Temp.open(folder))
                    .isInstanceOf(InputException.class)
                    .hasMessageContaining("open in another");
            w.sets().add(Temp.halcyon());
            assertThat(w.sets().summaries()).hasSize(1);
        }
        try (Workshop again = Temp.open(folder)) {
            assertThat(again.sets().summaries()).hasSize(1);
        }
    }

    @Test
    void aSecondProcessIsRefused() throws Exception {
        try (Workshop w = Temp.open(folder)) {
            Process other = KillHarnessTest.child(folder, 1).start();
            String said = new String(other.getErrorStream().readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
            assertThat(other.waitFor()).isNotZero();
            assertThat(said).contains("open in another");
            assertThat(w.sets().summaries()).as("the first goes on").isEmpty();
        }
    }

    @Test
    void aNewerSchemaIsRefusedWithoutWritingAByte() throws IOException {
        Temp.open(folder).close();
        Path file = folder.resolve("workshop.db");
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            channel.write(ByteBuffer.allocate(4).putInt(99).flip(), 60);
        }
        byte[] before = Files.readAllBytes(file);
        assertThatThrownBy(() -> Temp.open(folder))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("newer release");
        assertThat(Files.readAllBytes(file)).isEqualTo(before);
        assertThat(folder.resolve("workshop.db-wal")).doesNotExist();
    }

    @Test
    void theFirstReleasedSchemaStillOpensAfterABackup() throws IOException {
        Path fixture = Path.of("src/test/resources/fixtures/schema-1/workshop.db");
        Files.copy(fixture, folder.resolve("workshop.db"));
        try (Workshop w = Temp.open(folder)) {
            SetRecord set = w.sets().get(DemoWorkshop.chassis("halcyon").id());
            assertThat(set.readings()).hasSize(9);
            assertThat(set.job().waitsFor()).isEqualTo("a new coupling capacitor");
            assertThat(w.sets().history(set.id()).undo())
                    .as("undo is cut at a migration")
                    .isEmpty();
            assertThat(w.timers()).isEmpty();
            assertThat(pragma(w, "user_version")).isEqualTo(Database.SCHEMA);
        }
        assertThat(folder.resolve("backups/before-schema-1.db")).exists();
        Temp.open(folder).close();
    }

    @Test
    void aDamagedDatabaseSaysWhatToDo() throws IOException {
        Files.writeString(folder.resolve("workshop.db"), "this was a database once, before the coffee. ".repeat(40));
        assertThatThrownBy(() -> Temp.open(folder))
                .isInstanceOf(StorageException.class)
                .hasMessageContaining("damaged")
                .hasMessageContaining("backups");
    }

    @Test
    void backupsAreDatedAndBounded() throws IOException {
        for (int day = 0; day < 13; day++) {
            try (Workshop w = Workshop.open(folder, Clock.offset(Temp.CLOCK, Duration.ofDays(day)))) {
                w.backup();
                w.backup();
            }
        }
        try (Stream<Path> files = Files.list(folder.resolve("backups"))) {
            assertThat(files.map(f -> f.getFileName().toString()).sorted().toList())
                    .hasSize(10)
                    .startsWith("workshop-2026-05-07.db")
                    .endsWith("workshop-2026-05-16.db");
        }
    }

    @Test
    void aBackupOpensAsAWorkshop(@TempDir Path other) throws IOException {
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
            w.backup();
        }
        Files.copy(folder.resolve("backups/workshop-2026-05-04.db"), other.resolve("workshop.db"));
        try (Workshop w = Temp.open(other)) {
            assertThat(w.sets().get(Temp.halcyon().id())).isEqualTo(Temp.halcyon());
        }
    }

    @Test
    void onlyWhatIsInTheTrashCanBePurged() {
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
            UUID id = Temp.halcyon().id();
            assertThatThrownBy(() -> w.sets().purge(id)).isInstanceOf(InputException.class);
            w.sets().change(id, "trash", List.of(new Op.PutPlace(Op.Place.TRASH)));
            w.sets().purge(id);
            assertThat(w.sets().has(id)).isFalse();
            assertThat(w.handle()
                            .createQuery("SELECT count(*) FROM readings")
                            .mapTo(Integer.class)
                            .one())
                    .isZero();
            assertThatThrownBy(() -> w.sets().get(id)).isInstanceOf(InputException.class);
        }
    }

    @Test
    void settingsAndTimersAreKept() {
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
            w.setting("theme", "dim");
            w.setting("theme", "light");
            Timer soak = Timer.starting(Temp.halcyon().id(), "soak", Duration.ofHours(2), w.clock());
            w.sets().change(soak.set(), "timer soak", List.of(new Op.PutTimer(soak)));
        }
        try (Workshop w = Temp.open(folder)) {
            assertThat(w.setting("theme")).contains("light");
            assertThat(w.setting("scale")).isEmpty();
            assertThat(w.timers()).singleElement().satisfies(t -> assertThat(t.ends())
                    .isEqualTo(Temp.NOW.plusSeconds(7200)));
            w.sets()
                    .change(
                            Temp.halcyon().id(),
                            "soak over",
                            List.of(new Op.DropTimer(w.timers().get(0).id())));
            assertThat(w.timers()).isEmpty();
            w.sets().undo(Temp.halcyon().id());
            assertThat(w.timers()).singleElement().satisfies(t -> assertThat(t.label())
                    .isEqualTo("soak"));
            w.sets().undo(Temp.halcyon().id());
            assertThat(w.timers()).isEmpty();
        }
    }

    @Test
    void aNewSetThatIsUndoneLiesInTheTrashAndComesBack() {
        try (Workshop w = Temp.open(folder)) {
            w.sets().make(Temp.halcyon(), "new set");
            UUID id = Temp.halcyon().id();
            assertThat(w.sets().history(id).undo()).contains("new set");
            assertThat(w.sets().undo(id)).get().extracting(SetRecord::place).isEqualTo(Op.Place.TRASH);
            assertThat(w.sets().redo(id)).get().extracting(SetRecord::place).isEqualTo(Op.Place.SHELF);
        }
    }
}
