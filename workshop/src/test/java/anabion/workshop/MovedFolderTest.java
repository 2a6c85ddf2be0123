package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import anabion.workshop.storage.CheckedPicture;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The folder of an open workshop is deleted, moved or replaced. */
class MovedFolderTest {
    @TempDir
    Path parent;

    private Path folder;

    @BeforeEach
    void name() {
        folder = parent.resolve("mine");
    }

    private static void said(Workshop w, SetRecord set) {
        assertThatThrownBy(() -> Temp.take(w, set, "V4.1", 2))
                .isInstanceOfSatisfying(
                        StorageException.class, t -> assertThat(t.kind()).isEqualTo(StorageException.Kind.MOVED))
                .hasMessageContaining("deleted, moved or replaced");
    }

    private Workshop withOnePhotoAndOneReading() {
        Workshop w = Temp.open(folder);
        w.sets().add(Temp.halcyon());
        w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(1), "a.png"), "underside");
        Temp.take(w, w.sets().get(Temp.halcyon().id()), "V3.7", 85);
        return w;
    }

    @Test
    void aDeletedFolderIsSaidAndAllThatIsInMemoryCanBeSaved() throws IOException {
        Path elsewhere = parent.resolve("saved");
        SetRecord set;
        try (Workshop w = withOnePhotoAndOneReading()) {
            set = w.sets().get(Temp.halcyon().id());
            Folders.delete(folder);
            said(w, set);
            assertThat(w.saveTo(elsewhere))
                    .as("its picture went with the folder")
                    .isEqualTo(set.photos());
            assertThatThrownBy(() -> w.saveTo(elsewhere))
                    .isInstanceOf(InputException.class)
                    .hasMessageContaining("something of this name");
        }
        try (Workshop w = Temp.open(elsewhere)) {
            assertThat(w.sets().get(set.id())).isEqualTo(set);
            assertThat(w.sets().history(set.id()).undo()).contains("reading V3.7");
        }
    }

    @Test
    void aMovedFolderIsSaid() throws IOException {
        try (Workshop w = withOnePhotoAndOneReading()) {
            SetRecord set = w.sets().get(Temp.halcyon().id());
            Files.move(folder, parent.resolve("other"));
            said(w, set);
            assertThatThrownBy(() -> w.addPhoto(set.id(), CheckedPicture.of(Temp.picture(2), "b.png"), "top"))
                    .isInstanceOf(StorageException.class)
                    .hasMessageContaining("deleted, moved or replaced");
            assertThat(folder).as("nothing is made where it was").doesNotExist();
            Files.move(parent.resolve("other"), folder);
            assertThat(Temp.take(w, set, "V4.1", 2).readings())
                    .as("back where it was")
                    .hasSize(set.readings().size() + 1);
        }
    }

    @Test
    void aReplacedFolderIsSaidAndNothingIsWrittenIntoIt() throws IOException {
        Path stranger = parent.resolve("stranger");
        Temp.open(stranger).close();
        byte[] before = Files.readAllBytes(stranger.resolve("workshop.db"));
        Path elsewhere = parent.resolve("saved");
        SetRecord set;
        try (Workshop w = withOnePhotoAndOneReading()) {
            set = w.sets().get(Temp.halcyon().id());
            Files.move(folder, parent.resolve("other"));
            Files.move(stranger, folder);
            said(w, set);
            w.saveTo(elsewhere);
        }
        assertThat(folder.resolve("workshop.db")).hasBinaryContent(before);
        try (Workshop w = Temp.open(parent.resolve("other"))) {
            assertThat(w.sets().get(set.id()))
                    .as("the folder that was moved is whole, too")
                    .isEqualTo(set);
        }
        try (Workshop w = Temp.open(elsewhere)) {
            assertThat(w.sets().get(set.id())).isEqualTo(set);
        }
    }

    @Test
    void picturesThatAreThereAreSavedToo() throws IOException {
        Path elsewhere = parent.resolve("saved");
        try (Workshop w = withOnePhotoAndOneReading()) {
            assertThat(w.saveTo(elsewhere)).isEmpty();
        }
        try (Workshop w = Temp.open(elsewhere)) {
            Photo photo = w.sets().get(Temp.halcyon().id()).photos().get(0);
            assertThat(w.file(photo)).hasBinaryContent(Temp.picture(1));
        }
    }
}
