package anabion.core.diagnosis;

import static anabion.core.diagnosis.Workbench.odds;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.inference.Explanation;
import anabion.core.diagnosis.inference.Groups;
import anabion.core.diagnosis.inference.Pairs;
import anabion.core.diagnosis.inference.RankedCause;
import anabion.core.diagnosis.inference.Separation;
import anabion.core.diagnosis.nexttest.RatedMeasurement;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.format.EvidenceCodec;
import anabion.core.job.Outcome;
import anabion.core.testing.Deep;
import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a diagnosis owes whoever relies on it, on the Halcyon with its chart read. */
@ResourceLock(SharedPredictions.LOCK)
class DiagnosisTest {
    private static final PredictionModel PREDICTIONS = SharedPredictions.named("halcyon");
    private static final Chassis HALCYON = PREDICTIONS.chassis();

    private static List<Observation> chart(long seed, String... faults) {
        return new Workbench(HALCYON, seed, faults).read(Workbench.CHART);
    }

    private static Diagnosis diagnosed(List<Observation> evidence) {
        return Diagnosis.of(PREDICTIONS, evidence);
    }

    private static void first(Diagnosis d, String... wanted) {
        assertThat(d.suspects().get(0).causes())
                .as("%s", d.suspects().stream().limit(4).toList())
                .anyMatch(h -> {
                    for (String w : wanted) if (h.cause().startsWith(w)) return true;
                    return false;
                });
    }

    private static final long[] SEEDS = {3, 11};
    private static final int SPECIMENS = Deep.times("specimens with each single fault", 1, SEEDS.length);

    @ParameterizedTest
    @CsvSource({
        "C14:leaky:10M, C14:leaky",
        "R7:open, R7:open",
        "C10:short, C10:short",
        "R8:open, R8:open",
        "V2:dead, V2",
        "R3:open, R3:open",
        "C23:short, C23:short",
        "R13:open, R13:open"
    })
    void aSingleFaultComesFirst(String fault, String wanted) {
        for (int n = 0; n < SPECIMENS; n++) first(diagnosed(chart(SEEDS[n], fault)), wanted);
    }

    /** Before the capacitor is lifted both stand among the first; what is read then decides. */
    @Test
    void liftingTheCapacitorTellsAGassyTubeFromALeak() {
        for (String fault : List.of("V4:gassy:4e-6", "C14:leaky:5M")) {
            Workbench bench = new Workbench(HALCYON, 5, fault);
            List<Observation> evidence = new ArrayList<>(bench.read(List.of("V4.1", "V4.2")));
            List<String> named = diagnosed(evidence).suspects().stream()
                    .limit(4)
                    .flatMap(s -> s.causes().stream())
                    .map(Hypothesis::cause)
                    .toList();
            assertThat(named).as(fault).contains("V4:gassy", "C14:leaky");
            Measurement.Volts grid = bench.volts("V4.1");
            Measurement lifted = new Measurement.Volts(
                    grid.point(),
                    grid.net(),
                    grid.setting().withFaults(List.of(Fault.of("C14", FaultMode.OPEN))),
                    grid.meter());
            evidence.add(bench.answer(lifted));
            first(diagnosed(evidence), fault.substring(0, fault.lastIndexOf(':')));
        }
    }

    @Test
    void aSoundSetIsNotConvicted() {
        Diagnosis d = diagnosed(chart(7));
        assertThat(d.decided()).isFalse();
        assertThat(d.suspects().get(0).odds()).as("%s", d.suspects().get(0)).isLessThan(0.3);
        assertThat(d.quiet()).as("what nothing shows stands apart").isNotEmpty();
    }

    @Test
    void theOddsSumToOneAndTheOrderOfTheEvidenceDoesNotMatter() {
        List<Observation> evidence = chart(9, "R7:open");
        evidence.add(new Observation.Heard(new Measurement.Listen("AM"), Outcome.NOTHING));
        Diagnosis d = diagnosed(evidence);
        double listed = d.suspects().stream().mapToDouble(RankedCause::odds).sum();
        assertThat(listed + d.sound() + d.other()).isCloseTo(1, within(0.01)).isLessThanOrEqualTo(1 + 1e-9);
        List<Observation> turned = new ArrayList<>(evidence);
        Collections.reverse(turned);
        Diagnosis other = diagnosed(turned);
        assertThat(other.suspects().get(0).odds()).isCloseTo(d.suspects().get(0).odds(), within(1e-6));
        assertThat(other.suspects().get(0).first().cause())
                .isEqualTo(d.suspects().get(0).first().cause());
    }

