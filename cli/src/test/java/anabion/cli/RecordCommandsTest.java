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

    @Test
    void aWholeWorkshopGoesOutAndComesIn(@TempDir Path other) throws IOException {
        Path zip = other.resolve("all.zip");
        assertThat(run("workshop", other.resolve("none"), "--to", zip)).isEqualTo(Main.BAD_INPUT);
        try (Workshop w = Workshop.open(other.resolve("one"), java.time.Clock.systemUTC())) {
            w.sets().add(DemoWorkshop.set("lark"));
        }
        assertThat(run("workshop", other.resolve("one"), "--to", zip, "--json")).isZero();
        assertThat(out).contains("\"sets\" : 1");
        assertThat(run("workshop", other.resolve("one"), "--to", zip))
                .as("nothing is written over")
                .isEqualTo(Main.BAD_INPUT);
        assertThat(run("workshop", other.resolve("two"), "--from", zip)).isZero();
        assertThat(out).contains("added 1 sets");
        assertThat(run("workshop", other.resolve("two"), "--from", zip)).isZero();
        assertThat(out).contains("1 were there already");
        Path set = other.resolve("lark.json");
        Files.writeString(set, ChassisCodec.text(DemoWorkshop.chassis("lark")));
        assertThat(run("workshop", other.resolve("two"), "--from", set)).isEqualTo(Main.BAD_INPUT);
    }

    @Test
    void aReportIsHtmlToo(@TempDir Path other) throws IOException {
        Path bare = other.resolve("halcyon.json");
        Files.writeString(bare, ChassisCodec.text(DemoWorkshop.chassis("halcyon")));
        Path html = other.resolve("halcyon.workshop.html");
        assertThat(run(
                        "export",
                        bare,
                        "--to",
                        "report",
                        "--edition",
                        "workshop",
                        "--format",
                        "html",
                        "--draft",
                        "--valve"))
                .isZero();
        assertThat(Files.readString(html)).contains("<svg", "valve").doesNotContain("tube");
        assertThat(run("export", bare, "--to", "report", "--draft", "--without", "nonsense"))
                .isEqualTo(Main.BAD_INPUT);
        assertThat(run("export", bare, "--to", "report", "--draft", "--templates", other.resolve("none")))
                .isEqualTo(Main.BAD_INPUT);
        assertThat(run("export", bare, "--to", "report", "--edition", "label"))
                .as("a label vouches for nothing")
                .isZero();
    }
}
