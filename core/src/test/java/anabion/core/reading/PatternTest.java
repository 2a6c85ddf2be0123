package anabion.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.TestSets;
import anabion.core.command.StudyLine;
import anabion.core.job.SymptomKind;
import org.junit.jupiter.api.Test;

/** Each classic pattern by name: what shows it, whom it suspects, what tells them apart, and when it keeps quiet. */
class PatternTest {
    private ReadingFixture bench() {
        return new ReadingFixture(TestSets.audioEnd());
    }

    @Test
    void positiveGridSuspectsTheCouplingCapacitorBeforeTheTube() {
        Finding f =
                bench().read("V3.7", 84).read("V4.1", 3.1).read("V4.2", 16.4).finding("grid");
        assertThat(f.suspects())
                .extracting(s -> s.fault().text())
                .containsExactly("C14:leaky:12M", "V4:gassy", "R15:open");
        // 470 kΩ ∥ 10 MΩ = 448.9 kΩ; 3.1 V / 448.9 kΩ = 6.906 µA; (84 − 3.1)/6.906 µA = 11.7 MΩ
        assertThat(ReadingFixture.say(f))
                .contains("6.91 µA")
                .contains("11.7 MΩ")
                .contains("Lift C14")
                .contains("5.4 V")
                .contains("must not be positive");
    }

    @Test
    void withThePlateUnreadTheExpectationStandsIn() {
        assertThat(ReadingFixture.say(bench().read("V4.1", 3.1).finding("grid")))
                .contains("expected on the plate");
    }

    @Test
    void noTubeIsPulledInASeriesString() {
        Finding f = new ReadingFixture(TestSets.audioEnd(Arrangement.HOT_CHASSIS))
                .read("V4.1", 3.1)
                .finding("grid");
        assertThat(ReadingFixture.say(f)).contains("Do not pull V4").doesNotContain("Swap V4 for");
    }

    @Test
    void aGridWithoutCouplingCapacitorIsGas() {
        Finding f = bench().read("V3.1", 1.2).finding("grid");
        assertThat(f.suspects().get(0).fault().text()).isEqualTo("V3:gassy");
    }

    @Test
    void aGridAtContactPotentialIsNormal() {
        assertThat(bench().read("V4.1", 0.2)
                        .read("V2.1", -0.7)
                        .read("V3.1", -0.9)
                        .patterns())
                .isEmpty();
    }

    @Test
    void screenGoneSuspectsFeedAndBypass() {
        Finding f = bench().read("V2.6", 2).finding("screen-gone");
        assertThat(f.suspects())
                .extracting(s -> s.fault().text())
                .containsExactly("R7:open", "C10:short", "V2.6:joint");
        assertThat(ReadingFixture.say(f)).contains("ohms from V2.6 to chassis").contains("33 kΩ");
    }

    @Test
    void screenLowEstimatesTheDriftOfItsFeed() {
        Finding f = bench().read("V2.6", 70).read("V4.6", 221).finding("screen-low");
        // 105 V charted on 5 MΩ behind 17 kΩ is 105.2 V on 10 MΩ: 33k·(221 − 70)/(221 − 105.2)·105.2/70 = 64.7 kΩ
        assertThat(f.suspects().get(0).fault().text()).isEqualTo("R7:drifted:65k");
        assertThat(f.suspects().get(1).fault().text()).isEqualTo("C10:leaky");
    }

    @Test
    void cathodeAtNoughtMeansNoCurrentOrAShortedBypass() {
        Finding f = bench().read("V4.2", 0.1).finding("cathode-gone");
        assertThat(f.suspects()).extracting(s -> s.fault().text()).contains("V4:dead", "C23:short");
    }

    @Test
    void cathodeFarTooHighMeansAnOpenResistor() {
        assertThat(bench().read("V4.2", 40)
                        .finding("cathode-high")
                        .suspects()
                        .get(0)
                        .fault()
                        .text())
                .isEqualTo("R16:open");
        assertThat(bench().read("V4.2", 15).finding("cathode-high").suspects())
                .extracting(s -> s.fault().text())
                .containsExactly("R16:drifted", "C14:leaky");
    }

    @Test
    void aPositiveGridExplainsAHighCathode() {
        assertThat(bench().read("V4.2", 16).read("V4.1", 3).patterns())
                .contains("grid")
                .doesNotContain("cathode-high");
    }

    @Test
    void plateAtItsRailDrawsNoCurrentOverAResistor() {
        Finding f = bench().read("V3.7", 219).read("V4.6", 221).finding("plate-rail");
        assertThat(f.suspects().get(0).fault().text()).isEqualTo("V3:dead");
        assertThat(ReadingFixture.say(f)).contains("at the rail");
    }

