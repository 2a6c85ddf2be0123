package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.workshop.Workshop;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RestoreCommandTest extends Headless {
    private static final Clock CLOCK = Clock.fixed(Instant.parse("2026-05-04T10:00:00Z"), ZoneOffset.UTC);

    @TempDir
    Path folder;

    private void workshop() {
        try (Workshop w = Workshop.open(folder, CLOCK)) {
            w.sets().add(DemoWorkshop.set("moor"));
            w.backup();
        }
    }

    @Test
    void itListsAndRestores() throws IOException {
        workshop();
        assertThat(run("restore", folder)).isEqualTo(Main.FINE);
        assertThat(out).contains("workshop-2026-05-04.db", "1 sets, 0 readings");
        Files.delete(folder.resolve("workshop.db"));
        assertThat(run("restore", folder, "--json")).isEqualTo(Main.FINDING);
        assertThat(json(out).text("finding")).contains("missing");
        assertThat(json(out).objects("backups")).hasSize(1);
        assertThat(run("restore", folder, "workshop-2026-05-04.db")).isEqualTo(Main.FINE);
        assertThat(out).contains("restored").doesNotContain("set-aside-");
        assertThat(run("restore", folder, "workshop-2026-05-04.db")).isEqualTo(Main.FINE);
        assertThat(out).contains("what was there before is in", "set-aside-");
        assertThat(run("restore", folder)).isEqualTo(Main.FINE);
        try (Workshop w = Workshop.open(folder, CLOCK)) {
            assertThat(w.sets().summaries()).hasSize(1);
        }
    }

    @Test
    void whatIsNotThereIsBadInput() {
        assertThat(run("restore", folder.resolve("none"))).isEqualTo(Main.BAD_INPUT);
        assertThat(folder.resolve("none")).doesNotExist();
        workshop();
        assertThat(run("restore", folder, "none.db")).isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains("no such backup");
        try (Workshop w = Workshop.open(folder, CLOCK)) {
            assertThat(w.backups()).hasSize(1);
            assertThat(run("restore", folder)).isEqualTo(Main.BAD_INPUT);
            assertThat(err).contains("open in another");
        }
    }
}
