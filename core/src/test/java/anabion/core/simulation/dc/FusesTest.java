package anabion.core.simulation.dc;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FusesTest {
    @ParameterizedTest
    @CsvSource({
        "halcyon, '', false",
        "halcyon, C19:short:30, true",
        "halcyon, C18.1:short, false",
        "brae, C19:short, true",
        "brae, R16:short, false",
        "trunk-road, '', false",
        "trunk-road, C20:short, true",
        "lark, C14:short, false"
    })
    void whatOverloadsTheLineBlowsItsFuse(String set, String fault, boolean blows) {
        Chassis chassis = SharedSets.named(set);
        Setting setting = Setting.fed(chassis).withFaults(fault.isEmpty() ? List.of() : List.of(Fault.parse(fault)));
        List<Fault> blown = Fuses.blown(chassis, new Simulator().solve(chassis, setting));
        assertThat(blown.isEmpty()).isEqualTo(!blows);
    }

    /** Nobody reads 200 V on a rail while thirty ohms lie across the line: with the fuse gone all is dead. */
    @Test
    void behindABlownFuseNothingIsRead() {
        Chassis halcyon = SharedSets.named("halcyon");
        PredictionModel model = new PredictionModel(halcyon, Priors.USUAL);
        Measurement.Volts rail = Diagnosis.allowed(model, List.of()).stream()
                .filter(m -> m instanceof Measurement.Volts v && v.net().equals("B2"))
                .map(Measurement.Volts.class::cast)
                .findFirst()
                .orElseThrow();
        Hypothesis shorted = model.hypotheses().stream()
                .filter(h -> h.cause().equals("C19:short"))
                .findFirst()
                .orElseThrow();
        assertThat(model.at(model.healthy(), rail).orElseThrow().value()).isGreaterThan(180);
        assertThat(model.at(shorted, rail).orElseThrow().value()).isLessThan(1);
    }
}
