package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.format.ChassisCodec;
import anabion.core.format.ReadingCodec;
import anabion.core.json.Fields;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MainTest extends Headless {
    @TempDir
    Path folder;

    private Path chassis;
    private Path readings;

    @BeforeEach
    void files() throws IOException {
        chassis = folder.resolve("halcyon.json");
        readings = folder.resolve("readings.csv");
        Files.writeString(chassis, ChassisCodec.text(DemoWorkshop.chassis("halcyon")));
        StringBuilder csv = new StringBuilder();
        ReadingCodec.csv(DemoWorkshop.set("halcyon").readings(), csv);
        Files.writeString(readings, csv);
    }

    @Test
    void decodeGivesOneJsonObject() throws IOException {
        assertThat(run("decode", "20+20/350", "--json")).isZero();
        Fields f = json(out);
        assertThat(f.text("kind")).isEqualTo("capacitor");
        assertThat(f.number("value")).isEqualTo(20e-6);
        assertThat(f.text("unit")).isEqualTo("F");
        assertThat(f.number("rating")).isEqualTo(350);
        assertThat(f.text("ratingUnit")).isEqualTo("V");
        assertThat(f.numbers("sections")).containsExactly(20e-6, 20e-6);
        assertThat(f.objects("alternatives")).isEmpty();
    }

    @Test
    void decodeTakesSeveralWordsAndColours() throws IOException {
        assertThat(run("decode", ".05", "mfd", "--json")).isZero();
        assertThat(json(out).number("value")).isEqualTo(50e-9);
        assertThat(run("decode", "yellow", "violet", "orange")).isZero();
        assertThat(out).contains("47 kΩ").contains("±20 %");
        assertThat(run("decode", "1,000", "--json")).isZero();
        assertThat(json(out).objects("alternatives")).isNotEmpty().allSatisfy(a -> assertThat(a.text("reason"))
                .isNotBlank());
    }

    @Test
    void validateSaysWhatIsInside() throws IOException {
        assertThat(run("validate", chassis, "--json")).isZero();
        assertThat(json(out).integer("parts", 0)).isEqualTo(58);
        assertThat(run("validate", chassis)).isZero();
        assertThat(out).contains("Vessmark Halcyon: sound");
    }

    @Test
    void compareFindsTheLeakAndTheDrift() throws IOException {
        assertThat(run("compare", chassis, "--readings", readings, "--json")).isEqualTo(1);
        Fields f = json(out);
        assertThat(f.objects("readings")).hasSize(9).anySatisfy(r -> {
            assertThat(r.text("point")).isEqualTo("V4.1");
            assertThat(r.number("charted")).isZero();
            assertThat(r.number("expected")).isBetween(-0.2, 0.2);
            assertThat(r.number("read")).isGreaterThan(1);
            assertThat(r.text("verdict")).isEqualTo("must not be positive");
        });
        assertThat(f.objects("suspects").get(0).text("fault")).startsWith("C14:leaky:");
        assertThat(f.objects("suspects")).extracting(s -> s.text("part")).contains("C14", "V4", "R15", "R7");
    }

    @Test
    void solveSaysWhatEveryNetStandsAt() throws IOException {
        assertThat(run("solve", chassis, "--line", "230", "--set", "RV1=0", "--json"))
                .isZero();
        Fields f = json(out);
        assertThat(f.object("nets").number("B2")).isBetween(190.0, 240.0);
        assertThat(f.object("nets").number("V4.1")).isBetween(-0.2, 0.2);
        assertThat(f.object("alternating").number("H")).isBetween(5.5, 6.6);
        assertThat(f.integer("iterations", 0)).isPositive();
        assertThat(f.object("devices").object("V4").number("watts")).isBetween(5.0, 14.0);
        assertThat(run("solve", chassis, "--fault", "C14:leaky:1M", "--json")).isZero();
        assertThat(json(out).object("nets").number("V4.1")).isGreaterThan(5);
        assertThat(run("solve", chassis, "--meter", "1k/V", "--json")).isZero();
        assertThat(json(out).object("nets").number("V3.7")).isLessThan(65);
        assertThat(run("solve", chassis)).isZero();
        assertThat(out).contains("V4.2");
    }

    @Test
    void ohmsAndSupplyAnswer() throws IOException {
        assertThat(run("ohms", chassis, "V4.k", "CHASSIS", "--json")).isZero();
        assertThat(json(out).number("ohms")).isBetween(265.0, 271.0);
        assertThat(json(out).numbers("range")).hasSize(2);
        assertThat(run("ohms", chassis, "V3.7", "CHASSIS")).isZero();
        assertThat(out).contains("MΩ", " to ");
        assertThat(run("supply", chassis, "--lamp", "100", "--steps", "4", "--json"))
                .isZero();
        Fields f = json(out);
        assertThat(f.number("mean")).isBetween(180.0, 240.0);
        assertThat(f.number("glow")).isBetween(0.1, 0.6);
        assertThat(f.objects("steps")).hasSize(4);
        assertThat(run("supply", chassis, "--steps", "3")).isZero();
        assertThat(out.lines()).hasSize(4);
    }

    @Test
    void gainsAndSpreadAnswer() throws IOException {
        assertThat(run("gains", chassis, "--band", "AM", "--json")).isZero();
        Fields f = json(out);
        assertThat(f.objects("levels")).anySatisfy(l -> {
            assertThat(l.text("point")).isEqualTo("V4.1");
            assertThat(l.number("volts")).isBetween(0.4, 1.5);
        });
        assertThat(f.objects("gains")).extracting(g -> g.text("stage")).contains("Mixer", "IF", "Audio", "Output");
        assertThat(f.number("hum")).isPositive();
        assertThat(run("gains", chassis, "--band", "Pick-up")).isZero();
        assertThat(out).contains("PU").doesNotContain("kHz");
        assertThat(run("spread", chassis, "--json", "--meter", "20k/V")).isZero();
        Fields s = json(out);
        Fields screen = s.objects("readings").stream()
                .filter(r -> r.text("point").equals("V2.6"))
                .findFirst()
                .orElseThrow();
        assertThat(screen.number("deviation")).isBetween(2.0, 10.0);
        assertThat(screen.object("shares").number("R7")).isNegative();
        assertThat(run("spread", chassis)).isZero();
        assertThat(out).contains("V2.6", "mostly R7");
        Path deck = folder.resolve("small.cir");
        assertThat(run("export", chassis, "--to", "deck-ac", "--domain", "if", "--out", deck))
                .isZero();
        assertThat(Files.readString(deck)).contains(".ac lin", "Kw", "* net ");
        assertThat(run("export", chassis, "--to", "deck-ac", "--at", "NOWHERE", "--out", deck))
                .isEqualTo(2);
    }

    @Test
    void whereNothingComesThroughGainsSaySo() throws IOException {
        assertThat(run("gains", chassis, "--fault", "T2.primary:open", "--json"))
                .isZero();
        assertThat(out).contains("\"volts\" : null", "\"carrier\" : null");
        assertThat(run("gains", chassis, "--fault", "T2.primary:open")).isZero();
        assertThat(out).contains("nothing").doesNotContain("NaN", "Infinity");
        assertThat(run("export", chassis, "--to", "deck-ac", "--domain", "rf", "--out", folder.resolve("x.cir")))
                .isEqualTo(2);
        assertThat(folder.resolve("x.cir")).doesNotExist();
    }

    @Test
    void whatCannotBeComputedIsRefused() throws IOException {
        Path bare = folder.resolve("moor.json");
        Files.writeString(bare, ChassisCodec.text(DemoWorkshop.chassis("moor")));
        assertThat(run("solve", bare)).isEqualTo(2);
        assertThat(run("gains", bare)).isEqualTo(2);
        assertThat(err).contains("no circuit is entered");
        assertThat(run("export", bare, "--to", "deck", "--out", folder.resolve("x.cir")))
                .isEqualTo(2);
        assertThat(folder.resolve("x.cir")).doesNotExist();
        Path battery = folder.resolve("lark.json");
        Files.writeString(battery, ChassisCodec.text(DemoWorkshop.chassis("lark")));
        assertThat(run("supply", battery)).isEqualTo(2);
        assertThat(err).contains("not fed from the mains");
        assertThat(run("supply", chassis, "--lamp", "-5")).isEqualTo(2);
        assertThat(run("ohms", chassis, "B2", "CHASSIS", "--meter", "0V")).isEqualTo(2);
        assertThat(err).contains("500 V");
    }

    @Test
    void decksAreWritten() throws IOException {
        Path deck = folder.resolve("set.cir");
        assertThat(run("export", chassis, "--to", "deck", "--out", deck)).isZero();
        assertThat(Files.readString(deck)).contains("= V4.2", ".op");
        assertThat(run("export", chassis, "--to", "deck-tran", "--out", deck, "--force"))
                .isZero();
        assertThat(Files.readString(deck)).contains(".tran");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "--fault|C99:open|C99",
                "--fault|C14:sick|no fault",
                "--band|UHF|no such band",
                "--set|RV1=3|between 0 and 1",
                "--set|R7=0.3|no control or switch R7",
                "--set|R99=0.3|no control or switch R99",
                "--set|S2=Moon|AM, Pick-up",
                "--fault|R7:gassy|does not fail as",
                "--fault|C14:leaky:0|above zero",
                "--fault|V4:emission:-3|below zero",
                "--line|-5|--line"
            })
    void whatTheEngineCannotUseIsSaid(String option, String value, String said) {
        assertThat(run("solve", chassis, option, value)).isEqualTo(2);
        assertThat(err).contains(said);
    }

    @Test
    void compareIsFineWithAHealthySet() throws IOException {
        Files.writeString(
                readings, "point,value,line,meter\nV4.6,205,220,20k/V\nV4.1,0,220,20k/V\nV5.7,233,220,20k/V\n");
        assertThat(run("compare", chassis, "--readings", readings)).isZero();
        assertThat(out).contains("within").doesNotContain("high");
    }

    @Test
    void exportWritesEveryFormAlsoFromAnArchive() throws IOException {
        Path zip = folder.resolve("halcyon.anabion.zip");
        try (var stream = Files.newOutputStream(zip)) {
            SetArchive.write(DemoWorkshop.set("halcyon"), p -> folder, stream);
        }
        for (Path from : new Path[] {chassis, zip}) {
            assertThat(run("export", from, "--to", "html", "--out", folder.resolve("x.html"), "--force"))
                    .isZero();
            assertThat(Files.readString(folder.resolve("x.html"))).contains("Vessmark Halcyon");
        }
        assertThat(run("export", zip, "--to", "csv", "--out", folder.resolve("x.csv"), "--json"))
                .isZero();
        assertThat(json(out).text("file")).endsWith("x.csv");
        assertThat(Files.readAllLines(folder.resolve("x.csv")))
                .hasSize(1 + DemoWorkshop.set("halcyon").readings().size());
        assertThat(run("export", chassis, "--to", "pdf")).isZero();
        assertThat(Files.size(folder.resolve("halcyon.pdf"))).isGreaterThan(10_000);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "decode|12q| character 3",
                "validate|nothing.json|no such file",
                "validate|readings.csv|not complete JSON",
                "fly|away|Unmatched argument",
                "decode||Missing required parameter"
            })
    void badInputIsTwoAndSaysWhatToDo(String command, String word, String what) {
        Object argument = word == null ? "--json" : word.contains(".") ? folder.resolve(word) : word;
        assertThat(run(command, argument)).isEqualTo(2);
        assertThat(out).isEmpty();
        assertThat(err).contains(what.strip());
    }

    @Test
    void withJsonErrorsAreJsonOnStandardError() throws IOException {
        Files.writeString(readings, "point,value\nV9.9,3\n");
        assertThat(run("compare", chassis, "--readings", readings, "--json")).isEqualTo(2);
        assertThat(out).isEmpty();
        Fields error = json(err).object("error");
        assertThat(error.text("where")).isEqualTo("readings.csv, line 2, field point");
        assertThat(error.text("what")).contains("no pin or net V9.9");
        assertThat(error.text("remedy")).isNotBlank();
    }

    @Test
    void aDecimalCommaThatShiftsTheColumnsIsNeverAWrongValue() throws IOException {
        Files.writeString(readings, "point,value\nV4.1,3,1\n");
        assertThat(run("compare", chassis, "--readings", readings)).isEqualTo(2);
        assertThat(err).contains("line 2").contains("3 fields").contains("decimal comma");
    }

    @Test
    void aPlaceThatCannotBeWrittenIsNamed() {
        assertThat(run("export", chassis, "--to", "csv", "--out", folder.resolve("none/x.csv")))
                .isEqualTo(2);
        assertThat(err).contains("cannot be written").contains("--out");
    }

    @Test
    void everyCommandHasHelp() {
        for (String command : new String[] {"decode", "validate", "compare", "export"}) {
            assertThat(run(command, "--help")).isZero();
            assertThat(out).contains("--json");
        }
        assertThat(run()).isEqualTo(2);
        assertThat(run("--help")).isZero();
        assertThat(out).contains("COMMAND", "diagnose");
    }

    @Test
    void exportNeverWritesOverWhatIsThereUnasked() throws IOException {
        String before = Files.readString(chassis);
        assertThat(run("export", chassis, "--to", "csv", "--out", chassis, "--force"))
                .as("what it was read from")
                .isEqualTo(2);
        assertThat(err).contains("exported from");
        assertThat(Files.readString(chassis)).isEqualTo(before);
        Path mine = Files.writeString(folder.resolve("mine.csv"), "mine");
        assertThat(run("export", chassis, "--to", "csv", "--out", mine)).isEqualTo(2);
        assertThat(err).contains("--force");
        assertThat(mine).hasContent("mine");
        assertThat(run("export", chassis, "--to", "csv", "--out", folder, "--force"))
                .as("a folder is no file")
                .isEqualTo(2);
        assertThat(run("export", chassis, "--to", "csv", "--out", mine, "--force"))
                .isZero();
        assertThat(Files.readString(mine)).startsWith("point,");
        assertThat(folder.resolve("mine.csv.part")).doesNotExist();
    }

    /** Files that somebody's other program made, or nobody's. */
    @ParameterizedTest
    @CsvSource({
        "33000,1e999,this size",
        "33000,1e-300,this size",
        "33000,1e99999999999,size",
        "\"version\" : 1,\"version\" : 1e999999999,whole number"
    })
    void numbersThatNoQuantityHasAreRefused(String good, String bad, String what) throws IOException {
        String json = Files.readString(chassis);
        assertThat(json).contains(good);
        Files.writeString(chassis, json.replace(good, bad));
        assertThat(run("validate", chassis)).as(err).isEqualTo(2);
        assertThat(err).contains(what);
        assertThat(run("solve", chassis)).isEqualTo(2);
    }

    @Test
    void textsInOtherEncodingsAreRefused() throws IOException {
        Files.write(readings, "point,value,signal\nV4.1,3,st\u00e4rk\n".getBytes(StandardCharsets.ISO_8859_1));
        assertThat(run("compare", chassis, "--readings", readings)).isEqualTo(2);
        assertThat(err).contains("readings.csv", "UTF-8");
        byte[] wide = {0, 0, (byte) 0xfe, (byte) 0xff, 0x7f, 0x7f, 0x7f, 0x7f};
        Files.write(chassis, wide);
        assertThat(run("validate", chassis)).isEqualTo(2);
        assertThat(err).contains("UTF-8");
    }

    @Test
    void aStateThatIsNoIdIsRefused() throws IOException {
        Path zip = folder.resolve("forged.zip");
        try (var stream = Files.newOutputStream(zip);
                var out = new ZipOutputStream(stream)) {
            out.putNextEntry(new ZipEntry("chassis.json"));
            out.write(Files.readAllBytes(chassis));
            out.putNextEntry(new ZipEntry("readings.json"));
            out.write(
                    ("{\"readings\": [{\"point\": \"V4.1\", \"value\": 3, \"at\": \"2026-05-04T09:30:00Z\", \"state\": \"mine\", "
                                    + "\"condition\": {\"line\": 230, \"meter\": \"10M\"}}]}")
                            .getBytes(StandardCharsets.UTF_8));
        }
        assertThat(run("validate", zip)).as(err).isEqualTo(2);
        assertThat(err).contains("state", "no UUID");
    }

    @Test
    void aTypeThatNobodyKnowsIsALoudFinding(@TempDir Path other) throws IOException {
        Path set = other.resolve("unknown.json");
        String known = Files.readString(Path.of("src/test/resources/inputs/base/one-tube.json"));
        assertThat(known).contains("\"type\" : \"6X4\"");
        Files.writeString(set, known.replace("\"type\" : \"6X4\"", "\"type\" : \"6ZZ9\""));
        assertThat(run("validate", set)).isEqualTo(Main.FINDING);
        assertThat(out).contains("the library does not know the type 6ZZ9").doesNotContain("sound");
        run("solve", set);
        assertThat(err).contains("6ZZ9");
    }
}
