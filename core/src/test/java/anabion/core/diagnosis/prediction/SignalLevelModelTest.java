package anabion.core.diagnosis.prediction;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.SharedPredictions;
import anabion.core.diagnosis.Workbench;
import anabion.core.diagnosis.evidence.LogScale;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.Posterior;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.nexttest.NextMeasurements;
import anabion.core.diagnosis.nexttest.RatedMeasurement;
import anabion.core.job.Outcome;
import anabion.core.signal.Domain;
import anabion.core.signal.Gains;
import anabion.core.signal.Loudness;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.tolerance.Specimen;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a generator must give on specimens of a set, against what is foreseen of the design. */
@ResourceLock(SharedPredictions.LOCK)
class SignalLevelModelTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis HALCYON = PREDICTIONS.chassis();
    private static final Observation LOUD = new Observation.Heard(new Measurement.Listen("AM"), Outcome.LOUD);

    private static Observation level(Workbench bench, Domain domain, String point) {
        return bench.answer(new Measurement.Level("AM", domain, point));
    }

    private static Hypothesis hypothesis(PredictionModel predictions, String cause) {
        return predictions.hypotheses().stream()
                .filter(h -> h.cause().equals(cause))
                .findFirst()
                .orElseThrow();
    }

    /** Levels are computed from one carrier and compared here with those at the standard output, control line and all. */
    @ParameterizedTest
    @CsvSource({
        "halcyon, C23:open, 2",
        "halcyon, V2:emission, 3",
        "halcyon, C10:open, 4",
        "halcyon, R13:drifted, 3",
        "lark, R4:drifted, 6",
        "lark, C13:leaky, 3",
        "lark, R15:open, 8"
    })
    void aFaultIsForeseenToTakeWhatItTakes(String set, String cause, double decibels) {
        PredictionModel predictions = SharedPredictions.named(set);
        Hypothesis h = hypothesis(predictions, cause);
        var loud = predictions.loud().withFaults(h.from());
        Band band = predictions.chassis().bands().get(0);
        Gains gains =
                Gains.of(new Simulator(), predictions.chassis(), loud, band).orElseThrow();
        for (Gains.Level l : gains.levels()) {
            if (!l.heard() || l.induced()) continue;
            Hypothesis end = h.at(x -> 0);
            double foreseen = predictions
                    .at(end, new Measurement.Level(band.name(), l.domain(), l.point()))
                    .orElseThrow()
                    .value();
            if (SignalLevelModel.beyond(l.volts()) && SignalLevelModel.beyond(Math.pow(10, foreseen + 0.01))) continue;
            assertThat(20 * (foreseen - Math.log10(l.volts())))
                    .as("%s at %s", cause, Loudness.key(l.domain(), l.point()))
                    .isBetween(-decibels, decibels);
        }
    }

    /** What is foreseen from one carrier holds at the standard output for nearly whatever is wrong: every sixth fault of a set with transistors. */
    @Test
    void nearlyEveryFaultLiesWithinWhatIsForeseenOfIt() {
        PredictionModel lark = SharedPredictions.named("lark");
        Band band = lark.chassis().bands().get(0);
        int within = 0;
        int all = 0;
        for (int n = 0; n < lark.hypotheses().size(); n += 6) {
            Hypothesis h = lark.hypotheses().get(n).at(x -> SeverityInterval.HALF);
            Optional<Gains> gains =
                    Gains.of(new Simulator(), lark.chassis(), lark.loud().withFaults(h.from()), band);
            for (Gains.Level l : gains.map(Gains::levels).orElse(List.of())) {
                if (l.induced()) continue;
                GaussianPrediction foreseen = lark.at(
                                lark.hypotheses().get(n), new Measurement.Level(band.name(), l.domain(), l.point()))
                        .orElseThrow();
                all++;
                if (Math.abs(LogScale.VOLTS.of(l.volts()) - foreseen.value()) < 2.5 * foreseen.deviation()) within++;
            }
        }
        assertThat(all).isGreaterThan(700);
        assertThat(within).isGreaterThan((int) (0.97 * all));
    }

    /** Half an output transformer gives no standard output from any base: a reading there clears it. */
    @Test
    void aLevelThatWasReachedClearsWhatCouldNotGiveIt() {
        PredictionModel lark = SharedPredictions.named("lark");
        Observation distorted = new Observation.Heard(new Measurement.Listen("MW"), Outcome.DISTORTED);
        Observation reached = new Observation.Measured(new Measurement.Level("MW", Domain.AF, "Q5.3"), 0.9);
        assertThat(odds(Diagnosis.of(lark, List.of(distorted)), "T2.first half:open"))
                .isGreaterThan(0.01);
        assertThat(odds(Diagnosis.of(lark, List.of(distorted, reached)), "T2.first half:open"))
                .isLessThan(0.001);
        Measurement.Level from = new Measurement.Level("MW", Domain.AF, "Q5.3");
        double foreseen = lark.at(hypothesis(lark, "T2.first half:open"), from)
                .orElseThrow()
                .value();
        Words words = new Words(Vocabulary.STANDARD);
        assertThat(words.say(CauseWords.foreseen(from, from.unscaled(foreseen))))
                .isEqualTo("more than a generator gives");
        assertThat(words.say(CauseWords.value(from, 25)))
                .as("one that was read")
                .isEqualTo("25 V");
    }

    private static double odds(Diagnosis d, String cause) {
        return d.suspects().stream()
                .filter(s -> s.names(cause))
                .mapToDouble(RankedCause::odds)
                .sum();
    }

    /** The spread takes them in and is still of use: an open bypass, six decibels, is two of its deviations. */
    @Test
    void specimensLieWithinTheSpread() {
        int within = 0;
        int all = 0;
        for (PredictionModel f : List.of(PREDICTIONS, SharedPredictions.named("brae"))) {
            Chassis set = f.chassis();
            for (int seed = 1; seed <= 12; seed++) {
                var loud = f.loud().withTrims(Specimen.of(set, seed)).withControls(Controls.volume(set, 1));
                Gains gains =
                        Gains.of(new Simulator(), set, loud, set.bands().get(0)).orElseThrow();
                for (Gains.Level l : gains.levels()) {
                    GaussianPrediction sound = f.at(
                                    f.healthy(),
                                    new Measurement.Level(set.bands().get(0).name(), l.domain(), l.point()))
                            .orElseThrow();
                    double off = Math.abs(Math.log10(l.volts()) - sound.value()) / sound.deviation();
                    all++;
                    if (off < 2.5) within++;
                    if (l.domain() == Domain.AF)
                        assertThat(20 * sound.deviation()).as(l.point()).isLessThan(3);
                }
            }
        }
        assertThat(within / (double) all).isGreaterThan(0.95);
    }

    /** An open bypass costs some decibels and no loudness that an ear would miss. */
    @Test
    void whatNoEarMissesALevelFinds() {
        Workbench bench = new Workbench(HALCYON, 3, "C23:open");
        List<Observation> evidence = new ArrayList<>(List.of(LOUD));
        Diagnosis before = Diagnosis.of(PREDICTIONS, evidence);
        evidence.add(level(bench, Domain.AF, "V4.1"));
        evidence.add(level(bench, Domain.AF, "V3.7"));
        Diagnosis after = Diagnosis.of(PREDICTIONS, evidence);
        assertThat(Workbench.odds(after, "C23:open")).isGreaterThan(3 * Workbench.odds(before, "C23:open"));
    }

    @Test
    void oneWrongLevelDoesNotConvict() {
        Workbench bench = new Workbench(HALCYON, 4);
        List<Observation> evidence = new ArrayList<>(List.of(LOUD));
        for (String p : List.of("V4.2", "V2.6", "V1.6", "V3.7")) evidence.add(bench.read(p));
        evidence.add(level(bench, Domain.AF, "V3.1"));
        evidence.add(level(bench, Domain.IF, "V2.1"));
        evidence.add(new Observation.Measured(new Measurement.Level("AM", Domain.AF, "V4.1"), 30));
        Diagnosis d = Diagnosis.of(PREDICTIONS, evidence);
        assertThat(d.decided()).as("%s", d.suspects()).isFalse();
    }

    /** Of a point through which no signal goes nothing is foreseen, and nothing learned. */
    @Test
    void aPointOffTheWaySaysNothing() {
        List<Observation> evidence = new ArrayList<>(List.of(LOUD));
        Diagnosis before = Diagnosis.verdict(PREDICTIONS, evidence, Diagnosis.allowed(PREDICTIONS, List.of()));
        evidence.add(new Observation.Measured(new Measurement.Level("AM", Domain.AF, "V1.7"), 0.1));
        Diagnosis after = Diagnosis.verdict(PREDICTIONS, evidence, Diagnosis.allowed(PREDICTIONS, List.of()));
        assertThat(after.suspects().get(0).odds())
                .isBetween(
                        0.9 * before.suspects().get(0).odds(),
                        1.1 * before.suspects().get(0).odds());
    }

    /** All that is worth asking, not the few that are shown. */
    private static List<Measurement> worth(List<Observation> evidence) {
        Map<Hypothesis, Double> odds =
                new Posterior(PREDICTIONS, evidence, PREDICTIONS.hypotheses()).without(List.of(), 1);
        return new NextMeasurements(PREDICTIONS, odds, List.of())
                .worth(Diagnosis.allowed(PREDICTIONS, evidence), evidence).stream()
                        .map(RatedMeasurement::measurement)
                        .toList();
    }

    /** Whoever has read one level is asked for others; and not again for one that nothing came out of. */
    @Test
    void levelsAreAskedForOfWhoeverReadsThem() {
        Workbench bench = new Workbench(HALCYON, 3, "C23:open");
        List<Observation> evidence = new ArrayList<>(List.of(LOUD));
        assertThat(Diagnosis.allowed(PREDICTIONS, evidence)).noneMatch(p -> p instanceof Measurement.Level);
        evidence.add(level(bench, Domain.AF, "V4.1"));
        List<Measurement> allowed = Diagnosis.allowed(PREDICTIONS, evidence);
        assertThat(allowed)
                .anyMatch(p -> p instanceof Measurement.Level l && l.band().equals("AM"));
        assertThat(allowed).noneMatch(p -> p.equals(new Measurement.Inject("AM", Domain.AF, "V3.1")));
        Measurement.Level asked = worth(evidence).stream()
                .filter(Measurement.Level.class::isInstance)
                .map(Measurement.Level.class::cast)
                .findFirst()
                .orElseThrow();
        evidence.add(new Observation.Heard(asked.ear(), Outcome.NOTHING));
        assertThat(worth(evidence)).doesNotContain(asked);
    }
}
