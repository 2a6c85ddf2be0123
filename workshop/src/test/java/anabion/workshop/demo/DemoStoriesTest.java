package anabion.workshop.demo;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.format.EvidenceCodec;
import anabion.core.simulation.chart.Calibrations;
import anabion.core.testing.LeftToDeep;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The stories of the demo are told by its circuits, and the diagnosis finds their causes. */
class DemoStoriesTest {
    private static final Map<String, PredictionModel> KEPT = new HashMap<>();

    private static String written(DemoStories.Story s) throws IOException {
        try (InputStream in = DemoStoriesTest.class.getResourceAsStream("/anabion/demo/stories/" + s.name() + ".csv")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static PredictionModel of(Chassis set) {
        return KEPT.computeIfAbsent(set.name(), n -> new PredictionModel(set, Calibrations.of(set), Priors.USUAL));
    }

    @Test
    void allTheClassicOnesAreThere() {
        assertThat(DemoStories.all().stream().map(DemoStories.Story::name))
                .hasSize(12)
                .contains("leaky-coupling-capacitor", "dead-oscillator", "gassy-tube-against-leaky-capacitor");
    }

    @ParameterizedTest
    @MethodSource("anabion.workshop.demo.DemoStories#all")
    void theEvidenceIsThatOfTheCircuit(DemoStories.Story story) throws IOException {
        Chassis set = DemoWorkshop.chassis(story.set());
        List<Observation> evidence = EvidenceCodec.read(new StringReader(written(story)), set);
        assertThat(evidence).hasSameSizeAs(story.take());
        List<Observation> told = EvidenceCodec.read(new StringReader(DemoStories.evidence(story)), set);
        for (int n = 0; n < told.size(); n++) {
            assertThat(evidence.get(n).measurement()).isEqualTo(told.get(n).measurement());
            if (evidence.get(n) instanceof Observation.Measured m)
                assertThat(m.value())
                        .isCloseTo(
                                ((Observation.Measured) told.get(n)).value(),
                                org.assertj.core.data.Offset.offset(0.011 * Math.max(1, Math.abs(m.value()))));
            else assertThat(evidence.get(n)).isEqualTo(told.get(n));
        }
    }

    /** The first story of a set has all its faults solved, up to a minute. */
    @ParameterizedTest
    @MethodSource("anabion.workshop.demo.DemoStories#all")
    @LeftToDeep
    void theCauseComesFirst(DemoStories.Story story) throws IOException {
        Chassis set = DemoWorkshop.chassis(story.set());
        List<Observation> evidence = EvidenceCodec.read(new StringReader(written(story)), set);
        Diagnosis d = Diagnosis.of(of(set), evidence);
        RankedCause first = d.suspects().get(0);
        // a capacitor that has dried to a thousandth is open to every meter
        assertThat(first.causes())
                .as("%s: %s", story.name(), d.suspects())
                .anyMatch(h ->
                        h.from().get(0).target().equals(story.faults().get(0).target()));
        assertThat(first.odds()).isGreaterThan(0.2);
    }
}