    /** One reading from the rail beside it among ten good ones: no fault lifts a screen above what feeds it. */
    @Test
    void aSlippedProbeDoesNotConvict() {
        List<Observation> evidence = chart(13);
        int screen = Workbench.CHART.indexOf("V2.6");
        Observation.Measured v = (Observation.Measured) evidence.get(screen);
        evidence.set(screen, new Observation.Measured(v.measurement(), 244));
        Diagnosis d = diagnosed(evidence);
        assertThat(d.decided()).as("%s", d.suspects().get(0)).isFalse();
        assertThat(d.suspects().get(0).odds()).isLessThan(0.5);
    }

    /** Volts that no single fault of the list gives. */
    @Test
    void whatIsNotOnTheListEndsInSomethingElse() {
        Map<String, Double> odd = Map.of("V1.6", 181.0, "V3.7", 12.0, "V4.2", 2.2, "V2.6", 17.0);
        List<Observation> evidence = chart(17).stream()
                .map(o -> (Observation.Measured) o)
                .<Observation>map(m -> new Observation.Measured(
                        m.measurement(), odd.getOrDefault(((Measurement.Volts) m.measurement()).point(), m.value())))
                .toList();
        Diagnosis d = diagnosed(evidence);
        assertThat(d.other()).as("%s", d.suspects().stream().limit(3).toList()).isGreaterThan(0.5);
    }

    /** Two faults of which neither explains the other's readings. */
    @Test
    void twoFaultsAtOnceAreFoundTogether() {
        List<Observation> evidence = chart(3, "C14:leaky:1M", "R7:drifted:82k");
        Diagnosis pairs = Diagnosis.withPairs(PREDICTIONS, evidence);
        first(pairs, "C14:leaky + R7:drifted", "R7:drifted + C14:leaky");
        assertThat(pairs.suspects().get(0).parts()).contains("C14", "R7");
        List<Observation> one = chart(3, "C14:leaky:1M");
        assertThat(Diagnosis.withPairs(PREDICTIONS, one).suspects())
                .as("one fault is not made two")
                .isEqualTo(diagnosed(one).suspects());
    }

    /** Whichever two they are, the pair is among those that are solved. */
    @ParameterizedTest
    @CsvSource({
        "R13:open, V2:emission:0.2",
        "C14:leaky:3.3M, V5:emission:0.3",
        "R7:drifted:82k, C23:short",
        "R8:open, R13:drifted:680k",
        "V5:emission:0.2, R13:open"
    })
    void thePairThatIsThereIsSolved(String one, String other) {
        List<Observation> evidence = chart(3, one, other);
        String a = Fault.parse(one).cause();
        String b = Fault.parse(other).cause();
        assertThat(Pairs.of(PREDICTIONS, evidence))
                .extracting(Hypothesis::cause)
                .containsAnyOf(a + " + " + b, b + " + " + a);
    }

    @Test
    void coldOhmsFindAShortWithThePowerOff() {
        Workbench bench = new Workbench(HALCYON, 2, "C10:short");
        List<Observation> evidence = new ArrayList<>();
        for (String net : List.of("V2.6", "V1.6", "V4.2"))
            evidence.add(bench.answer(new Measurement.Ohms(net, "CHASSIS", 1.5)));
        Diagnosis d = diagnosed(evidence);
        first(d, "C10:short");
        assertThat(d.suspects().get(0).odds()).isGreaterThan(0.5);
    }

    /** Volts alone leave a drifted plate load among several; its ohms, power off, single it out. */
    @Test
    void voltsAndColdOhmsAreWeighedTogether() {
        Workbench bench = new Workbench(HALCYON, 23, "R13:drifted:680k");
        List<Observation> evidence = new ArrayList<>(bench.read(Workbench.CHART));
        double before = odds(diagnosed(evidence), "R13:drifted");
        evidence.add(bench.answer(new Measurement.Ohms("V3.7", "B2", 1.5)));
        Diagnosis after = diagnosed(evidence);
        first(after, "R13:drifted");
        assertThat(odds(after, "R13:drifted")).isGreaterThan(before);
    }

