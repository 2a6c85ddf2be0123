package anabion.core.diagnosis.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.TunedCircuit;
import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.PartTestModel;
import anabion.core.error.InputException;
import anabion.core.format.EvidenceCodec;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentEntry.Kind;
import anabion.core.job.AlignmentPurpose;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Job;
import anabion.core.json.Extra;
import anabion.core.testing.SharedSets;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.io.IOException;
import java.io.StringReader;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What adjusters say of the parts that tune with them. */
class AdjustEvidenceTest {
    private static final Chassis SET = SharedSets.named("halcyon");
    private static final Instant NOON = Instant.parse("2026-05-04T12:00:00Z");

    private static AlignmentEntry entry(Job job, String letters, Kind kind) {
        return AlignmentEntry.of(
                        UUID.randomUUID(), NOON, kind, "AM", job.fitted().id())
                .withPurpose(Optional.of(AlignmentPurpose.INTERMEDIATE))
                .withAdjusters(letters);
    }

    private static List<Adjust> told(Job job) {
        return Evidence.of(SET, List.of(), job).stream()
                .map(Observation::measurement)
                .filter(Adjust.class::isInstance)
                .map(Adjust.class::cast)
                .toList();
    }

    private static Adjuster adjuster(String letter) {
        return SET.adjusters().stream()
                .filter(a -> a.letter().equals(letter))
                .findFirst()
                .orElseThrow();
    }

    /** The capacitor that is joined across the winding of an adjuster. */
    private static String mica(String letter) {
        return TunedCircuit.of(SET, adjuster(letter)).stream()
                .filter(p -> p.is(PartRole.IF_TUNING))
                .findFirst()
                .orElseThrow()
                .reference();
    }

    private static double bad(Adjust test, String fault) {
        Hypothesis h = fault.isEmpty()
                ? new Hypothesis(List.of(), List.of(), 1)
                : new Hypothesis(List.of(Fault.parse(fault)), List.of(Fault.parse(fault)), 1);
        return PartTestModel.odds(h, test)[0];
    }

    @Test
    void anAdjusterWithoutAPeakAccusesWhatTunesThere() {
        Adjust test = told(Job.NEW.with(entry(Job.NEW, "A1", Kind.NO_PEAK))).get(0);
        String mica = mica("A1");
        assertThat(test.circuit()).contains("L4", mica).doesNotContain("L3", "C2");
        assertThat(bad(test, mica + ":open")).isGreaterThan(0.9);
        assertThat(bad(test, mica + ":wrong:200p")).isBetween(0.5, 0.9);
        assertThat(bad(test, "L4:mistuned")).isBetween(0.5, 0.9);
        assertThat(bad(test, mica("A3") + ":open")).isLessThan(0.05);
        assertThat(bad(test, "")).isLessThan(0.05);
    }

    /** A set that is silent elsewhere shows no effect either. */
    @Test
    void noEffectSaysLess() {
        Adjust none = told(Job.NEW.with(entry(Job.NEW, "A1", Kind.NO_EFFECT))).get(0);
        Adjust end = told(Job.NEW.with(entry(Job.NEW, "A1", Kind.END))).get(0);
        assertThat(bad(none, "V2:dead")).isGreaterThan(3 * bad(end, "V2:dead"));
    }

    @Test
    void theLastWordCountsUntilAPartOfTheCircuitIsChanged() {
        Job job = Job.NEW.with(entry(Job.NEW, "A1", Kind.NO_PEAK)).with(entry(Job.NEW, "A1", Kind.PEAK));
        List<Observation> all = Evidence.of(SET, List.of(), job);
        assertThat(all).hasSize(1);
        assertThat(((Observation.Tested) all.get(0)).good()).isTrue();
        Job other = job.altered(new Alteration(UUID.randomUUID(), NOON, "R1", AlterationKind.RENEWED, "", Extra.NONE));
        assertThat(told(other)).as("a part elsewhere").hasSize(1);
        Job mended = job.altered(
                new Alteration(UUID.randomUUID(), NOON, mica("A1"), AlterationKind.RENEWED, "", Extra.NONE));
        assertThat(told(mended)).isEmpty();
        assertThat(told(Job.NEW.with(entry(Job.NEW, "A1", Kind.BROKEN_CORE)))).isEmpty();
        assertThat(told(Job.NEW.with(entry(Job.NEW, "Z9", Kind.NO_PEAK)))).isEmpty();
    }

    @Test
    void aListSaysItInTheSameWords() throws IOException {
        List<Observation> read = EvidenceCodec.read(new StringReader("kind,at,value\nadjust,A1 A2,no peak\n"), SET);
        Adjust test = (Adjust) read.get(0).measurement();
        assertThat(test.part()).isEqualTo("A1 A2");
        assertThat(test.circuit()).contains(mica("A1"), mica("A2"));
        assertThat(new Words(Vocabulary.STANDARD).say(CauseWords.of(test))).contains("A1 A2");
    }

    @ParameterizedTest
    @ValueSource(strings = {"adjust,Q1,peak", "adjust,A1,lovely", "adjust,A1,station", "adjust,,peak"})
    void aListThatSaysNothingIsRefused(String line) {
        assertThatThrownBy(() -> EvidenceCodec.read(new StringReader("kind,at,value\n" + line + "\n"), SET))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("line 2");
    }
}
