package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.format.ChassisCodec;
import anabion.core.json.Fields;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** An alignment without a window. */
class AlignCommandsTest extends Headless {
    @TempDir
    Path folder;

    private Path set(String name) throws IOException {
        return Files.writeString(folder.resolve(name + ".json"), ChassisCodec.text(DemoWorkshop.chassis(name)));
    }

    @Test
    void theLinesOfABand() throws IOException {
        assertThat(run("align", set("brae"), "--band", "MW", "--json")).isZero();
        List<Fields> lines = json(out).objects("lines");
        assertThat(lines).hasSize(5);
        Fields first = lines.get(0);
        assertThat(first.text("point")).isEqualTo("V1.6");
        assertThat(first.text("through")).isEqualTo("blocking-capacitor");
        assertThat(first.number("frequency")).isEqualTo(473e3);
        assertThat(first.strings("adjusters")).containsExactly("1", "2");
        assertThat(first.text("aim")).isEqualTo("peak");
        assertThat(first.text("indicator")).isEqualTo("output-meter");
        assertThat(first.number("level")).isBetween(1e-6, 1e-3);
        assertThat(lines.get(3).flag("rocked", false)).isTrue();
        assertThat(json(out).strings("before")).contains("isolate", "warm-up");
        run("align", set("brae"), "--band", "MW");
        assertThat(out).contains("isolating transformer", "dial at 600 kHz", "200 pF, 25 Ω");
    }

    @Test
    void whatADialSays() throws IOException {
        assertThat(run("track", set("halcyon"), "--points", "600:580,1400:1420", "--json"))
                .isEqualTo(Main.FINDING);
        Fields f = json(out);
        assertThat(f.objects("advice")).extracting(a -> a.text("adjuster")).containsExactly("A6", "A5");
        assertThat(f.objects("advice")).extracting(a -> a.text("way")).containsExactly("in", "out");
        assertThat(f.numbers("before")).containsExactly(20e3, -20e3);
        assertThat(f.numbers("after")).allSatisfy(e -> assertThat(e).isCloseTo(0, within(100.0)));
        assertThat(run("track", set("halcyon"), "--points", "600:600,1400k:1.4M"))
                .isZero();
    }

    @ParameterizedTest
    @ValueSource(strings = {"600", "600:", "6:5", "a:b", "600:580:560", "", "0:0", "-600:580"})
    void aPointThatIsNoneIsRefused(String points) throws IOException {
        assertThat(run("track", set("halcyon"), "--points", points)).isEqualTo(2);
        assertThat(err).contains("--points").doesNotContain("Exception");
    }

    @Test
    void theSelectivityAndItsFile() throws IOException {
        Path csv = folder.resolve("curve.csv");
        assertThat(run("response", set("halcyon"), "--csv", csv, "--json")).isZero();
        assertThat(json(out).number("centre")).isCloseTo(465e3, within(500.0));
        assertThat(json(out).number("width6")).isBetween(3e3, 12e3);
        assertThat(Files.readAllLines(csv)).hasSize(202).first().isEqualTo("hertz,decibels");
        assertThat(run("response", set("halcyon"), "--csv", csv)).isEqualTo(2);
        assertThat(err).contains("there is a file of that name");
        assertThat(run("response", set("halcyon"), "--at", "V9.9")).isEqualTo(2);
        assertThat(run("response", set("halcyon"), "--band", "Pick-up")).isEqualTo(2);
        assertThat(err).contains("no intermediate frequency");
    }

    @Test
    void aSetWithoutItsCircuitOrItsAdjustersIsRefused() throws IOException {
        assertThat(run("align", set("moor"))).isEqualTo(2);
        assertThat(run("align", set("halcyon"), "--band", "Pick-up")).isEqualTo(2);
        assertThat(err).contains("no adjuster of this band");
        assertThat(run("track", set("rover"), "--band", "LW", "--points", "200:205"))
                .isEqualTo(2);
        assertThat(err).contains("do not cover 150 to 285 kHz");
    }

    @Test
    void theMakersTableTakesThePlaceOfTheCircuitsLines() throws IOException {
        Path table = Files.writeString(
                folder.resolve("table.csv"),
                "Generator to;via;kHz;Pointer;Trimmer;For;Remarks\nV1.7;0.1 uF;465;;A1, A2;max;short C4\n;;465;1000;A7;min;trap\n");
        assertThat(run("align", set("halcyon"), "--table", table, "--json")).isZero();
        List<Fields> lines = json(out).objects("lines");
        assertThat(lines).hasSize(2);
        assertThat(lines.get(0).text("note")).isEqualTo("short C4");
        assertThat(lines.get(0).text("printedThrough")).isEqualTo("0.1 uF");
        assertThat(lines.get(1).text("aim")).isEqualTo("dip");
        assertThat(lines.get(1).text("purpose")).isEqualTo("trap");
        assertThat(json(out).strings("untold"))
                .as("of which the table says nothing")
                .contains("A3", "A5");
        assertThat(run("align", set("halcyon"), "--table", folder.resolve("none.csv")))
                .isEqualTo(2);
        Files.writeString(table, "frequency,adjust\n465,A99\n");
        assertThat(run("align", set("halcyon"), "--table", table)).isEqualTo(2);
        assertThat(err).contains("table.csv", "A99");
    }
}