    @Test
    void plateAtItsRailOverAWindingMeansNothing() {
        assertThat(bench().read("V2.5", 221).read("V4.6", 221).patterns()).isEmpty();
    }

    @Test
    void plateLowEstimatesItsLoad() {
        Finding f = bench().read("V3.7", 40).read("V4.6", 221).finding("plate-low");
        assertThat(f.suspects().get(0).fault().target()).isEqualTo("R13");
        assertThat(f.suspects().get(0).fault().mode()).isEqualTo(FaultMode.DRIFTED);
    }

    @Test
    void outputPlateGoneIsAnOpenPrimaryAndAWarning() {
        Finding f = bench().read("V4.5", 1).finding("plate-gone");
        assertThat(f.suspects().get(0).fault().text()).isEqualTo("L4:open");
        assertThat(ReadingFixture.say(f)).contains("switch off");
    }

    @Test
    void allRailsLowPointsAtTheSupply() {
        Finding f = bench().read("V5.7", 190)
                .read("V4.5", 180)
                .read("V4.6", 170)
                .read("V2.5", 168)
                .finding("rails-low");
        assertThat(f.suspects()).extracting(s -> s.fault().part()).containsExactly("V5", "C18", "C18");
        assertThat(bench().read("V5.7", 190)
                        .read("V4.5", 180)
                        .read("V4.6", 170)
                        .verdict()
                        .findings()
                        .get(0))
                .isEqualTo(bench().read("V5.7", 190)
                        .read("V4.5", 180)
                        .read("V4.6", 170)
                        .finding("rails-low"));
    }

    @Test
    void allRailsHighPointsAtLineAndTap() {
        assertThat(ReadingFixture.say(bench().read("V5.7", 300)
                        .read("V4.5", 285)
                        .read("V4.6", 268)
                        .finding("rails-high")))
                .contains("line and the tap");
    }

    @Test
    void oneLowRailIsNotAllOfThem() {
        assertThat(bench().read("V5.7", 250).read("V4.5", 180).read("V4.6", 170).patterns())
                .doesNotContain("rails-low");
    }

    @Test
    void aStoppedOscillatorShowsAtItsGrid() {
        Finding f = bench().read("V1.1", -0.2).finding("oscillator");
        assertThat(f.suspects())
                .extracting(s -> s.fault().text())
                .containsExactly("V1:weak", "C3:open", "L2:open", "R1:open");
        assertThat(bench().read("V1.1", -6).patterns()).isEmpty();
    }

    @Test
    void onABandWithoutItTheOscillatorIsOffByDesign() {
        ReadingFixture b = bench();
        b.under(b.condition().withBand("Pick-up")).read("V1.1", 0);
        assertThat(b.patterns()).isEmpty();
    }

    @Test
    void volumeControlThatDoesNotGrowWithSignal() {
        ReadingFixture b = bench();
        b.under(b.condition().withSignal("strong")).read("V2.1", -0.5);
        assertThat(b.finding("avc").suspects())
                .extracting(s -> s.fault().part())
                .containsExactlyInAnyOrder("R11", "C4");
        assertThat(bench().read("V2.1", -0.5).patterns())
                .as("idle it shows contact potential")
                .isEmpty();
        ReadingFixture grown = bench();
        assertThat(grown.under(grown.condition().withSignal("strong"))
                        .read("V2.1", -7)
                        .patterns())
                .isEmpty();
    }

    @Test
    void aPinThatLosesItsVoltsOnOneBandNamesSwitchAndCoil() {
        Chassis set = TestSets.audioEnd();
        ReadingFixture b = new ReadingFixture(set);
        Condition am = b.condition();
        b.under(am.withBand("Pick-up")).read("V4.5", 236).under(am).read("V4.5", 3);
        assertThat(b.finding("band-lost").suspects())
                .extracting(s -> s.fault().text())
                .contains("L4:open");
        b.under(am.withBand("Pick-up"));
        assertThat(b.patterns()).as("the band that has its volts is not blamed").doesNotContain("band-lost");
    }

    // --- transistors: PNP, positive earth, signed net to net ---

    private ReadingFixture transistor() {
        return transistor("");
    }

