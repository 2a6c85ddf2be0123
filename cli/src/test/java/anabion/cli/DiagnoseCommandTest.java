package anabion.cli;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.format.ChassisCodec;
import anabion.core.json.Fields;
import anabion.core.lineup.LineUp;
import anabion.core.testing.LeftToDeep;
import anabion.workshop.SetRecord;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The diagnosis without a window, on the readings of the demo's Halcyon. */
class DiagnoseCommandTest extends Headless {
    @TempDir
    Path folder;

    private Path chassis;
    private Path evidence;

    @BeforeEach
    void files() throws IOException {
        SetRecord set = DemoWorkshop.set("halcyon");
        chassis = Files.writeString(folder.resolve("halcyon.json"), ChassisCodec.text(set.chassis()));
        StringBuilder csv = new StringBuilder("kind,at,value,line,band,meter\n");
        set.readings().stream()
                .filter(r -> r.measure() == Measure.DC_VOLTS)
                .forEach(r -> csv.append("volts,%s,%s,%s,%s,10M%n"
                        .formatted(
                                r.point(),
                                r.value(),
                                r.condition().line(),
                                r.condition().band())));
        evidence =
                Files.writeString(folder.resolve("evidence.csv"), csv.toString().replace("\r", ""));
    }

    /** The demo's Halcyon has two faults: one alone leaves readings unexplained. */
    @Test
    @LeftToDeep
    void bothPlantedFaultsAreFoundTogether() throws IOException {
        assertThat(run("diagnose", chassis, "--evidence", evidence, "--pairs", "--json"))
                .isEqualTo(Main.FINDING);
        Fields json = json(out);
        List<Fields> suspects = json.objects("suspects");
        assertThat(suspects.get(0).strings("parts")).containsExactlyInAnyOrder("C14", "R7");
        double sum = suspects.stream().mapToDouble(s -> s.number("odds")).sum()
                + json.number("other")
                + json.number("sound");
        assertThat(sum).isBetween(0.97, 1.0001);
    }

    @Test
    void oneFaultAtATimeTheOddsSayWhatIsLikelyAndWhatToReadNext() throws IOException {
        assertThat(run("diagnose", chassis, "--evidence", evidence, "--json")).isEqualTo(Main.FINDING);
        Fields json = json(out);
        assertThat(json.objects("suspects").stream().limit(2).map(s -> s.text("fault")))
                .anyMatch(f -> f.startsWith("C14:leaky"))
                .anyMatch(f -> f.startsWith("R7:drifted"));
        assertThat(json.objects("next").get(0).number("information")).isPositive();
        assertThat(json.objects("next").get(0).number("minutes")).isPositive();
    }

    /** What the first call computed serves the second, which says the same. */
    @Test
    @LeftToDeep
    void whatIsComputedIsKeptInTheWorkshop() throws IOException {
        Files.writeString(evidence, "kind,at,value\nsymptom,Pick-up,weak\n");
        Path workshop = Files.createDirectory(folder.resolve("workshop"));
        run("diagnose", chassis, "--evidence", evidence, "--workshop", workshop);
        String first = out;
        Path kept = only(workshop.resolve("computed"));
        FileTime then = FileTime.fromMillis(0);
        Files.setLastModifiedTime(kept, then);
        run("diagnose", chassis, "--evidence", evidence, "--workshop", workshop);
        assertThat(out).isEqualTo(first);
        assertThat(only(workshop.resolve("computed"))).isEqualTo(kept);
        assertThat(Files.getLastModifiedTime(kept))
                .as("nothing was computed anew")
                .isEqualTo(then);
    }

    @Test
    void whereNothingCanBeKeptThatIsSaid() throws IOException {
        assertThat(run("diagnose", chassis, "--evidence", evidence, "--workshop", folder.resolve("gone")))
                .isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains("gone", "no such folder", "leave --workshop out");
    }

    private static Path only(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            List<Path> all = files.toList();
            assertThat(all).hasSize(1);
            return all.get(0);
        }
    }

    /** Of the tubes and the chart alone; what cannot be weighed without a circuit is said, not dropped. */
    @Test
    void beforeACircuitIsEnteredItNamesPlaces() throws IOException {
        Chassis bare = LineUp.alone(DemoWorkshop.chassis("halcyon"));
        Path lineUp = Files.writeString(folder.resolve("line-up.json"), ChassisCodec.text(bare));
        Files.writeString(evidence, Files.readString(evidence).replace(",AM,", ",,"));
        int code = run("diagnose", lineUp, "--evidence", evidence, "--json");
        assertThat(code).as(err).isEqualTo(Main.FINDING);
        assertThat(json(out).objects("suspects").get(0).strings("parts")).contains("coupling@V4/1");
        assertThat(err).contains("no circuit is entered", "pieces of evidence");
    }

    @Test
    @LeftToDeep
    void inPrintItSaysWhatToReadNext() {
        assertThat(run("diagnose", chassis, "--evidence", evidence, "--visited"))
                .isEqualTo(Main.FINDING);
        assertThat(out).contains("C14:leaky", "something else", "nothing that shows", "next: ");
    }

    @Test
    void nextSaysWhatTellsTheTwoLikeliestApart() throws IOException {
        assertThat(run("next", chassis, "--evidence", evidence, "--json")).isEqualTo(Main.FINDING);
        Fields json = json(out);
        assertThat(json.objects("separates")).isNotEmpty();
        assertThat(json.objects("separates").get(0).number("deviations")).isGreaterThan(1);
        assertThat(run("next", chassis, "--evidence", evidence)).isEqualTo(Main.FINDING);
        assertThat(out).contains("next: ", "tells ");
    }

    @Test
    void evidenceThatIsNotThereOrCannotBeReadIsSaid() throws IOException {
        assertThat(run("diagnose", chassis, "--evidence", folder.resolve("none.csv")))
                .isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains("no such file");
        Path bad = Files.writeString(folder.resolve("bad.csv"), "kind,at,value\nvolts,V4.1,much\n");
        assertThat(run("diagnose", chassis, "--evidence", bad)).isEqualTo(Main.BAD_INPUT);
        assertThat(err).contains("line 2", "value");
        assertThat(run("diagnose", chassis)).isEqualTo(Main.BAD_INPUT);
    }

    /** A signal is put in where signals go; elsewhere nothing could be learned of it, and that is said. */
    @Test
    void aSignalWhereNonePassesIsRefused() throws IOException {
        for (String row : new String[] {"inject,B1,loud", "level,rf V4.1,12mV", "tap,if V3.7,weak"}) {
            Path off = Files.writeString(folder.resolve("off.csv"), "kind,at,value\n" + row + "\n");
            assertThat(run("diagnose", chassis, "--evidence", off)).as(row).isEqualTo(Main.BAD_INPUT);
            assertThat(err).contains("no such signal", "af V4.1");
        }
    }

    /** Every fault's level is computed, half a minute. */
    @Test
    @LeftToDeep
    void aLevelAloneIsEvidence() throws IOException {
        Path level = Files.writeString(folder.resolve("level.csv"), "kind,at,value\nlevel,V4.1,1.6V\n");
        assertThat(run("next", chassis, "--evidence", level)).isEqualTo(Main.FINDING);
    }
}
