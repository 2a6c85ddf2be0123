package anabion.core.diagnosis;

import static anabion.core.diagnosis.Workbench.odds;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.format.EvidenceCodec;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;

/** A wattmeter's reading among the evidence. */
@ResourceLock(SharedPredictions.LOCK)
class WattsTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis HALCYON = PREDICTIONS.chassis();

    private static Diagnosis diagnosed(List<Observation> evidence) {
        return Diagnosis.of(PREDICTIONS, evidence);
    }

    /** Watts of some fault, as the engine has it, above those of a sound set; the iron's belong to both. */
    @Test
    void wattsSpeakForWhatTakesThem() throws IOException {
        Hypothesis shorted = PREDICTIONS.hypotheses().stream()
                .filter(h -> h.toString().startsWith("T1.heaters:short:0.07"))
                .findFirst()
                .orElseThrow();
        Measurement.Watts watts = Measurement.Watts.metered(Setting.of(230));
        double sound =
                PREDICTIONS.at(PREDICTIONS.healthy(), watts).orElseThrow().value();
        double faulty = PREDICTIONS.at(shorted, watts).orElseThrow().value();
        double solved = new Simulator().solve(HALCYON, Setting.of(230)).wattsFromMains();
        assertThat(sound).isBetween(solved + 1, solved + 8);
        assertThat(faulty).isGreaterThan(1.15 * sound);
        List<Observation> read = EvidenceCodec.read(
                new StringReader("kind,at,value,line\nvolts,B1,240,230\nwatts,,%d,230\n".formatted(Math.round(faulty))),
                HALCYON);
        List<Observation> volts = read.subList(0, 1);
        assertThat(odds(diagnosed(read), "T1.heaters:short"))
                .isGreaterThan(2 * odds(diagnosed(volts), "T1.heaters:short"));
        assertThatThrownBy(() ->
                        EvidenceCodec.read(new StringReader("kind,at,value\nwatts,,9\n"), SharedSets.named("lark")))
                .hasMessageContaining("alternating mains");
    }

    /** A transformer that the line reaches takes some watts though nothing else does; behind an open fuse or primary it takes none. */
    @Test
    void ironTakesNothingWhereTheLineDoesNotReachIt() {
        for (String broken : List.of("F1:open", "S1:open", "T1.primary:open"))
            assertThat(watts(broken)).as(broken).isLessThan(0.1);
        assertThat(watts("T1.heaters:open")).isGreaterThan(1);
    }

    private static double watts(String fault) {
        Hypothesis h = PREDICTIONS.hypotheses().stream()
                .filter(x -> x.toString().equals(fault))
                .findFirst()
                .orElseThrow();
        return PREDICTIONS
                .at(h, Measurement.Watts.metered(Setting.of(230)))
                .orElseThrow()
                .value();
    }
}
