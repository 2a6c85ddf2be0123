package anabion.core.diagnosis.inference;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.SharedPredictions;
import anabion.core.diagnosis.Workbench;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.prediction.PredictionModel;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;

/** How much must speak for a cause before it is repaired. */
@ResourceLock(SharedPredictions.LOCK)
class LeaveOneOutTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis HALCYON = PREDICTIONS.chassis();

    /** Two ohmmeter readings that agree on a leak of the rail are enough; one of a leak of the line, after a sound chart, may be a slip. */
    @Test
    void nobodyIsConvictedOnOneReading() {
        List<Observation> agreeing = chart();
        agreeing.addAll(List.of(ohms("V3.7", 328e3), ohms("V1.6", 140e3)));
        List<Observation> odd = chart();
        odd.add(ohms("MAINS-N", 6.07e6));
        Diagnosis two = Diagnosis.of(PREDICTIONS, agreeing);
        Diagnosis one = Diagnosis.of(PREDICTIONS, odd);
        for (Diagnosis d : List.of(one, two))
            assertThat(d.suspects().get(0).odds())
                    .as("%s", d.suspects().get(0))
                    .isBetween(Diagnosis.LEADING_ODDS, Diagnosis.DECIDED_ODDS);
        assertThat(two.decided()).as("%s", two.backed()).isTrue();
        assertThat(one.decided()).as("%s", one.backed()).isFalse();
    }

    /** A grid above ground is a leaky coupling capacitor's or a gassy tube's: that is asked before either is renewed. */
    @Test
    void nobodyIsConvictedBesideARival() {
        Diagnosis d = Diagnosis.of(
                PREDICTIONS, new Workbench(HALCYON, 7, "V4:gassy:4e-6").read(List.of("V4.2", "V2.6", "V4.1")));
        assertThat(d.suspects().get(0).odds())
                .as("%s", d.suspects())
                .isBetween(Diagnosis.LEADING_ODDS, Diagnosis.DECIDED_ODDS);
        assertThat(d.suspects().get(1).odds()).isGreaterThan(0.2);
        assertThat(d.decided()).isFalse();
        assertThat(d.next().get(0).measurement().text()).containsPattern("V4|C14");
    }

    private static List<Observation> chart() {
        return new Workbench(HALCYON, 7).read(Workbench.CHART);
    }

    private static Observation ohms(String net, double shown) {
        return new Observation.Measured(new Measurement.Ohms(net, "CHASSIS", Measurement.OHMMETER_VOLTS), shown);
    }
}