    private ReadingFixture transistor(String role, String... more) {
        Chassis c = TestSets.wired(
                Arrangement.BATTERY,
                "Q1 OC71 1=Q1.1 2=Q1.2 3=Q1.3",
                "R1 3k3 Q1.3 B- collector load",
                "R2 1k Q1.1 CHASSIS emitter",
                "R3 47k Q1.2 B- bias");
        c = c.withParts(c.parts().stream()
                .map(p -> p.reference().equals("Q1")
                        ? new anabion.core.chassis.Part(
                                p.id(),
                                "Q1",
                                new anabion.core.chassis.Component.Device(
                                        anabion.core.chassis.DeviceKind.TRANSISTOR,
                                        "OC71",
                                        "",
                                        java.util.Map.of("1", "e", "2", "b", "3", "c")),
                                p.nets(),
                                role,
                                anabion.core.chassis.RoleWords.suggest(p.component(), role, ""),
                                "OC71",
                                p.make(),
                                p.provenance(),
                                "",
                                p.extra())
                        : p)
                .toList());
        for (String line : more)
            c = anabion.core.format.ListCodec.withPart(c, anabion.core.command.WiringLine.parse(line, c));
        for (String row : new String[] {"Q1.1 -1", "Q1.2 -1.2", "Q1.3 -5", "B- -9"}) c = StudyLine.chartRow(row, c);
        c = StudyLine.chartLine("chart-line 9", c);
        return new ReadingFixture(c).under(Condition.of(9, MeterSpec.parse("10M"), ""));
    }

    @Test
    void aHealthyGermaniumStageIsLeftInPeace() {
        assertThat(transistor()
                        .read("Q1.1", -1)
                        .read("Q1.2", -1.2)
                        .read("Q1.3", -5)
                        .read("B-", -9)
                        .patterns())
                .isEmpty();
    }

    @Test
    void baseAndEmitterTooFarApartIsAnOpenJunction() {
        assertThat(transistor()
                        .read("Q1.1", 0)
                        .read("Q1.2", -3)
                        .finding("transistor-junction")
                        .suspects()
                        .get(0)
                        .fault()
                        .text())
                .isEqualTo("Q1:open");
    }

    @Test
    void collectorAtTheEmitterIsSaturated() {
        assertThat(transistor()
                        .read("Q1.1", -2.2)
                        .read("Q1.2", -2.4)
                        .read("Q1.3", -2.3)
                        .finding("transistor-saturated")
                        .suspects())
                .hasSize(2);
    }

    @Test
    void collectorAtItsRailIsOff() {
        assertThat(ReadingFixture.say(transistor()
                        .read("Q1.1", 0)
                        .read("Q1.3", -8.95)
                        .read("B-", -9)
                        .finding("transistor-off")))
                .contains("no collector current");
    }

    @Test
    void anOscillatorTransistorAtRestDoesNotRun() {
        assertThat(transistor("oscillator").read("Q1.1", -1).read("Q1.2", -1.3).patterns())
                .containsExactly("transistor-stopped");
        assertThat(transistor("oscillator").read("Q1.1", -1).read("Q1.2", -1.2).patterns())
                .isEmpty();
        assertThat(transistor("mixer").read("Q1.1", -1).read("Q1.2", -1.3).patterns())
                .isEmpty();
    }

    @Test
    void aTransistorsBaseMustMoveWithAStrongSignal() {
        ReadingFixture flat = transistor("IF", "R9 10k Q1.2 VC AVC filter", "C9 10u VC CHASSIS AVC filter");
        flat.under(flat.condition().withSignal("strong")).read("Q1.2", -1.2);
        assertThat(flat.patterns()).contains("avc");
        ReadingFixture grown = transistor("IF", "R9 10k Q1.2 VC AVC filter", "C9 10u VC CHASSIS AVC filter");
        grown.under(grown.condition().withSignal("strong")).read("Q1.2", -0.9);
        assertThat(grown.patterns()).doesNotContain("avc");
    }

    // --- bands together ---

    @Test
    void bandsThatFailAlikePointAtWhatTheyShare() {
        Finding f = bench().hears("AM", SymptomKind.DISTORTED)
                .hears("Pick-up", SymptomKind.DISTORTED)
                .finding("bands");
        assertThat(ReadingFixture.say(f))
                .contains("AM, Pick-up fail alike: look at Audio, Output")
                .contains("V3 weak")
                .contains("V4 weak");
    }

    @Test
    void aBandThatFailsAlonePointsAtWhatTheOthersDoNotUse() {
        Finding f = bench().hears("AM", SymptomKind.DEAD)
                .hears("Pick-up", SymptomKind.FINE)
                .finding("bands");
        assertThat(ReadingFixture.say(f))
                .contains("Only AM fails: look at Mixer, IF")
                .doesNotContain("V4 weak");
    }

    @Test
    void differentComplaintsOrOneTriedBandSayNothingTogether() {
        assertThat(bench().hears("AM", SymptomKind.DEAD)
                        .hears("Pick-up", SymptomKind.HUM)
                        .patterns())
                .isEmpty();
        assertThat(bench().hears("AM", SymptomKind.DEAD)
                        .hears("Pick-up", SymptomKind.UNTRIED)
                        .patterns())
                .isEmpty();
        assertThat(bench().hears("AM", SymptomKind.FINE)
                        .hears("Pick-up", SymptomKind.FINE)
                        .patterns())
                .isEmpty();
    }
}
