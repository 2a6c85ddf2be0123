package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Arrays;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was computed of faults is there again at the next start, and nothing that is no longer true. */
class ComputedStatesTest {
    private static final Measurement.Listen LISTENED = new Measurement.Listen("Pick-up");
    private static final int SOME = 160;
    private final Chassis halcyon = Temp.halcyon().chassis();

    @TempDir
    Path folder;

    private static List<double[]> heard(PredictionModel m) {
        m.heardReady(m.hypotheses().subList(0, SOME), List.of(LISTENED));
        return m.hypotheses().subList(0, SOME).stream()
                .map(h -> m.said(h, LISTENED))
                .toList();
    }

    private static int known(PredictionModel m) {
        return m.computed().size();
    }

    private <T> T asked(Chassis chassis, Function<PredictionModel, T> question) {
        try (Workshop workshop = Temp.open(folder)) {
            return workshop.predictors().foreseen(chassis, Priors.USUAL, question);
        }
    }

    private List<Path> files() throws IOException {
        Path computed = folder.resolve("computed");
        if (!Files.exists(computed)) return List.of();
        try (Stream<Path> all = Files.list(computed)) {
            return all.toList();
        }
    }

    @Test
    void theNextStartKnowsWhatWasComputed() throws IOException {
        List<double[]> first = asked(halcyon, ComputedStatesTest::heard);
        assertThat(files()).hasSize(1);
        FileTime written = Files.getLastModifiedTime(files().get(0));
        int kept = asked(halcyon, ComputedStatesTest::known);
        assertThat(kept).isGreaterThan(SOME / 2);
        List<double[]> again = asked(halcyon, ComputedStatesTest::heard);
        for (int n = 0; n < first.size(); n++)
            assertThat(Arrays.equals(first.get(n), again.get(n))).isTrue();
        assertThat(Files.getLastModifiedTime(files().get(0)))
                .as("nothing new was written")
                .isEqualTo(written);
    }

    @Test
    void aChangedSetKnowsNothingOfIt() {
        asked(halcyon, ComputedStatesTest::heard);
        Part r9 = halcyon.part("R9").orElseThrow();
        Component.Resistor r = (Component.Resistor) r9.component();
        Chassis changed = halcyon.withParts(halcyon.parts().stream()
                .map(p -> p.equals(r9)
                        ? p.withComponent(new Component.Resistor(2 * r.ohms(), r.tolerance(), r.watts()))
                        : p)
                .toList());
        assertThat(asked(changed, ComputedStatesTest::known)).isZero();
    }

    @Test
    void aDamagedFileIsAsIfItWereNotThere() throws IOException {
        List<double[]> first = asked(halcyon, ComputedStatesTest::heard);
        Path file = files().get(0);
        byte[] whole = Files.readAllBytes(file);
        Files.write(file, Arrays.copyOf(whole, whole.length / 2));
        assertThat(asked(halcyon, ComputedStatesTest::known)).isZero();
        byte[] flipped = whole.clone();
        flipped[whole.length * 2 / 3] ^= 4;
        Files.write(file, flipped);
        assertThat(asked(halcyon, ComputedStatesTest::known)).as("one bit").isZero();
        Files.writeString(file, "no such thing");
        List<double[]> again = asked(halcyon, ComputedStatesTest::heard);
        for (int n = 0; n < first.size(); n++) assertThat(again.get(n)).containsExactly(first.get(n), within(1e-6));
        assertThat(Files.size(file)).as("replaced").isGreaterThan(100);
    }

    @Test
    void nothingIsWrittenWhereTheWorkshopIsGone() throws IOException {
        try (Workshop workshop = Temp.open(folder.resolve("here"))) {
            Files.move(folder.resolve("here"), folder.resolve("there"));
            workshop.predictors().foreseen(halcyon, Priors.USUAL, ComputedStatesTest::heard);
        }
        assertThat(folder.resolve("here")).doesNotExist();
        assertThat(folder.resolve("there").resolve("computed")).doesNotExist();
    }
}