    /** A part that a tester clears is no longer suspected; one that it condemns is. */
    @Test
    void aTestOfThePartCounts() {
        List<Observation> evidence = chart(4, "R7:drifted:56k");
        double before = odds(diagnosed(evidence), "R7:drifted");
        List<Observation> bad = new ArrayList<>(evidence);
        bad.add(new Observation.Tested(new Measurement.Try("R7", 4), false));
        List<Observation> good = new ArrayList<>(evidence);
        good.add(new Observation.Tested(new Measurement.Try("R7", 4), true));
        assertThat(odds(diagnosed(bad), "R7:drifted")).isGreaterThan(before);
        assertThat(odds(diagnosed(good), "R7:drifted")).isLessThan(before);
    }

    /** After three readings the next one is worth something, and is not one of them. */
    @Test
    void theNextTestTellsSomethingNew() {
        List<Observation> evidence = new Workbench(HALCYON, 19, "C14:leaky:1M").read(List.of("V4.2", "V4.6", "V2.6"));
        Diagnosis d = diagnosed(evidence);
        assertThat(d.next()).isNotEmpty();
        assertThat(d.next().get(0).information()).isGreaterThan(0.02);
        assertThat(d.next()).extracting(t -> t.measurement().text()).doesNotContain("volts V4.2", "volts V2.6");
        for (int n = 1; n < d.next().size(); n++)
            assertThat(rate(d.next().get(n))).isLessThanOrEqualTo(rate(d.next().get(n - 1)));
    }

    private static double rate(RatedMeasurement t) {
        return t.information() / t.minutes();
    }

    @Test
    void twoSuspectsAreToldApartByWhatTheyShowDifferently() {
        Hypothesis screen = hypothesis("R7:open");
        Hypothesis bypass = hypothesis("C10:short");
        List<Observation> none = List.of();
        List<Separation> apart = Separation.of(PREDICTIONS, Diagnosis.allowed(PREDICTIONS, none), screen, bypass);
        assertThat(apart).isNotEmpty();
        assertThat(apart).extracting(s -> s.measurement().text()).contains("ohms V2.6 to CHASSIS");
        assertThat(apart).allMatch(s -> s.apart() > 1);
    }

    private static Hypothesis hypothesis(String cause) {
        return PREDICTIONS.hypotheses().stream()
                .filter(h -> h.cause().equals(cause))
                .findFirst()
                .orElseThrow();
    }

    /** What explains a suspect is what it says of each reading: the screen speaks loudest for its feed. */
    @Test
    void everyReadingIsExplained() {
        List<Observation> evidence = chart(3, "R7:open");
        Diagnosis d = diagnosed(evidence);
        Explanation e = d.explained(PREDICTIONS, evidence, d.suspects().get(0));
        assertThat(e.readings()).hasSameSizeAs(evidence);
        double[] screen = e.readings().stream()
                .filter(r -> r.observation().measurement().text().equals("volts V2.6"))
                .mapToDouble(r -> r.foreseen().orElseThrow())
                .toArray();
        assertThat(screen[0]).isLessThan(2);
        assertThat(e.against()).isNotEqualTo(e.cause());
    }

    /** Faults that no probe tells apart stand together: a joint at a screen's pin looks like nothing else, one at a heater's pin like the heater. */
    @Test
    void whatLooksAlikeIsOneGroup() {
        Groups groups = new Groups(PREDICTIONS, Diagnosis.allowed(PREDICTIONS, List.of()));
        assertThat(groups.alike(hypothesis("V2:heater-open"), hypothesis("V2.3:joint")))
                .isTrue();
        assertThat(groups.alike(hypothesis("R7:open"), hypothesis("C10:short"))).isFalse();
    }

