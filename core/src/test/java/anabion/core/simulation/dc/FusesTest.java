package anabion.core.simulation.dc;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.command.WiringLine;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.format.ListCodec;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

    /** In a rail or before the heaters a fuse carries what flows there, and not what the line does. */
    @ParameterizedTest
    @CsvSource({
        "F2 50mA B1 FUSED, T2, B1, '', false",
        "F2 50mA B1 FUSED, T2, B1, T2:leaky:10R, true",
        "F2 2A H FUSED, T1, H, '', false",
        "F2 500mA H FUSED, T1, H, '', true"
    })
    void aFuseElsewhereCarriesItsOwnCurrent(String fuse, String behind, String net, String fault, boolean blows) {
        Chassis halcyon = SharedSets.named("halcyon");
        List<Part> parts = new ArrayList<>(halcyon.parts());
        parts.replaceAll(p -> p.reference().equals(behind) ? p.withReference(behind, moved(p, net)) : p);
        Chassis plain = halcyon.withParts(parts);
        Chassis fused = ListCodec.withPart(plain, WiringLine.parse(fuse, plain));
        Setting setting = Setting.fed(fused).withFaults(fault.isEmpty() ? List.of() : List.of(Fault.parse(fault)));
        OperatingPoint solved = new Simulator().solve(fused, setting);
        assertThat(solved.converged()).isTrue();
        assertThat(Fuses.blown(fused, solved)).hasSize(blows ? 1 : 0);
    }

    private static Map<String, String> moved(Part p, String net) {
        Map<String, String> nets = new LinkedHashMap<>(p.nets());
        nets.replaceAll((pin, n) -> n.equals(net) ? "FUSED" : n);
        return nets;
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
