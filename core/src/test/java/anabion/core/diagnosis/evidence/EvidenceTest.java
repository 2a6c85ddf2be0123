package anabion.core.diagnosis.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.hypothesis.PartStress;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.format.JobCodec;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Arrival;
import anabion.core.job.Circumstance;
import anabion.core.job.Compared;
import anabion.core.job.Complaint;
import anabion.core.job.FittedState;
import anabion.core.job.Heard;
import anabion.core.job.Job;
import anabion.core.job.Outcome;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.job.SignalKind;
import anabion.core.job.SymptomKind;
import anabion.core.job.Trial;
import anabion.core.json.Extra;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.signal.Domain;
import anabion.core.testing.SharedSets;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What of a set's record is weighed, and in which words it is said. */
class EvidenceTest {
    private static final Chassis SET = SharedSets.named("halcyon");
    private static final Instant NOON = Instant.parse("2026-05-04T12:00:00Z");
    private static final Condition USUAL = Condition.of(231, new MeterSpec.Fixed(10e6), "AM");

    private static Reading reading(String point, double value, int minute, Condition condition, UUID state) {
        return new Reading(
                new UUID(7, minute),
                point,
                "CHASSIS",
                Measure.DC_VOLTS,
                value,
                false,
                condition,
                state,
                NOON.plusSeconds(60L * minute),
                Extra.NONE);
    }

    private static Reading reading(String point, double value, int minute) {
        return reading(point, value, minute, USUAL, FittedState.AS_FOUND);
    }

    private static List<String> texts(List<Observation> all) {
        return all.stream().map(o -> o.measurement().text()).toList();
    }

    private static double value(List<Observation> all, int n) {
        return ((Observation.Measured) all.get(n)).value();
    }

    @Test
    void theNewestReadingOfAPinCountsAndDoubtfulOnesDoNot() {
        Reading doubtful = new Reading(
                new UUID(8, 8),
                "V4.1",
                "CHASSIS",
                Measure.DC_VOLTS,
                99,
                true,
                USUAL,
                FittedState.AS_FOUND,
                NOON.plusSeconds(900),
                Extra.NONE);
        List<Observation> all = Evidence.of(
                SET,
                List.of(reading("V4.1", 3.1, 2), doubtful, reading("V4.1", 2.4, 5), reading("V2.6", 78, 1)),
                Job.NEW);
        assertThat(texts(all)).containsExactlyInAnyOrder("volts V4.1", "volts V2.6");
        assertThat(value(all, texts(all).indexOf("volts V4.1"))).isEqualTo(2.4);
    }

    @Test
    void readingsFromBeforeARenewalBelongToAnotherSet() {
        Alteration renewed = new Alteration(new UUID(1, 1), NOON, "C14", AlterationKind.RENEWED, "", Extra.NONE);
        Alteration lifted = new Alteration(new UUID(1, 2), NOON, "C10", AlterationKind.LIFTED, "", Extra.NONE);
        List<Reading> readings = List.of(reading("V4.1", 3.1, 1), reading("V2.6", 78, 2, USUAL, renewed.id()));
        assertThat(texts(Evidence.of(SET, readings, Job.NEW.altered(renewed)))).containsExactly("volts V2.6");
        assertThat(texts(Evidence.of(SET, readings, Job.NEW.altered(lifted)))).hasSize(2);
    }

    @Test
    void aReadingKnowsWhatWasLiftedAndSignalsAreLeftOut() {
        Reading open = reading("V4.1", 0.1, 1, USUAL.withOpenEnds(List.of("C14")), FittedState.AS_FOUND);
        Reading strong = reading("AVC", -6, 2, USUAL.withSignal("strong"), FittedState.AS_FOUND);
        List<Observation> all = Evidence.of(SET, List.of(open, strong), Job.NEW);
        assertThat(texts(all)).containsExactly("volts V4.1 with C14 lifted");
        Reading behind = new Reading(
                new UUID(4, 4),
                "B1",
                "CHASSIS",
                Measure.OHMS,
                390e3,
                false,
                USUAL.withOpenEnds(List.of("C18")),
                FittedState.AS_FOUND,
                NOON,
                Extra.NONE);
        assertThat(texts(Evidence.of(SET, List.of(behind), Job.NEW)))
                .containsExactly("ohms B1 to CHASSIS with C18 lifted");
        assertThat(((Measurement.Volts) all.get(0).measurement()).setting().faults())
                .containsExactly(Fault.of("C14", FaultMode.OPEN));
    }

