package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.format.ChassisCodec;
import anabion.workshop.SetRecord;
import anabion.workshop.Workshop;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The record of a set, headless. */
class RecordCommandsTest extends Headless {
    @Test
    void timelinesCordsAndCalendarsAreWrittenAndWordsAreFound(@TempDir Path other) throws IOException {
        Path bare = other.resolve("halcyon.json");
        Files.writeString(bare, ChassisCodec.text(DemoWorkshop.chassis("halcyon")));
        Path zip = other.resolve("lark.anabion.zip");
        SetRecord lark = DemoWorkshop.set("lark");
        try (OutputStream out = Files.newOutputStream(zip)) {
            SetArchive.write(lark, p -> other, out);
        }
        assertThat(run("export", zip, "--to", "timeline", "--out", other.resolve("t.csv")))
                .isZero();
        assertThat(Files.readString(other.resolve("t.csv")))
                .startsWith("time,kind,part,what,detail")
                .contains("soak,Q7");
        assertThat(run("export", zip, "--to", "cord", "--out", other.resolve("c.pdf")))
                .isZero();
        assertThat(other.resolve("c.pdf")).isNotEmptyFile();
        assertThat(run("export", zip, "--to", "ics", "--out", other.resolve("d.ics")))
                .isZero();
        assertThat(Files.readString(other.resolve("d.ics"))).contains("BEGIN:VCALENDAR");
        assertThat(run("export", bare, "--to", "cord", "--out", other.resolve("none.pdf")))
                .isEqualTo(2);
        try (Workshop w = Workshop.open(other.resolve("w"), java.time.Clock.systemUTC())) {
            w.sets().add(lark);
        }
        assertThat(run("export", zip, "--to", "report", "--out", other.resolve("r.pdf"), "--json"))
                .isEqualTo(1);
        assertThat(out).contains("open").contains("cause");
        assertThat(other.resolve("r.pdf")).doesNotExist();
        for (String edition : new String[] {"owner", "card"})
            assertThat(run(
                            "export",
                            zip,
                            "--to",
                            "report",
                            "--draft",
                            "--edition",
                            edition,
                            "--force",
                            "--out",
                            other.resolve("r.pdf")))
                    .as(edition)
                    .isZero();
        assertThat(run("search", "dial", "pull", "--workshop", other.resolve("w"), "--json"))
                .isZero();
        assertThat(out).contains("glued, left for a day");
        assertThat(run("search", "zebra", "--workshop", other.resolve("w"))).isEqualTo(1);
        assertThat(run("search", "dial", "--workshop", other.resolve("nowhere")))
                .isEqualTo(2);
    }
}
