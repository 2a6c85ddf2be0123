package anabion.core.diagnosis.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.ExpectedAnswer;
import anabion.core.diagnosis.SharedPredictions;
import anabion.core.diagnosis.Workbench;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.text.Phrase;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What stands together because nothing tells it apart, and what is joined two by two. */
@ResourceLock(SharedPredictions.LOCK)
class GroupsTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("brae");
    private static final Chassis SET = PREDICTIONS.chassis();
    private static final Words WORDS = new Words(Vocabulary.STANDARD);
    private static final Groups GROUPS = new Groups(PREDICTIONS, Diagnosis.allowed(PREDICTIONS, List.of()));

    /** By its cause, of the least severity, or by all that it says. */
    private static Hypothesis first(String named) {
        return PREDICTIONS.hypotheses().stream()
                .filter(h -> h.cause().equals(named) || h.toString().equals(named))
                .findFirst()
                .orElseThrow();
    }

    /**
     * In a chain of heaters a broken one and a bad joint at either of its pins are one and the same to every probe; and what leaks from a rail, severity by
     * severity, no reading of the whole set can say.
     */
    @ParameterizedTest
    @CsvSource({
        "V5:heater-open, V5.8:joint, true",
        "V5:heater-open, V5.1:joint, true",
        "V5:heater-open, V4:heater-open, false",
        "R13:open, V3:dead, false",
        "C12:short, R8:open, false",
        "C24:leaky:330k…C24:leaky:100k, L4.primary:core:330k…L4.primary:core:100k, true",
        "C24:leaky:330k…C24:leaky:100k, C18.1:leaky:330k…C18.1:leaky:100k, true",
        "C24:leaky:330k…C24:leaky:100k, L4.primary:core:1M…L4.primary:core:330k, false",
        "C24:leaky:330k…C24:leaky:100k, C7:leaky:330k…C7:leaky:100k, false"
    })
    void alikeIsWhatEveryProbeShowsAlike(String one, String other, boolean alike) {
        assertThat(GROUPS.alike(first(one), first(other))).isEqualTo(alike);
        assertThat(GROUPS.alike(first(other), first(one)))
                .as("either way round")
                .isEqualTo(alike);
        assertThat(GROUPS.alike(first(one), first(one))).isTrue();
    }

    /** Nothing is lost and nothing is counted twice. */
    @Test
    void theOddsOfAGroupAreThoseOfItsCauses() {
        Map<Hypothesis, Double> odds = new HashMap<>();
        List<Hypothesis> likely = List.of(
                first("V5:heater-open"), first("V5.8:joint"), first("R13:open"), first("V3:dead"), first("C14:leaky"));
        likely.forEach(h -> odds.put(h, 0.2));
        List<RankedCause> suspects = GROUPS.of(odds, likely);
        assertThat(suspects.stream().mapToDouble(RankedCause::odds).sum()).isCloseTo(1, within(1e-9));
        assertThat(suspects.get(0).causes()).hasSize(2);
        assertThat(suspects.get(0).names("V5.8:joint")).isTrue();
        assertThat(suspects.get(0).parts()).containsExactly("V5");
        Set<String> causes = new HashSet<>();
        suspects.forEach(
                s -> s.causes().forEach(h -> assertThat(causes.add(h.cause())).isTrue()));
    }

    @Test
    void aPairIsTheSameInEitherOrderAndComesApartAgain() {
        Hypothesis a = first("C14:leaky");
        Hypothesis b = first("R13:open");
        assertThat(a.and(b)).isEqualTo(b.and(a));
        assertThat(a.and(b).cause()).isEqualTo("C14:leaky + R13:open");
        assertThat(a.and(b).prior()).isLessThan(a.prior()).isLessThan(b.prior());
        assertThat(a.and(b).apart()).extracting(Hypothesis::cause).containsExactly("C14:leaky", "R13:open");
        assertThat(a.apart()).containsExactly(a);
    }

    /** Each half of the truth explains its own readings: both are among those that are joined. */
    @Test
    void theHalvesOfTwoFaultsAreJoined() {
        List<Observation> evidence = new Workbench(SET, 4, "C14:leaky:1M", "R3:open")
                .read(List.of("V4.6", "V4.7", "V2.5", "V2.7", "V3.2", "V1.5"));
        List<Hypothesis> pairs = Pairs.of(PREDICTIONS, evidence);
        assertThat(pairs).hasSizeLessThan(40 * 39 / 2);
        assertThat(pairs).anyMatch(h -> h.cause().equals("C14:leaky + R3:open"));
        assertThat(pairs)
                .allMatch(h -> !h.from().get(0).part().equals(h.from().get(1).part()));
    }

    /** Where two faults are weighed, each is also said by itself, with all odds that it has a part in. */
    @Test
    void suspectsAreAlsoSaidSingly() {
        RankedCause one = new RankedCause(List.of(first("C14:leaky").and(first("R13:open"))), 0.6);
        RankedCause two = new RankedCause(List.of(first("R13:open").and(first("C12:short"))), 0.3);
        Diagnosis d = new Diagnosis(List.of(one, two), List.of(), 0.05, 0.05, List.of(), List.of(), 0);
        assertThat(d.singly()).extracting(s -> s.first().cause()).containsExactly("R13:open", "C14:leaky", "C12:short");
        assertThat(d.singly().get(0).odds()).isCloseTo(0.9, within(1e-9));
        assertThat(d.singly().get(2).odds()).isCloseTo(0.3, within(1e-9));
        assertThat(d.decided()).isFalse();
    }

    /** What most speaks for is the headline, be it nothing at all, or something on no list. */
    @ParameterizedTest
    @CsvSource({
        "0.5, 0.3, 0.2, Most likely: R13 open",
        "0.3, 0.1, 0.6, Nothing shows a fault so far",
        "0.3, 0.6, 0.1, Nothing on the list explains it well. Nearest: R13 open",
        "0.01, 0.9, 0.09, Most likely: something else",
        "0.4, 0.3, 0.3, Not decided yet"
    })
    void theHeadlineIsWhatMostSpeaksFor(double suspect, double other, double sound, String said) {
        RankedCause s = new RankedCause(List.of(first("R13:open")), suspect);
        Diagnosis d = new Diagnosis(List.of(s), List.of(), sound, other, List.of(), List.of(), 0);
        assertThat(WORDS.say(CauseWords.headline(d))).isEqualTo(said);
    }

    /** Of pairs that share a fault the other one is asked about, unless it is the shared one that answers. */
    @Test
    void ofPairsThatFaultIsNamedWhichAnswers() {
        Hypothesis shared = first("R13:open");
        Hypothesis one = shared.and(first("C14:leaky"));
        Hypothesis two = shared.and(first("C12:short"));
        Phrase low = Phrase.of("outcome.weak");
        Phrase none = Phrase.of("outcome.nothing");
        Phrase loud = Phrase.of("outcome.loud");
        ExpectedAnswer sound = new ExpectedAnswer(PREDICTIONS.healthy(), loud);
        assertThat(answers(new ExpectedAnswer(one, low), new ExpectedAnswer(two, none), sound))
                .containsExactly("weak: C14:leaky", "nothing: C12:short", "loud: ");
        assertThat(answers(new ExpectedAnswer(one, low), new ExpectedAnswer(two, low), sound))
                .containsExactly("weak: R13:open", "loud: ");
        assertThat(answers(new ExpectedAnswer(one, low), sound)).containsExactly("weak: C14:leaky R13:open", "loud: ");
        assertThat(answers(new ExpectedAnswer(shared, low), new ExpectedAnswer(first("C14:leaky"), low), sound))
                .containsExactly("weak: R13:open | C14:leaky", "loud: ");
    }

    private static List<String> answers(ExpectedAnswer... meanings) {
        return ExpectedAnswer.byAnswer(List.of(meanings)).entrySet().stream()
                .map(e -> WORDS.say(e.getKey()) + ": "
                        + e.getValue().stream()
                                .map(who -> who.stream().map(Hypothesis::cause).collect(Collectors.joining(" ")))
                                .collect(Collectors.joining(" | ")))
                .toList();
    }

    @Test
    void whatLooksAlikeIsNamedAsFarAsItFits() {
        List<Hypothesis> alike = List.of(first("R13:open"), first("R8:open"), first("C14:open"), first("C12:short"));
        assertThat(WORDS.say(CauseWords.of(new RankedCause(alike.subList(0, 2), 0.5))))
                .isEqualTo("R13 open, or R8 open: they look alike");
        assertThat(WORDS.say(CauseWords.of(new RankedCause(alike.subList(0, 3), 0.5))))
                .isEqualTo("R13 open, or R8 open, C14 open: they look alike");
        assertThat(WORDS.say(CauseWords.of(new RankedCause(alike, 0.5))))
                .isEqualTo("R13 open, or one of 3 that look alike");
    }
}
