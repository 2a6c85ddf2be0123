package anabion.core.diagnosis.nexttest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.diagnosis.CauseWords;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.SharedPredictions;
import anabion.core.diagnosis.Workbench;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.job.Outcome;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Parts tried, measured by themselves, or lifted to see behind them. */
@ResourceLock(SharedPredictions.LOCK)
class PartMeasurementsTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis HALCYON = PREDICTIONS.chassis();
    private static final List<Measurement> ALLOWED = Diagnosis.allowed(PREDICTIONS, List.of());

    private static Map<Hypothesis, Double> even(String... faults) {
        Map<Hypothesis, Double> odds = new LinkedHashMap<>();
        for (String fault : faults) odds.put(exactly(fault), 1.0 / faults.length);
        return odds;
    }

    private static Hypothesis exactly(String fault) {
        List<Fault> one = List.of(Fault.parse(fault));
        return new Hypothesis(one, one, 0.1);
    }

    private static double foreseen(Hypothesis h, Measurement.Metered p) {
        return p.unscaled(PREDICTIONS.at(h, p).orElseThrow().value());
    }

    private static Set<String> proposed(Map<Hypothesis, Double> odds, Observation... evidence) {
        return PartMeasurements.of(PREDICTIONS, ALLOWED, odds, List.of(evidence)).stream()
                .map(Measurement::text)
                .collect(Collectors.toSet());
    }

    /** One tester may err: what still speaks for a capacitor that was tried is tried another way, and once each. */
    @ParameterizedTest
    @CsvSource({
        "C23:dried, 'across C23, test C23, value C23'",
        "C26:leaky:330k, 'test C26, leak C26'",
        "R7:open, value R7",
        "R7.1:joint, tapped R7",
        "V4:emission:0.45, test V4",
        "V2.1:joint, tapped V2"
    })
    void aCapacitorInDoubtIsTriedAnotherWay(String fault, String ways) {
        Set<Measurement> done = new LinkedHashSet<>();
        Optional<Measurement> next = PartMeasurements.trying(HALCYON, Fault.parse(fault), done);
        while (next.isPresent()) {
            done.add(next.get());
            next = PartMeasurements.trying(HALCYON, Fault.parse(fault), done);
        }
        assertThat(done.stream().map(Measurement::text).collect(Collectors.joining(", ")))
                .isEqualTo(ways);
    }

    /** With its leak measured a capacitor is not lifted for that again; its value is still unknown. */
    @Test
    void whatWasMeasuredIsNotLiftedAgain() {
        Set<Measurement> leak = Set.of(new Measurement.Lifted("C26", Measurement.Lifted.What.LEAK));
        assertThat(PartMeasurements.trying(HALCYON, Fault.parse("C26:leaky:330k"), leak))
                .isEmpty();
        assertThat(PartMeasurements.trying(HALCYON, Fault.parse("C26:open"), leak))
                .isPresent();
        Set<Measurement> another = Set.of(Measurement.Try.of(HALCYON.part("R7").orElseThrow()));
        assertThat(PartMeasurements.trying(HALCYON, Fault.parse("R7:drifted:50k"), another))
                .as("a resistor that was tried with another")
                .isEmpty();
    }

    /** Each leak of the rail is unlikely by itself; that there is one is not. */
    @Test
    void leaksOfARailAreSoughtBehindItsElectrolytic() {
        assertThat(proposed(
                        even("C26:leaky:330k", "T2.primary:core:330k", "L3.primary:core:330k", "L4.primary:core:330k")))
                .anyMatch(t -> t.matches("ohms \\S+ to CHASSIS with C18 lifted"))
                .noneMatch(t -> t.contains("volts V4.1"));
        Observation rail = ALLOWED.stream()
                .filter(m -> m instanceof Measurement.Volts v && v.net().equals("B1"))
                .findFirst()
                .<Observation>map(m -> new Observation.Measured((Measurement.Volts) m, 0.2))
                .orElseThrow();
        assertThat(proposed(even("R7:open", "V3:dead", "V5:dead"), rail))
                .as("with its load off a rail tells of the rectifier")
                .contains("volts B1 with R18, T2 lifted")
                .noneMatch(t -> t.startsWith("ohms") && t.contains("lifted"));
        assertThat(proposed(even("R7:open", "V3:dead", "V5:dead")))
                .as("nobody lifts a load before the rail is read with it")
                .noneMatch(t -> t.contains("lifted"));
        assertThat(proposed(even("R7:open", "V3:dead"))).noneMatch(t -> t.contains("lifted"));
        assertThat(proposed(even("C14:leaky:1M", "V4:dead")))
                .contains("volts V4.1 with C14 lifted")
                .as("no electrolytic lies at the grid")
                .noneMatch(t -> t.startsWith("ohms V4.1"));
    }

    /** Where a band hums: does it with the volume down? */
    @Test
    void ofAHumItIsAskedWhereItComesIn() {
        Observation hum = new Observation.Heard(new Measurement.Listen("AM"), Outcome.HUM);
        Observation weak = new Observation.Heard(new Measurement.Listen("AM"), Outcome.WEAK);
        assertThat(proposed(even("C18.2:dried", "C13:open"), hum)).contains("listen AM RV1=0");
        assertThat(proposed(even("C18.2:dried", "C13:open"), weak)).noneMatch(t -> t.startsWith("listen"));
    }

    /** The electrolytic takes its own leak and its age with it. */
    @Test
    void withTheElectrolyticOffItsStateDoesNotMatter() {
        Measurement.Ohms rail = new Measurement.Ohms("B2", "CHASSIS", Measurement.OHMMETER_VOLTS);
        Measurement.Ohms behind = rail.without(List.of("C18"));
        Hypothesis sound = PREDICTIONS.healthy();
        assertThat(Math.abs(PREDICTIONS.at(sound, behind).orElseThrow().lain())).isLessThan(0.01);
        assertThat(Math.abs(PREDICTIONS.at(sound, rail).orElseThrow().lain())).isGreaterThan(0.2);
        assertThat(foreseen(exactly("C18:leaky:100k"), behind)).isCloseTo(foreseen(sound, behind), within(1.0));
        assertThat(foreseen(exactly("C26:leaky:330k"), behind)).isBetween(300e3, 360e3);
        assertThat(behind.minutes()).as("it takes time to lift it").isGreaterThan(rail.minutes() + 2);
    }

    /** What was read is not asked for again, in whichever order the parts were lifted. */
    @Test
    void theOrderOfLiftingDoesNotMatter() {
        Measurement.Ohms rail = new Measurement.Ohms("B2", "CHASSIS", Measurement.OHMMETER_VOLTS);
        assertThat(rail.without(List.of("C24", "C18"))).isEqualTo(rail.without(List.of("C18", "C24")));
    }

    @ParameterizedTest
    @CsvSource({"R7:drifted:68k, 68e3", "R7:wrong:330k, 330e3", "R7:short, 0.3", "V3:dead, 33e3", "R7:open, 3e7"})
    void aResistorByItselfShowsWhatItHas(String fault, double ohms) {
        assertThat(foreseen(exactly(fault), new Measurement.Value("R7"))).isCloseTo(ohms, within(0.01 * ohms));
    }

    /** In circuit an open feed and one that has risen far are told apart by degrees; lifted, by what it reads. */
    @Test
    void itsValueTellsHowAResistorHasFailed() {
        List<Observation> evidence = new Workbench(HALCYON, 4, "R7:drifted:120k").read(List.of("V2.6", "V2.7", "B2"));
        evidence.add(new Observation.Measured(new Measurement.Value("R7"), 118e3));
        Diagnosis risen = Diagnosis.verdict(PREDICTIONS, evidence, ALLOWED);
        assertThat(risen.suspects().get(0).first().cause()).isEqualTo("R7:drifted");
        Observation sound = new Observation.Measured(new Measurement.Value("R7"), 34e3);
        evidence.set(evidence.size() - 1, sound);
        assertThat(Diagnosis.verdict(PREDICTIONS, evidence, ALLOWED)
                        .suspects()
                        .get(0)
                        .parts())
                .as("cleared by its value")
                .doesNotContain("R7");
        String asked = new Words(Vocabulary.STANDARD).say(CauseWords.of(sound.measurement()));
        assertThat(asked).contains("R7").contains("lift");
    }
}
