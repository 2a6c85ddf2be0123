package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Identity;
import anabion.core.chassis.Part;
import anabion.core.chassis.SetKind;
import anabion.core.chassis.Supply;
import anabion.core.command.WiringLine;
import anabion.core.format.ChassisCodec;
import anabion.core.json.Extra;
import anabion.core.testing.LeftToDeep;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The largest set that is taken: 2,000 parts, triode stages in a row on one supply. */
class LargeSetTest extends Headless {
    private static final int PARTS = 2_000;

    @TempDir
    Path folder;

    private Path file;

    private static Chassis set(int parts) {
        Chassis set = Chassis.blank(
                UUID.fromString("3a0f2a34-6c0e-4a8e-9d15-55d6c0c8c001"),
                Identity.of("", "Row of stages", SetKind.HOME),
                new Supply(Arrangement.TRANSFORMER, 230, 50, "", Extra.NONE));
        List<String> lines = new ArrayList<>(List.of(
                "S1 off/on MAINS-L M1 mains switch",
                "T1 230 M1>MAINS-N=230V,2R HA>CHASSIS=260V,2R CHASSIS>HB=260V,2R H>CHASSIS=6.3V,0.001R mains transformer",
                "D1 1N4007 HA B1",
                "D2 1N4007 HB B1",
                "C1 470/450 B1 CHASSIS reservoir",
                "R1 10 50W B1 B2 smoothing",
                "C2 470/450 B2 CHASSIS smoothing"));
        int number = 3;
        for (int stage = 1; lines.size() + 6 <= parts; stage++) {
            lines.add("V" + stage + " 6C4 1=A" + stage + " 3=H 4=CHASSIS 6=G" + stage + " 7=K" + stage);
            lines.add("R" + number++ + " 220k A" + stage + " B2 plate load");
            lines.add("R" + number++ + " 2k2 K" + stage + " CHASSIS cathode");
            lines.add("R" + number++ + " 470k G" + stage + " CHASSIS grid leak");
            lines.add("C" + number++ + " .01/400 A" + stage + " G" + (stage + 1) + " coupling to a grid");
            lines.add("C" + number++ + " 25/25 K" + stage + " CHASSIS cathode bypass");
        }
        while (lines.size() < parts) lines.add("R" + number++ + " 1M B2 CHASSIS bleeder");
        List<Part> all = new ArrayList<>();
        for (String line : lines) all.add(WiringLine.parse(line, set));
        return set.withParts(all);
    }

    @BeforeEach
    void write() throws IOException {
        file = folder.resolve("row.json");
        Files.writeString(file, ChassisCodec.text(set(PARTS)));
    }

    private void within(double seconds, Object... words) {
        assertThat(run(words)).as(() -> List.of(words) + ": " + err).isLessThan(Main.BAD_INPUT);
        assertThat(seconds()).as(List.of(words).toString()).isLessThan(seconds);
    }

    /** Some seven seconds of one core. */
    @Test
    @LeftToDeep
    void itIsReadExportedAndPlannedInSeconds() {
        within(2, "validate", file);
        within(5, "export", file, "--to", "html", "--out", folder.resolve("row.html"));
        within(5, "export", file, "--to", "deck", "--out", folder.resolve("row.cir"));
        within(10, "recap", file);
    }

    @Test
    void aLargerOneIsRefused() throws IOException {
        Files.writeString(file, ChassisCodec.text(set(PARTS + 1)));
        assertThat(run("validate", file)).isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains("2000");
    }
}
