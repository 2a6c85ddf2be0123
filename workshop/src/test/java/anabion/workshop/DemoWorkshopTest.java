package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import anabion.workshop.demo.DemoWorkshop;
import anabion.workshop.storage.CheckedPicture;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The demo fills a workshop of its own, and clears nobody else's. */
class DemoWorkshopTest {
    @TempDir
    Path folder;

    @Test
    void theDemoShelfHasSevenSetsAtDifferentSteps() {
        try (Workshop w = Temp.open(folder)) {
            DemoWorkshop.fill(w);
            DemoWorkshop.fill(w);
            List<Summary> shelf = w.sets().summaries();
            assertThat(shelf).hasSize(7);
            assertThat(shelf.stream().map(Summary::step).distinct().count()).isGreaterThanOrEqualTo(5);
            assertThat(shelf.get(0).verdict()).contains("C14");
            assertThat(shelf.get(0).read()).isEqualTo(9);
            assertThat(shelf.get(0).charted()).isEqualTo(17);
            assertThat(w.sets().get(shelf.get(0).id()).chassis().parts()).hasSizeBetween(45, 60);
        }
    }

    @Test
    void resettingTheDemoLeavesStrangersFilesAlone() throws IOException {
        try (Workshop w = Temp.open(folder)) {
            DemoWorkshop.fill(w);
            w.addPhoto(Temp.halcyon().id(), CheckedPicture.of(Temp.picture(2), "p.png"), "x");
            w.backup();
        }
        Files.writeString(folder.resolve("notes.txt"), "mine");
        DemoWorkshop.reset(folder);
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files.map(f -> f.getFileName().toString())).containsExactly("notes.txt");
        }
    }

    /** Neither into somebody's own workshop, nor over a set that was entered beside the demo's. */
    @Test
    void theDemoKeepsToItself() throws IOException {
        try (Workshop w = Temp.open(folder)) {
            w.sets().make(own(), "new set");
            assertThatThrownBy(() -> DemoWorkshop.fill(w))
                    .isInstanceOf(InputException.class)
                    .hasMessageContaining("another folder");
            assertThat(w.sets().summaries()).hasSize(1);
        }
        Path demo = folder.resolve("demo");
        try (Workshop w = Temp.open(demo)) {
            DemoWorkshop.fill(w);
            w.sets().make(own(), "new set");
        }
        assertThatThrownBy(() -> DemoWorkshop.reset(demo))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("no demo's");
        try (Workshop w = Temp.open(demo)) {
            assertThat(w.sets().summaries()).hasSize(8);
        }
    }

    private static SetRecord own() {
        return Sets.fresh(Temp.halcyon().chassis().withId(UUID.randomUUID()));
    }

    @Test
    void somebodysOwnWorkshopIsNeverResetAndNeitherIsAnOpenDemo() throws IOException {
        try (Workshop w = Temp.open(folder)) {
            w.sets().add(Temp.halcyon());
        }
        assertThatThrownBy(() -> DemoWorkshop.reset(folder))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("own workshop");
        try (Workshop w = Temp.open(folder)) {
            assertThat(w.sets().get(Temp.halcyon().id())).isEqualTo(Temp.halcyon());
            w.setting("demo", "yes");
            assertThatThrownBy(() -> DemoWorkshop.reset(folder))
                    .isInstanceOf(InputException.class)
                    .hasMessageContaining("open in another");
            assertThat(w.sets().summaries()).hasSize(1);
        }
        DemoWorkshop.reset(folder);
        assertThat(folder.resolve("workshop.db")).doesNotExist();
        DemoWorkshop.reset(folder);
    }
}