    @Test
    void aListOfEvidenceIsRead() throws IOException {
        List<Observation> read = EvidenceCodec.read(
                new StringReader(
                        """
                        kind,at,value,against,line,band,meter,lifted
                        volts,V4.1,"3,1",,231,AM,20k/V@10,C14
                        ohms,B1,15k,CHASSIS,,,,
                        ohms,V2.6,open,,,,,
                        inject,if V2.1,weak,,,AM,,
                        inject,V3.7,loud,,,,,
                        tap,if V2.5,nothing,,,,,
                        level,if V2.1,12mV,,,AM,,
                        symptom,pick-up,dead,,,,,
                        test,c14,bad,,,,,
                        across,c10,better,,,,,
                        ohms,B1,390k,CHASSIS,,,,c18
                        value,R7,"68k",,,,,
                        value,C10,bad,,,,,
                        """),
                HALCYON);
        Observation.Measured volts = (Observation.Measured) read.get(0);
        assertThat(volts.value()).isEqualTo(3.1);
        assertThat(((Measurement.Volts) volts.measurement()).setting().band()).isEqualTo("AM");
        assertThat(((Measurement.Volts) volts.measurement()).setting().faults())
                .containsExactly(Fault.of("C14", FaultMode.OPEN));
        assertThat(read.subList(1, read.size()))
                .extracting(o -> o.measurement().text())
                .containsExactly(
                        "ohms B1 to CHASSIS",
                        "ohms V2.6 to CHASSIS",
                        "inject if at V2.1 on AM",
                        "inject af at V3.7 on AM",
                        "trace if at V2.5 on AM",
                        "level if at V2.1 on AM",
                        "listen Pick-up",
                        "test C14",
                        "across C10",
                        "ohms B1 to CHASSIS with C18 lifted",
                        "value R7",
                        "value C10");
        assertThat(((Observation.Measured) read.get(6)).value()).isEqualTo(0.012);
        assertThat(((Observation.Heard) read.get(7)).outcome()).isEqualTo(Outcome.NOTHING);
        assertThat(((Observation.Tested) read.get(8)).good()).isFalse();
        assertThat(((Observation.Tested) read.get(9)).good()).isFalse();
        assertThat(((Observation.Measured) read.get(11)).value()).isEqualTo(68e3);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "smell,V4.1,3 | no kind of evidence",
                "volts,V9.1,3 | V9",
                "volts,V4.1,lots | value",
                "ohms,B1,-5 | below zero",
                "ohms,B1,fish | value",
                "volts,V4.1,3,,231,FM | no band FM",
                "inject,V4.1,purple | purple",
                "inject,xf V4.1,loud | xf",
                "tap,V4.1,purple | purple",
                "level,V4.1,loud | value",
                "level,V4.1,0 | no generator",
                "level,V4.1,5kV | no generator",
                "test,C99,bad | C99",
                "test,C14,maybe | good or bad",
                "across,C14,louder | better or same",
                "across,R7,same | no capacitor",
                "value,V4,good | neither a resistor nor a capacitor",
                "symptom,DAB,dead | no band DAB"
            })
    void evidenceThatCannotBeReadSaysWhere(String row, String said) {
        String csv = "kind,at,value,against,line,band\n" + row
                + ",".repeat(Math.max(0, 5 - row.split(",", -1).length + 1)) + "\n";
        assertThatThrownBy(() -> EvidenceCodec.read(new StringReader(csv), HALCYON))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(said);
    }

    /** Before anything was read, ohms are ordered by what they would tell of all faults; what was read is no question any more. */
    @Test
    void ohmsAreOrderedByWhatTheyTell() {
        List<RatedMeasurement> before = Diagnosis.ohms(PREDICTIONS, List.of());
        assertThat(before).hasSizeGreaterThan(20);
        for (int n = 1; n < before.size(); n++)
            assertThat(before.get(n).information() / before.get(n).minutes())
                    .isLessThanOrEqualTo(
                            before.get(n - 1).information() / before.get(n - 1).minutes());
        Measurement.Ohms first = (Measurement.Ohms) before.get(0).measurement();
        List<RatedMeasurement> after = Diagnosis.ohms(PREDICTIONS, List.of(new Observation.Measured(first, 47e3)));
        assertThat(after).extracting(t -> t.measurement().text()).doesNotContain(first.text());
    }

    private static double oddsOf(String stage, String evidence) throws IOException {
        List<Observation> read = EvidenceCodec.read(new StringReader("kind,at,value\n" + evidence), HALCYON);
        Diagnosis d = Diagnosis.verdict(PREDICTIONS, read, Diagnosis.allowed(PREDICTIONS, read));
        return d.suspects().stream()
                .filter(s -> s.parts().stream()
                        .allMatch(
                                p -> HALCYON.stage(stage).orElseThrow().parts().contains(p)))
                .mapToDouble(RankedCause::odds)
                .sum();
    }

    /** A dead band: where the tracer still hears the aerial's signal, the fault lies behind it; where not, before. */
    @Test
    void aTracerClearsWhatLiesBeforeIt() throws IOException {
        String dead = "symptom,AM,dead\n";
        double mixer = oddsOf("Mixer", dead);
        assertThat(oddsOf("Mixer", dead + "tap,if V2.1,loud\n")).isLessThan(0.3 * mixer);
        assertThat(oddsOf("Mixer", dead + "tap,if V2.1,nothing\n")).isGreaterThan(mixer);
        assertThat(oddsOf("Output", dead + "tap,if V2.1,nothing\n")).isLessThan(oddsOf("Output", dead));
    }
}
