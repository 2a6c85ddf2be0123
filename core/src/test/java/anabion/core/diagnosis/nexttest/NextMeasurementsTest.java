package anabion.core.diagnosis.nexttest;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.ExpectedAnswer;
import anabion.core.diagnosis.SharedPredictions;
import anabion.core.diagnosis.Workbench;
import anabion.core.diagnosis.evidence.Across;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.job.Outcome;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is asked for next, where it can be told by hand what that must be. */
@ResourceLock(SharedPredictions.LOCK)
class NextMeasurementsTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis SET = PREDICTIONS.chassis();
    private static final List<Measurement> ALLOWED = Diagnosis.allowed(PREDICTIONS, List.of());

    private static Map<Hypothesis, Double> even(String... causes) {
        Map<Hypothesis, Double> odds = new LinkedHashMap<>();
        for (String cause : causes)
            odds.put(
                    PREDICTIONS.hypotheses().stream()
                            .filter(h -> h.cause().equals(cause))
                            .findFirst()
                            .orElseThrow(),
                    1.0 / causes.length);
        return odds;
    }

    private static List<RatedMeasurement> next(Map<Hypothesis, Double> odds, Observation... evidence) {
        return new NextMeasurements(PREDICTIONS, odds, List.of()).of(ALLOWED, List.of(evidence));
    }

    /** Between two causes no test tells more than one bit. */
    @ParameterizedTest
    @CsvSource({"R7:open, C10:short", "R13:open, V3:dead", "C14:open, R13:open", "V2:dead, R8:open"})
    void betweenTwoCausesThereIsOneBitToLearn(String one, String other) {
        List<RatedMeasurement> next = next(even(one, other));
        assertThat(next).isNotEmpty();
        assertThat(next).allSatisfy(t -> assertThat(t.information()).isBetween(0.0, 1.0001));
        assertThat(next.get(0).information()).as("%s", next).isGreaterThan(0.8);
    }

    /** An open screen feed and a shorted bypass read the same volts at the screen; cold ohms tell. */
    @Test
    void whereVoltsAreAlikeOhmsAreAskedFor() {
        List<RatedMeasurement> next = next(even("R7:open", "C10:short"));
        assertThat(next).extracting(t -> t.measurement().text()).doesNotContain("volts V2.6");
        assertThat(next).anyMatch(t -> t.measurement() instanceof Measurement.Ohms);
    }

    @Test
    void whatLooksAlikeEverywhereLeavesNothingToAsk() {
        assertThat(next(even("V2:heater-open", "V2.3:joint"))).isEmpty();
    }

    /** Severities of one cause are no question: the part is renewed whichever it is. */
    @Test
    void severitiesOfOneCauseAreNotToldApart() {
        Map<Hypothesis, Double> odds = new LinkedHashMap<>();
        PREDICTIONS.hypotheses().stream()
                .filter(h -> h.cause().equals("C14:leaky"))
                .forEach(h -> odds.put(h, 0.2));
        assertThat(odds.size()).isGreaterThan(3);
        assertThat(next(odds)).isEmpty();
    }

    @Test
    void whatWasAskedIsNotAskedAgainAndTheQuickestComesFirst() {
        Map<Hypothesis, Double> odds = even("R7:open", "C14:leaky", "V5:dead", "R13:open", "C18:open");
        List<RatedMeasurement> before = next(odds);
        Measurement first = before.get(0).measurement();
        Observation answered = first instanceof Measurement.Metered m
                ? new Observation.Measured(m, 100)
                : new Observation.Heard(first, Outcome.WEAK);
        List<RatedMeasurement> after = next(odds, answered);
        assertThat(after).noneMatch(t -> t.measurement().text().equals(first.text()));
        for (int n = 1; n < before.size(); n++) {
            RatedMeasurement a = before.get(n - 1);
            RatedMeasurement b = before.get(n);
            assertThat(a.information() / a.minutes()).isGreaterThanOrEqualTo(b.information() / b.minutes());
        }
    }

    /** A part is tried where that tells something: a good one across a capacitor tells nothing of its leak. */
    @Test
    void partsAreTriedForWhatTheyShow() {
        Map<Hypothesis, Double> odds = even("R7:open", "C14:leaky", "V5:dead");
        Measurement across = Across.of(SET.part("C14").orElseThrow());
        Measurement swap = Measurement.Try.of(SET.part("V5").orElseThrow());
        assertThat(new NextMeasurements(PREDICTIONS, odds, List.of()).of(List.of(across, swap), List.of()))
                .extracting(RatedMeasurement::measurement)
                .containsExactly(swap);
    }

    /** Nobody asks which of two that look alike it is. */
    @Test
    void whatLooksAlikeIsNotToldApart() {
        Map<Hypothesis, Double> odds = even("R7:open", "V2.6:joint");
        RankedCause both = new RankedCause(List.copyOf(odds.keySet()), 1);
        assertThat(next(odds)).isNotEmpty();
        assertThat(new NextMeasurements(PREDICTIONS, odds, List.of(both)).of(ALLOWED, List.of()))
                .isEmpty();
    }

    /** Nets behind the same rail ask one question: only one of them is proposed. */
    @Test
    void proposalsDoNotAskTheSame() {
        Set<String> rail = Set.of("volts B2", "volts B3", "volts V1.5", "volts V2.5");
        List<RatedMeasurement> next = Diagnosis.of(PREDICTIONS, List.of()).next();
        assertThat(next).hasSizeGreaterThanOrEqualTo(3);
        assertThat(next).filteredOn(t -> rail.contains(t.measurement().text())).hasSizeLessThan(2);
        assertThat(next).allSatisfy(t -> assertThat(t.information()).isGreaterThan(0.1));
    }

    /** Whoever puts a signal in before the fault hears the same wherever that is: one of these points is enough. */
    @Test
    void signalsThatSoundAlikeStandOnce() {
        Map<Hypothesis, Double> odds = even("R13:open", "C14:open", "V4:emission", "C18:dried");
        List<Measurement> signals =
                ALLOWED.stream().filter(Measurement.Inject.class::isInstance).toList();
        List<RatedMeasurement> next = new NextMeasurements(PREDICTIONS, odds, List.of()).of(signals, List.of());
        assertThat(signals).hasSizeGreaterThan(9);
        assertThat(next).isNotEmpty();
        for (int n = 1; n < next.size(); n++) {
            Measurement one = next.get(n - 1).measurement();
            Measurement other = next.get(n).measurement();
            double apart = odds.entrySet().stream()
                    .mapToDouble(e -> e.getValue()
                            * Math.abs(PREDICTIONS.said(e.getKey(), one)[0]
                                    - PREDICTIONS.said(e.getKey(), other)[0]))
                    .sum();
            assertThat(apart).as("%s and %s", one.text(), other.text()).isGreaterThan(0.05);
        }
    }

    /** Where little is left to ask, another way to the same answer is: not everybody has the set switched on. */
    @Test
    void whoeverCannotDoTheFirstFindsAnother() {
        List<RatedMeasurement> next = next(even("R7:open", "C18:open"));
        assertThat(next).hasSizeGreaterThanOrEqualTo(3);
    }

    /** What a band sounds like takes long to compute: that it was left out for the less likely is no reason to listen. */
    @Test
    void whatNobodyComputedTellsNothing() {
        Measurement listen = new Measurement.Listen("AM");
        PredictionModel fresh = new PredictionModel(SET, Priors.USUAL);
        Map<Hypothesis, Double> odds = new LinkedHashMap<>();
        for (int n = 0; n < fresh.hypotheses().size() && odds.size() < 120; n++) {
            double loud = PREDICTIONS.said(PREDICTIONS.hypotheses().get(n), listen)[Outcome.LOUD.ordinal()];
            if (odds.size() >= 60 || loud > 0.9) odds.put(fresh.hypotheses().get(n), odds.size() < 60 ? 0.009 : 0.007);
        }
        assertThat(new NextMeasurements(fresh, odds, List.of()).of(List.of(listen), List.of()))
                .isEmpty();
    }

    /** What its outcomes would mean is said for the first suspects and a sound set. */
    @Test
    void theOutcomesOfATestHaveAMeaning() {
        List<Observation> evidence = new Workbench(SET, 3, "R7:open").read(List.of("V2.6", "V2.7", "B2"));
        Diagnosis d = Diagnosis.of(PREDICTIONS, evidence);
        Measurement screen = new Measurement.Ohms("V2.6", "B2", 1.5);
        List<ExpectedAnswer> meanings = ExpectedAnswer.of(PREDICTIONS, evidence, d, screen, 2);
        assertThat(meanings).hasSize(3);
        assertThat(meanings.get(2).cause().sound()).isTrue();
        assertThat(said(meanings.get(2))).matches("3\\d(\\.\\d)? kΩ");
        assertThat(ExpectedAnswer.of(PREDICTIONS, evidence, d, new Measurement.Listen("AM"), 1)
                        .get(1))
                .satisfies(m -> assertThat(said(m)).isEqualTo("loud"));
        Measurement swap = Measurement.Try.of(SET.part("V2").orElseThrow());
        assertThat(said(ExpectedAnswer.of(PREDICTIONS, evidence, d, swap, 1).get(0)))
                .isEqualTo("the same");
    }

    /** A test for which the first suspects answer alike names one that does not. */
    @Test
    void aTestSaysWhomItTellsApart() {
        List<Observation> evidence = List.of(new Observation.Heard(new Measurement.Listen("AM"), Outcome.NOTHING));
        Diagnosis d = Diagnosis.of(PREDICTIONS, evidence);
        for (RatedMeasurement t : d.next())
            assertThat(ExpectedAnswer.of(PREDICTIONS, evidence, d, t.measurement(), 2))
                    .as(t.measurement().text())
                    .extracting(m -> said(m))
                    .satisfies(all -> assertThat(Set.copyOf(all)).hasSizeGreaterThan(1));
    }

    /** Not one whose answer lies between the others', too near to any of them. */
    @Test
    void whoIsNamedAnswersClearlyOtherwise() {
        Workbench bench = new Workbench(SET, 1, "C14:leaky:18M");
        List<Observation> evidence = bench.read(List.of("V4.2", "V2.5", "B2"));
        Diagnosis d = Diagnosis.of(PREDICTIONS, evidence);
        List<ExpectedAnswer> meanings = ExpectedAnswer.of(PREDICTIONS, evidence, d, bench.volts("V1.6"), 2);
        assertThat(meanings).hasSizeGreaterThan(2);
        ExpectedAnswer first = meanings.get(0);
        ExpectedAnswer sound = meanings.get(meanings.size() - 1);
        ExpectedAnswer named = meanings.get(meanings.size() - 2);
        assertThat(named.answer()).isNotEqualTo(first.answer()).isNotEqualTo(sound.answer());
    }

    private static String said(ExpectedAnswer m) {
        return new Words(Vocabulary.STANDARD).say(m.answer());
    }
}
