package anabion.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A folder that a phone fills. */
class PhotoFolderTest {
    @TempDir
    Path folder;

    @Test
    void whatComesIsNewOnceItIsWholeAndOnlyOnce() throws IOException {
        Files.write(folder.resolve("old.jpg"), new byte[10]);
        PhotoFolder watched = new PhotoFolder(folder);
        assertThat(watched.fresh()).isEmpty();
        Path photo = folder.resolve("IMG_1.JPG");
        Files.write(photo, new byte[100]);
        Files.write(folder.resolve("notes.txt"), new byte[100]);
        assertThat(watched.fresh()).as("it may still grow").isEmpty();
        Files.write(photo, new byte[200]);
        assertThat(watched.fresh()).as("it did").isEmpty();
        assertThat(watched.fresh()).containsExactly(photo);
        assertThat(watched.fresh()).as("once").isEmpty();
    }

    @Test
    void aFolderThatIsGoneIsSaid() throws IOException {
        Path gone = Files.createDirectory(folder.resolve("card"));
        PhotoFolder watched = new PhotoFolder(gone);
        Files.delete(gone);
        assertThatThrownBy(watched::fresh).isInstanceOf(IOException.class);
    }
}