    /** What was tried in the state of now counts; what was tried before a part was renewed does not. */
    @Test
    void trialsCountUntilSomethingIsRenewed() {
        Trial same = new Trial(new UUID(4, 1), NOON, Trial.How.SWAPPED, "V4", false, FittedState.AS_FOUND, Extra.NONE);
        Trial better = new Trial(new UUID(4, 2), NOON, Trial.How.ACROSS, "C10", true, FittedState.AS_FOUND, Extra.NONE);
        Job tried = Job.NEW.with(same).with(better);
        List<Observation> all = Evidence.of(SET, List.of(), tried);
        assertThat(texts(all)).containsExactly("test V4", "across C10");
        assertThat(all).extracting(o -> ((Observation.Tested) o).good()).containsExactly(true, false);
        assertThat(tried.with(new Trial(
                                new UUID(4, 3), NOON, Trial.How.SWAPPED, "V4", true, FittedState.AS_FOUND, Extra.NONE))
                        .trials())
                .hasSize(2);
        assertThat(tried.renamed("C10", "C99").trials()).extracting(Trial::part).containsExactly("V4", "C99");
        assertThat(JobCodec.read(JobCodec.text(tried))).isEqualTo(tried);
        Alteration renewed = new Alteration(new UUID(1, 1), NOON, "C14", AlterationKind.RENEWED, "", Extra.NONE);
        assertThat(Evidence.of(SET, List.of(), tried.altered(renewed))).isEmpty();
    }

    /** What a band does against a good receiver says more than the complaint about it, until something is renewed. */
    @Test
    void aReferenceReceiverOverrulesTheComplaint() {
        Arrival arrival = new Arrival(
                "",
                "",
                List.of(new Complaint("AM", SymptomKind.DEAD, "", Extra.NONE)),
                Set.of(),
                List.of(),
                "",
                Extra.NONE);
        Job job = Job.NEW
                .withArrival(arrival)
                .with(new Compared(new UUID(7, 7), NOON, "AM", -18, FittedState.AS_FOUND, Extra.NONE));
        List<Observation> all = Evidence.of(SET, List.of(), job);
        assertThat(texts(all)).containsExactly("listen AM");
        assertThat(((Observation.Heard) all.get(0)).outcome()).isEqualTo(Outcome.WEAK);
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
        Job again = job.with(new Compared(new UUID(8, 8), NOON, "AM", -3, FittedState.AS_FOUND, Extra.NONE));
        assertThat(again.compared()).hasSize(1);
        assertThat(((Observation.Heard) Evidence.of(SET, List.of(), again).get(0)).outcome())
                .isEqualTo(Outcome.LOUD);
        Alteration renewed = new Alteration(new UUID(1, 1), NOON, "C14", AlterationKind.RENEWED, "", Extra.NONE);
        assertThat(Evidence.of(SET, List.of(), again.altered(renewed))).isEmpty();
    }

    private static Heard heard(Heard.How how, SignalKind signal, String point, Outcome outcome) {
        return new Heard(
                UUID.randomUUID(), NOON, "AM", how, signal, point, outcome, 0, FittedState.AS_FOUND, Extra.NONE);
    }

    /** A level says more than what it would sound like; it is kept, and goes with its part's new name. */
    @Test
    void aLevelCountsInsteadOfItsOutcome() {
        Heard taken = new Heard(
                new UUID(6, 6),
                NOON,
                "AM",
                Heard.How.INJECT,
                SignalKind.AF,
                "V3.1",
                Outcome.WEAK,
                0.012,
                FittedState.AS_FOUND,
                Extra.NONE);
        Job job = Job.NEW.with(taken);
        assertThat(Evidence.of(SET, List.of(), job))
                .containsExactly(new Observation.Measured(new Measurement.Level("AM", Domain.AF, "V3.1"), 0.012));
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
        assertThat(job.renamed("V3", "V9").heard().get(0).volts()).isEqualTo(0.012);
        String negative = JobCodec.text(job).replace("0.012", "-0.012");
        assertThatThrownBy(() -> JobCodec.read(negative))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("volts");
    }

