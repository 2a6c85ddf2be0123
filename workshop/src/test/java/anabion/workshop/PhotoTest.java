package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class PhotoTest {
    @TempDir
    Path folder;

    private Workshop w;
    private SetRecord set;

    @BeforeEach
    void open() {
        w = Temp.open(folder);
        w.sets().add(Temp.halcyon());
        set = w.sets().get(Temp.halcyon().id());
    }

    @AfterEach
    void close() {
        w.close();
    }

    private long files() throws IOException {
        if (!Files.exists(folder.resolve("photos"))) return 0;
        try (Stream<Path> all = Files.walk(folder.resolve("photos"))) {
            return all.filter(Files::isRegularFile).count();
        }
    }

    @Test
    void aPhotoIsStoredByItsContent() throws IOException {
        SetRecord after = w.addPhoto(set.id(), Temp.picture(1), "under.png", "underside");
        assertThat(after.photos()).singleElement().satisfies(p -> {
            assertThat(p.caption()).isEqualTo("underside");
            assertThat(Files.readAllBytes(w.file(p))).isEqualTo(Temp.picture(1));
        });
        w.addPhoto(set.id(), Temp.picture(1), "again.png", "the same");
        assertThat(files()).as("one file for the same content").isEqualTo(1);
    }

    @Test
    void undoTakesTheRowAndKeepsTheFileForRedo() throws IOException {
        w.addPhoto(set.id(), Temp.picture(1), "a.png", "a");
        w.sets().undo(set.id());
        assertThat(w.sets().get(set.id()).photos()).isEmpty();
        assertThat(files()).isEqualTo(1);
        assertThat(w.sets().redo(set.id()).orElseThrow().photos()).hasSize(1);
    }

    @Test
    void whatIsNoPictureIsRefusedAndLeavesNothing() throws IOException {
        byte[] text = "GIF89a, said the spider".getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> w.addPhoto(set.id(), text, "a.gif", "a"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("a.gif");
        assertThatThrownBy(() -> w.addPhoto(set.id(), "hello".getBytes(StandardCharsets.UTF_8), "a.png", "a"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("not a picture");
        int whole = Temp.picture(1).length;
        for (int length : new int[] {20, 40, 60, whole - 40}) { // a header, a header and no body, half of one
            byte[] cut = Arrays.copyOf(Temp.picture(1), length);
            assertThatThrownBy(() -> w.addPhoto(set.id(), cut, "cut.png", "a"))
                    .as("%d of %d bytes", length, whole)
                    .isInstanceOf(InputException.class)
                    .hasMessageContaining("cut.png");
        }
        assertThat(files()).isZero();
        assertThat(w.sets().get(set.id())).isEqualTo(set);
    }
}
