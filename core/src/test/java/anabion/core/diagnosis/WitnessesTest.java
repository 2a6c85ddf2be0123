package anabion.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** How much must speak for a cause before it is repaired, and what is asked when a tester may have erred. */
class WitnessesTest {
    private static final Forecasts FORECASTS = SharedForecasts.named("halcyon");
    private static final Chassis HALCYON = FORECASTS.chassis();

    /** Two ohmmeter readings that agree on a leak of the rail are enough; one of a leak of the line, after a sound chart, may be a slip. */
    @Test
    void nobodyIsConvictedOnOneReading() {
        List<Observation> agreeing = chart();
        agreeing.addAll(List.of(ohms("V3.7", 328e3), ohms("V1.6", 140e3)));
        List<Observation> odd = chart();
        odd.add(ohms("MAINS-N", 6.07e6));
        Diagnosis two = Diagnosis.of(FORECASTS, agreeing);
        Diagnosis one = Diagnosis.of(FORECASTS, odd);
        for (Diagnosis d : List.of(one, two))
            assertThat(d.suspects().get(0).odds())
                    .as("%s", d.suspects().get(0))
                    .isBetween(Diagnosis.MOSTLY, Diagnosis.ENOUGH);
        assertThat(two.decided()).as("%s", two.backed()).isTrue();
        assertThat(one.decided()).as("%s", one.backed()).isFalse();
    }

    private static List<Observation> chart() {
        return new Workbench(HALCYON, 7).read(Workbench.CHART);
    }

    private static Observation ohms(String net, double shown) {
        return new Observation.Measured(new Probe.Ohms(net, "CHASSIS", Probes.TEST), shown);
    }

    /** One tester may err: what still speaks for a capacitor that was tried is tried another way, and once each. */
    @ParameterizedTest
    @CsvSource({
        "C23:dried, 'across C23, test C23, value C23'",
        "C26:leaky:330k, 'test C26, leak C26'",
        "V4:emission:0.45, test V4",
        "V2.1:joint, ''"
    })
    void aCapacitorInDoubtIsTriedAnotherWay(String fault, String ways) {
        Set<Probe> done = new LinkedHashSet<>();
        Optional<Probe> next = Probes.trying(HALCYON, Fault.parse(fault), done);
        while (next.isPresent()) {
            done.add(next.get());
            next = Probes.trying(HALCYON, Fault.parse(fault), done);
        }
        assertThat(done.stream().map(Probe::text).collect(Collectors.joining(", ")))
                .isEqualTo(ways);
    }

    /** With its leak measured a capacitor is not lifted for that again; its value is still unknown. */
    @Test
    void whatWasMeasuredIsNotLiftedAgain() {
        Set<Probe> leak = Set.of(new Probe.Lifted("C26", Probe.Lifted.What.LEAK));
        assertThat(Probes.trying(HALCYON, Fault.parse("C26:leaky:330k"), leak)).isEmpty();
        assertThat(Probes.trying(HALCYON, Fault.parse("C26:open"), leak)).isPresent();
    }
}