    /** What a tracer or a finger found is evidence of its own kind; points of stages alone are not the circuit's. */
    @Test
    void tracersAndFingersCount() {
        Job job = Job.NEW
                .with(heard(Heard.How.TAP, SignalKind.IF, "V2.1", Outcome.NOTHING))
                .with(heard(Heard.How.TOUCH, SignalKind.AF, "V4.1", Outcome.HUM))
                .with(heard(Heard.How.INJECT, SignalKind.IF, "IF", Outcome.LOUD));
        List<Observation> all = Evidence.of(SET, List.of(), job);
        assertThat(texts(all)).containsExactly("trace if at V2.1 on AM", "inject af at V4.1 on AM");
        assertThat(((Observation.Heard) all.get(1)).outcome()).isEqualTo(Outcome.LOUD);
    }

    @Test
    void complaintsAndTubeTestsCountToo() {
        Arrival arrival = new Arrival(
                "",
                "",
                List.of(new Complaint("AM", SymptomKind.DEAD, "", Extra.NONE)),
                Set.of(),
                List.of(),
                "",
                Extra.NONE);
        Job job = Job.NEW.withArrival(arrival);
        job = job.withRecap(job.recap()
                .tested(new RecapLog.Tested(
                        new UUID(2, 2), NOON, new PartTest("V4", PartTest.What.EMISSION, 20, 50, 0), Extra.NONE)));
        List<Observation> all = Evidence.of(SET, List.of(), job);
        assertThat(texts(all)).containsExactly("listen AM", "test V4");
        assertThat(((Observation.Heard) all.get(0)).outcome()).isEqualTo(Outcome.NOTHING);
        assertThat(((Observation.Tested) all.get(1)).good()).isFalse();
    }

    private static RecapLog.Tested tested(String key, PartTest.What what, double amount, double good, double volts) {
        return new RecapLog.Tested(
                new UUID(2, amount > 0 ? 3 : 4), NOON, new PartTest(key, what, amount, good, volts), Extra.NONE);
    }

    /** What a resistor reads by itself is evidence as it is: how far it has drifted says more than that it has. */
    @Test
    void theOhmsOfALiftedResistorCountAsTheyAre() {
        RecapLog none = Job.NEW.recap();
        Job drifted = Job.NEW.withRecap(none.tested(tested("R7", PartTest.What.VALUE, 68e3, 0, 0)));
        List<Observation> all = Evidence.of(SET, List.of(), drifted);
        assertThat(texts(all)).containsExactly("value R7");
        assertThat(value(all, 0)).isEqualTo(68e3);
    }

    /** A leak condemns, and its absence clears; the right value says nothing of a leak. */
    @Test
    void capacitorsAreJudgedByTheLimitsOfTheRecap() {
        RecapLog none = Job.NEW.recap();
        Job leaky = Job.NEW.withRecap(none.tested(tested("C14", PartTest.What.LEAKAGE, 20e-6, 0, 250)));
        List<Observation> bad = Evidence.of(SET, List.of(), leaky);
        assertThat(texts(bad)).containsExactly("leak C14");
        Observation.Tested found = (Observation.Tested) bad.get(0);
        assertThat(found.good()).isFalse();
        assertThat(found.measurement().catches(Fault.parse("C14:leaky:1M"))).isTrue();
        assertThat(found.measurement().catches(Fault.of("C14", FaultMode.OPEN))).isFalse();
        Job tight = Job.NEW.withRecap(none.tested(tested("C14", PartTest.What.LEAKAGE, 1e-9, 0, 250)));
        assertThat(((Observation.Tested) Evidence.of(SET, List.of(), tight).get(0)).good())
                .isTrue();
        Job measured = Job.NEW.withRecap(none.tested(tested("C14", PartTest.What.VALUE, 10e-9, 0, 0)));
        Observation.Tested right =
                (Observation.Tested) Evidence.of(SET, List.of(), measured).get(0);
        assertThat(right.good()).isTrue();
        assertThat(right.measurement().catches(Fault.of("C14", FaultMode.OPEN))).isTrue();
        assertThat(right.measurement().catches(Fault.parse("C14:leaky:1M")))
                .as("a right value says nothing of a leak")
                .isFalse();
        Job renewed = leaky.altered(
                new Alteration(new UUID(1, 9), NOON.plusSeconds(60), "C14", AlterationKind.RENEWED, "", Extra.NONE));
        assertThat(Evidence.of(SET, List.of(), renewed))
                .as("the test was of the old one")
                .isEmpty();
    }

