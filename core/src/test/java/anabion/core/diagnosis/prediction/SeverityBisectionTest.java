package anabion.core.diagnosis.prediction;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.diagnosis.evidence.LogScale;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.signal.Loudness;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.cold.ColdSet;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** Severities between two that do the same are not computed: what is taken for them must be what they do. */
class SeverityBisectionTest {
    private static final int EVERY = 9;
    private static Chassis halcyon;
    private static PredictionModel model;
    private static List<Hypothesis> some;

    @BeforeAll
    static void asked() {
        halcyon = SharedSets.named("halcyon");
        model = new PredictionModel(halcyon, Priors.USUAL);
        // across the line it blows the fuse, which is another circuit
        List<Hypothesis> graded = model.hypotheses().stream()
                .filter(h -> h.graded() && !h.cause().equals("C19:short"))
                .toList();
        some = IntStream.range(0, graded.size())
                .filter(n -> n % EVERY == 4)
                .mapToObj(graded::get)
                .toList();
        assertThat(some).hasSizeGreaterThan(40);
    }

    /** Over two seconds: what is left out is computed for comparison. */
    @Test
    void severitiesThatAreLeftOutSoundAsTheyAreTakenTo() {
        Simulator engine = new Simulator();
        for (Band b : halcyon.bands()) {
            Measurement.Listen listened = new Measurement.Listen(b.name());
            model.heardReady(model.hypotheses(), List.of(listened));
            Loudness sound = model.loudness(b.name()).orElseThrow();
            for (Hypothesis h : some) {
                double[] taken = model.said(h, listened);
                double[] least = odds(sound, engine, b, model.loud().withFaults(h.from()));
                double[] most = odds(sound, engine, b, model.loud().withFaults(h.to()));
                for (int n = 0; n < taken.length; n++)
                    assertThat(taken[n]).as("%s on %s", h, b.name()).isCloseTo((least[n] + most[n]) / 2, within(0.05));
            }
        }
    }

    private static double[] odds(Loudness sound, Simulator engine, Band band, Setting setting) {
        Loudness now = Loudness.of(engine, halcyon, setting, band).orElseThrow();
        return AudibilityModel.odds(sound, now, sound.whole());
    }

    @Test
    void severitiesThatAreLeftOutReadAsTheyAreTakenTo() {
        Setting usual = Setting.fed(halcyon);
        Measurement.Volts plate = model.allowed(usual, new MeterSpec.Fixed(10e6), Set.of()).stream()
                .filter(Measurement.Volts.class::isInstance)
                .map(Measurement.Volts.class::cast)
                .filter(v -> v.net().equals("V4.5"))
                .findFirst()
                .orElseThrow();
        model.ready(model.hypotheses(), List.of(plate));
        for (Hypothesis h : some) {
            double least = volts(usual.withFaults(h.from()), plate.net());
            double most = volts(usual.withFaults(h.to()), plate.net());
            double taken = model.at(h, plate).orElseThrow().value();
            assertThat(taken).as("%s", h).isCloseTo((least + most) / 2, within(0.3 + 0.04 * Math.abs(least - most)));
        }
    }

    private static double volts(Setting setting, String net) {
        return new Simulator()
                .prepare(halcyon, setting)
                .solveWithMeter(net, 10e6)
                .volts(net)
                .orElseThrow();
    }

    @Test
    void ohmsThatAreLeftOutAreAsTheyAreTakenToBe() {
        List<Measurement.Ohms> all = model.unplugged().stream()
                .filter(o -> model.through(o).isEmpty())
                .limit(30)
                .toList();
        model.ready(model.hypotheses(), all);
        for (Hypothesis h : some)
            for (Measurement.Ohms o : all) {
                double least = ohms(h, o, false);
                double most = ohms(h, o, true);
                GaussianPrediction taken = model.at(h, o).orElseThrow();
                if (taken.lain() != 0) continue; // a leak brings an electrolytic into the way
                assertThat(taken.value())
                        .as("%s, %s", h, o.text())
                        .isCloseTo((least + most) / 2, within(0.03 + 0.6 * Math.abs(least - most)));
            }
    }

    private static double ohms(Hypothesis h, Measurement.Ohms o, boolean most) {
        ColdSet set = ColdSet.of(halcyon, Setting.fed(halcyon).withFaults(most ? h.to() : h.from()));
        return LogScale.OHMS.of(set.between(o.net(), o.against(), o.test()));
    }
}
