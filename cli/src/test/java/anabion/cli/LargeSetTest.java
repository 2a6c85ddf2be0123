package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.format.ChassisCodec;
import anabion.core.testing.LeftToDeep;
import anabion.core.testing.RowOfStages;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The largest set that is taken: 2,000 parts, triode stages in a row on one supply. */
class LargeSetTest extends Headless {
    private static final int PARTS = 2_000;

    @TempDir
    Path folder;

    private Path file;

    @BeforeEach
    void write() throws IOException {
        file = folder.resolve("row.json");
        Files.writeString(file, ChassisCodec.text(RowOfStages.of(PARTS)));
    }

    private void within(double seconds, Object... words) {
        assertThat(run(words)).as(() -> List.of(words) + ": " + err).isLessThan(Main.BAD_INPUT);
        assertThat(seconds()).as(List.of(words).toString()).isLessThan(seconds);
    }

    /** Seven to thirteen seconds of one core, by how quick its memory is: matrices of thousands of nets. The limits are for what would take minutes. */
    @Test
    @LeftToDeep
    void itIsReadExportedAndPlannedInSeconds() {
        within(2, "validate", file);
        within(5, "export", file, "--to", "html", "--out", folder.resolve("row.html"));
        within(5, "export", file, "--to", "deck", "--out", folder.resolve("row.cir"));
        within(20, "recap", file);
    }

    @Test
    void aLargerOneIsRefused() throws IOException {
        Files.writeString(file, ChassisCodec.text(RowOfStages.of(PARTS + 1)));
        assertThat(run("validate", file)).isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains("2000");
    }
}