    @Test
    void aRenamedPartTakesItsReadingsAndOutcomesAlong() {
        Reading across = new Reading(
                new UUID(3, 3), "B1", "V4.5", Measure.OHMS, 330, false, USUAL, FittedState.AS_FOUND, NOON, Extra.NONE);
        assertThat(across.renamed("V4", "V9").reference()).isEqualTo("V9.5");
        assertThat(reading("V4.1", 1, 1).renamed("V4", "V9").point()).isEqualTo("V9.1");
        Heard heard = new Heard(
                new UUID(4, 4),
                NOON,
                "AM",
                Heard.How.INJECT,
                SignalKind.AF,
                "V4.1",
                Outcome.WEAK,
                0,
                FittedState.AS_FOUND,
                Extra.NONE);
        assertThat(Job.NEW.with(heard).renamed("V4", "V9").heard().get(0).point())
                .isEqualTo("V9.1");
        assertThat(Job.NEW.with(heard).renamed("V1", "V9")).isEqualTo(Job.NEW.with(heard));
    }

    /** As it came in; after a repair the old complaint says nothing. */
    @Test
    void aComplaintUnderSomeCircumstanceSaysSo() {
        Complaint hum = new Complaint("AM", SymptomKind.HUM, Circumstance.WARM, "", Extra.NONE);
        Complaint fine = new Complaint("Pick-up", SymptomKind.FINE, Circumstance.COLD, "", Extra.NONE);
        Complaint gone = new Complaint("whole set", SymptomKind.INTERMITTENT, Circumstance.KNOCKED, "", Extra.NONE);
        Job job = Job.NEW.withArrival(Job.NEW.arrival().withComplaints(List.of(hum, fine, gone)));
        assertThat(texts(Evidence.of(SET, List.of(), job)))
                .contains("listen AM", "appears warm", "appears knocked")
                .doesNotContain("appears cold");
        Alteration renewed = new Alteration(new UUID(1, 1), NOON, "C14", AlterationKind.RENEWED, "", Extra.NONE);
        assertThat(texts(Evidence.of(SET, List.of(), job.altered(renewed)))).isEmpty();
        assertThat(JobCodec.read(JobCodec.text(job))).isEqualTo(job);
    }

    /** The wiper's terminal says which way the control was turned. */
    @Test
    void aControlTurnedIsListenedTo() {
        Heard turned = new Heard(
                new UUID(7, 7),
                NOON,
                "AM",
                Heard.How.TURNED,
                SignalKind.AF,
                "RV1.2",
                Outcome.HUM,
                0,
                FittedState.AS_FOUND,
                Extra.NONE);
        assertThat(texts(Evidence.of(SET, List.of(), Job.NEW.with(turned)))).containsExactly("listen AM RV1=0");
        assertThat(JobCodec.read(JobCodec.text(Job.NEW.with(turned)))).isEqualTo(Job.NEW.with(turned));
    }

    /** A missing word would show as its key. */
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark", "rover", "concerto", "trunk-road"})
    void everyCauseAndEveryProbeHasWords(String name) {
        Words words = new Words(Vocabulary.STANDARD);
        Chassis set = SharedSets.named(name);
        List<Hypothesis> all = Hypothesis.of(set, Priors.USUAL, PartStress.UNKNOWN);
        for (Hypothesis h : all) {
            String said = words.say(CauseWords.of(h));
            assertThat(said).doesNotContain("fault.").doesNotContain("{");
            if (!h.sound()) assertThat(said).contains(h.from().get(0).part());
        }
        assertThat(words.say(CauseWords.of(all.get(0).and(all.get(5)))))
                .contains(all.get(0).from().get(0).part());
        PredictionModel predictions = new PredictionModel(set, Priors.USUAL);
        for (Measurement p : Diagnosis.allowed(predictions, List.of()))
            assertThat(words.say(CauseWords.of(p))).doesNotContain("probe.").doesNotContain("{");
    }
}
