package anabion.core.diagnosis;

import static anabion.core.diagnosis.Workbench.odds;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.diagnosis.evidence.Across;
import anabion.core.diagnosis.evidence.Appears;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.evidence.Tapped;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.job.Circumstance;
import anabion.core.job.Outcome;
import anabion.core.signal.Domain;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;

/** What parts tried out with a good one, or measured, say of the odds. */
@ResourceLock(SharedPredictions.LOCK)
class TrialsTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis HALCYON = PREDICTIONS.chassis();

    private static List<Observation> chart(long seed, String... faults) {
        return new Workbench(HALCYON, seed, faults).read(Workbench.CHART);
    }

    private static Diagnosis diagnosed(List<Observation> evidence) {
        return Diagnosis.of(PREDICTIONS, evidence);
    }

    /** With a padder of a tenth the oscillator runs, and no station is where it should be: it is found once all else is cleared. */
    @Test
    void aWrongPadderIsFound() {
        Workbench bench = new Workbench(HALCYON, 6, "C5:wrong:60pF");
        List<Observation> evidence = new ArrayList<>(bench.read(Workbench.CHART));
        evidence.add(bench.read("V1.1"));
        evidence.add(bench.answer(new Measurement.Listen("AM")));
        evidence.add(bench.answer(new Measurement.Listen("Pick-up")));
        evidence.add(bench.answer(new Measurement.Inject("AM", Domain.IF, "V1.7")));
        evidence.add(bench.answer(new Measurement.Inject("AM", Domain.RF, "V1.7")));
        double before = odds(diagnosed(evidence), "C5:wrong");
        assertThat(before).isGreaterThan(20 * odds(Diagnosis.of(PREDICTIONS, List.of()), "C5:wrong"));
        evidence.add(new Observation.Tested(new Measurement.Lifted("C5", Measurement.Lifted.What.VALUE), false));
        Diagnosis d = diagnosed(evidence);
        assertThat(odds(d, "C5:wrong")).as("%s", d.suspects()).isGreaterThan(0.8);
    }

    /** A good capacitor across an open one cures the set; of a leaky one it says nothing. */
    @Test
    void aGoodCapacitorAcrossProvesOpenOnly() {
        List<Observation> evidence = new ArrayList<>(chart(6, "C13:open"));
        evidence.add(new Observation.Heard(new Measurement.Listen("AM"), Outcome.HUM));
        double open = odds(diagnosed(evidence), "C13:open");
        evidence.add(new Observation.Tested(across("C13"), false));
        assertThat(odds(diagnosed(evidence), "C13:open")).isGreaterThan(open);

        List<Observation> leak = new ArrayList<>(chart(4, "C14:leaky:1M"));
        double leaky = odds(diagnosed(leak), "C14:leaky");
        leak.add(new Observation.Tested(across("C14"), true));
        assertThat(odds(diagnosed(leak), "C14:leaky")).isCloseTo(leaky, within(0.02));
    }

    private static Across across(String reference) {
        return Across.of(HALCYON.part(reference).orElseThrow());
    }

    /** A capacitor whose value measures right is neither open nor a wrong one; it may leak all the same. */
    @Test
    void aRightValueClearsAllButTheLeak() {
        List<Observation> evidence = new ArrayList<>(chart(6, "C14:open"));
        evidence.add(new Observation.Heard(new Measurement.Listen("AM"), Outcome.NOTHING));
        double open = odds(diagnosed(evidence), "C14:open");
        evidence.add(new Observation.Tested(new Measurement.Lifted("C14", Measurement.Lifted.What.VALUE), true));
        assertThat(odds(diagnosed(evidence), "C14:open")).isLessThan(open / 2);

        List<Observation> leak = new ArrayList<>(chart(4, "C14:leaky:1M"));
        double leaky = odds(diagnosed(leak), "C14:leaky");
        leak.add(new Observation.Tested(new Measurement.Lifted("C14", Measurement.Lifted.What.VALUE), true));
        assertThat(odds(diagnosed(leak), "C14:leaky")).isCloseTo(leaky, within(0.02));
    }

    /** A good one held across helps where far too little is fitted, not where too much is. */
    @Test
    void aGoodOneAcrossHelpsATooSmallOne() {
        assertThat(across("C14").catches(Fault.parse("C14:wrong:100pF"))).isTrue();
        assertThat(across("C14").catches(Fault.parse("C14:wrong:1uF"))).isFalse();
    }

    /** What changes when a part is tapped speaks for its joints, whatever it is, and against nothing else. */
    @Test
    void tappingSpeaksOfJoints() {
        Diagnosis before = diagnosed(List.of());
        Diagnosis after = diagnosed(List.of(new Observation.Tested(new Tapped("V4"), false)));
        assertThat(odds(after, "V4.2:joint")).isGreaterThan(3 * odds(before, "V4.2:joint"));
        String rival = before.suspects().get(0).first().cause();
        assertThat(rival).doesNotStartWith("V4.");
        assertThat(odds(after, rival)).isLessThan(odds(before, rival));
    }

    /** A tube swapped leaves the joints of its socket as they are. */
    @Test
    void aTubeSwappedLeavesItsJoints() {
        Measurement.Try swap = Measurement.Try.of(HALCYON.part("V2").orElseThrow());
        assertThat(swap.catches(Fault.parse("V2:emission:0.3"))).isTrue();
        assertThat(swap.catches(Fault.parse("V2.6:joint"))).isFalse();
        assertThat(swap.minutes())
                .isLessThan(Measurement.Try.of(HALCYON.part("R7").orElseThrow()).minutes());
    }

    private static double of(Diagnosis d, FaultMode mode) {
        return d.singly().stream()
                .filter(c -> c.first().from().get(0).mode() == mode)
                .mapToDouble(RankedCause::odds)
                .sum();
    }

    private static double of(Diagnosis d, String part) {
        return d.singly().stream()
                .filter(c -> c.first().from().get(0).part().equals(part))
                .mapToDouble(RankedCause::odds)
                .sum();
    }

    /** What hums with the volume down comes in behind the control, like a rail's ripple; one that goes with it does not. */
    @Test
    void aControlTurnedTellsWhereTheHumComesIn() {
        Observation hum = new Observation.Heard(new Measurement.Listen("AM"), Outcome.HUM);
        Measurement.Listen down = new Measurement.Listen("AM", Map.of("RV1", 0.0));
        Diagnosis before = diagnosed(List.of(hum));
        double filter = of(before, "C18");
        Diagnosis stays = diagnosed(List.of(hum, new Observation.Heard(down, Outcome.HUM)));
        Diagnosis goes = diagnosed(List.of(hum, new Observation.Heard(down, Outcome.NOTHING)));
        assertThat(of(stays, "C18")).isGreaterThan(filter).isGreaterThan(2 * of(goes, "C18"));
    }

    /** What comes with a knock is a joint more often than not; what is gone when warm is no leak. */
    @Test
    void circumstancesSpeakOfWaysOfFailing() {
        Observation weak = new Observation.Heard(new Measurement.Listen("AM"), Outcome.WEAK);
        Diagnosis always = diagnosed(List.of(weak));
        Diagnosis knocked = diagnosed(List.of(weak, new Observation.Tested(new Appears(Circumstance.KNOCKED), false)));
        Diagnosis warm = diagnosed(List.of(weak, new Observation.Tested(new Appears(Circumstance.WARM), false)));
        Diagnosis cold = diagnosed(List.of(weak, new Observation.Tested(new Appears(Circumstance.COLD), false)));
        assertThat(of(knocked, FaultMode.JOINT)).isGreaterThan(3 * of(always, FaultMode.JOINT));
        assertThat(of(warm, FaultMode.LEAKY)).isGreaterThan(2 * of(cold, FaultMode.LEAKY));
        assertThat(of(cold, FaultMode.DRIED)).isGreaterThan(2 * of(warm, FaultMode.DRIED));
    }
}
