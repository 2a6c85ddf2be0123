package anabion.core.diagnosis.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.command.MakeLine;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.job.Job;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.json.Extra;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What tests of parts teach for the next set. */
class FailureHistoryTest {
    private static final Chassis SET = SharedSets.named("halcyon");

    private static Job tested(List<PartTest> tests) {
        Job job = Job.NEW;
        for (PartTest t : tests)
            job = job.withRecap(
                    job.recap().tested(new RecapLog.Tested(UUID.randomUUID(), Instant.EPOCH, t, Extra.NONE)));
        return job;
    }

    private static Part part(String reference) {
        return SET.part(reference).orElseThrow();
    }

    private static PartTest emission(String tube, double shown) {
        return new PartTest(tube, PartTest.What.EMISSION, shown, 50, 0);
    }

    @Test
    void nothingTestedTeachesNothing() {
        assertThat(FailureHistory.of(SET, Job.NEW)).isEmpty();
        assertThat(FailureHistory.factors(List.of())).isEmpty();
    }

    /** Tubes hold here and resistors drift: the odds of the next set follow, not without bound. */
    @Test
    void whatFailsHereIsLikelierNextTime() {
        List<PartTest> tests = new ArrayList<>();
        for (String v : List.of("V1", "V2", "V3", "V4")) tests.add(emission(v, 80));
        for (String r : List.of("R7", "R3", "R9", "R6"))
            tests.add(new PartTest(r, PartTest.What.VALUE, 3 * ohms(r), 0, 0));
        Map<Priors.Key, FailureHistory.Tally> one = FailureHistory.of(SET, tested(tests));
        Map<Priors.Key, Double> few = FailureHistory.factors(List.of(one));
        Map<Priors.Key, Double> many = FailureHistory.factors(java.util.Collections.nCopies(20, one));
        Priors.Key drift = Priors.key(part("R7"), FaultMode.DRIFTED);
        Priors.Key weak = Priors.key(part("V1"), FaultMode.EMISSION);
        assertThat(few.get(drift)).isBetween(1.05, 2.0);
        assertThat(many.get(drift)).isGreaterThan(few.get(drift)).isLessThanOrEqualTo(4);
        assertThat(many.get(weak)).isLessThan(few.get(weak)).isGreaterThanOrEqualTo(0.25);
        Priors learned = Priors.USUAL.with(many);
        Fault f = new Fault("R7", FaultMode.DRIFTED, "50k");
        assertThat(learned.weight(part("R7"), f))
                .isCloseTo(many.get(drift) * Priors.USUAL.weight(part("R7"), f), within(1e-12));
    }

    private static double ohms(String reference) {
        return ((anabion.core.chassis.Component.Resistor) part(reference).component()).ohms();
    }

    /** Parts that were found bad and renewed count: they are what there is to learn. */
    @Test
    void renewedPartsCountToo() {
        Job job = tested(List.of(emission("V4", 20)))
                .altered(new anabion.core.job.Alteration(
                        new UUID(1, 1),
                        Instant.EPOCH.plusSeconds(60),
                        "V4",
                        anabion.core.job.AlterationKind.RENEWED,
                        "",
                        Extra.NONE));
        assertThat(FailureHistory.of(SET, job)
                        .get(Priors.key(part("V4"), FaultMode.EMISSION))
                        .bad())
                .isEqualTo(1);
        assertThat(Evidence.of(SET, List.of(), job)).isEmpty();
    }

    /** Capacitors of one make leak in this workshop and those of another hold: the next set's odds know the difference. */
    @Test
    void aMakeThatFailsHereIsSuspectedNextTime() {
        Chassis marked = MakeLine.parse("make kt: C14 C17", MakeLine.parse("make Blue band: C7 C10", SET));
        List<PartTest> tests = List.of(leak("C14", 300), leak("C17", 200), leak("C7", 0.1), leak("C10", 0.2));
        Map<Priors.Key, Double> learned =
                FailureHistory.factors(java.util.Collections.nCopies(5, FailureHistory.of(marked, tested(tests))));
        Fault fault = new Fault("C14", FaultMode.LEAKY, "1M");
        Priors priors = Priors.USUAL.with(learned);
        double unmarked = priors.weight(part("C14"), fault);
        assertThat(priors.weight(part("C14").withMake("KT"), fault)).isGreaterThan(1.3 * unmarked);
        assertThat(priors.weight(part("C14").withMake("blue band"), fault)).isLessThan(0.7 * unmarked);
        assertThat(priors.weight(part("C14").withMake("never seen"), fault)).isEqualTo(unmarked);
    }

    private static PartTest leak(String part, double microamperes) {
        return new PartTest(part, PartTest.What.LEAKAGE, microamperes * 1e-6, 0, 200);
    }

    /** Waxed paper leaks; what came after it less. Other parts do not know the year. */
    @Test
    void aPaperCapacitorsYearCounts() {
        Fault leak = new Fault("C14", FaultMode.LEAKY, "1M");
        Fault drift = new Fault("R7", FaultMode.DRIFTED, "50k");
        double unknown = Priors.USUAL.weight(part("C14"), leak);
        assertThat(Priors.USUAL.from(1938).weight(part("C14"), leak)).isGreaterThan(unknown);
        assertThat(Priors.USUAL.from(1970).weight(part("C14"), leak)).isLessThan(unknown);
        assertThat(Priors.USUAL.from(1970).weight(part("R7"), drift)).isEqualTo(Priors.USUAL.weight(part("R7"), drift));
    }
}
