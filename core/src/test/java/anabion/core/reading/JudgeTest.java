package anabion.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.StripRow;
import anabion.core.chassis.Supply;
import anabion.core.chassis.TestSets;
import anabion.core.error.InputException;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.json.Extra;
import anabion.core.reading.judgement.Judge;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.time.Instant;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class JudgeTest {
    private ReadingFixture bench() {
        return new ReadingFixture(TestSets.audioEnd());
    }

    private static Alteration renewed(String part) {
        return new Alteration(
                UUID.randomUUID(), Instant.parse("2026-05-04T10:00:00Z"), part, AlterationKind.RENEWED, "", Extra.NONE);
    }

    @Test
    void withoutReadingsEveryRowWaitsAndNothingIsSuspected() {
        Judge.Verdict v = bench().verdict();
        assertThat(v.rows()).hasSize(12).allSatisfy(r -> assertThat(r.standing())
                .isEqualTo(Standing.NOT_TAKEN));
        assertThat(v.findings()).isEmpty();
        assertThat(v.read()).isZero();
        assertThat(v.charted()).isEqualTo(12);
    }

    @Test
    void aHealthySetIsLeftInPeace() {
        ReadingFixture b = bench().read("V2.5", 221)
                .read("V2.6", 106)
                .read("V2.7", 2.9)
                .read("V3.7", 82)
                .read("V4.5", 235)
                .read("V4.6", 220)
                .read("V4.1", 0.02)
                .read("V4.2", 11.2)
                .read("V5.7", 250)
                .read("V1.1", -9.2);
        assertThat(b.verdict().findings()).isEmpty();
        assertThat(b.verdict().rows()).filteredOn(r -> r.reading().isPresent()).allSatisfy(r -> assertThat(r.standing())
                .isEqualTo(Standing.WITHIN));
    }

    @Test
    void highLineLiftsEveryRailAndIsNoFault() {
        ReadingFixture b = bench().under(Condition.of(248, MeterSpec.parse("10M"), "AM"))
                .read("V5.7", 279)
                .read("V4.6", 249)
                .read("V4.5", 266)
                .read("V2.6", 119);
        assertThat(b.verdict().findings()).isEmpty();
    }

    @Test
    void aRowSaysHowFarAndWhichWay() {
        assertThat(bench().read("V4.6", 190).row("V4.6").verdict().key()).isEqualTo("verdict.low");
        assertThat(bench().read("V4.6", 190).row("V4.6").standing()).isEqualTo(Standing.DRIFTING);
        assertThat(bench().read("V4.6", 120).row("V4.6").standing()).isEqualTo(Standing.OUT);
        assertThat(bench().read("V4.5", 300).row("V4.5").verdict().key()).isEqualTo("verdict.high");
    }

    @Test
    void aDoubtfulReadingIsShownButConvictsNobody() {
        ReadingFixture b = bench().doubtful("V4.1", 5).doubtful("V4.2", 20);
        assertThat(b.verdict().findings()).isEmpty();
        assertThat(b.row("V4.1").standing()).isEqualTo(Standing.DOUBTFUL);
        assertThat(b.row("V4.1").reading()).isPresent();
    }

    @Test
    void theLatestReadingCounts() {
        assertThat(bench().read("V4.2", 18).read("V4.2", 11).row("V4.2").standing())
                .isEqualTo(Standing.WITHIN);
    }

    @Test
    void aReadingIsJudgedInItsOwnConditionNotInTodays() {
        ReadingFixture b =
                bench().under(Condition.of(242, MeterSpec.parse("10M"), "AM")).read("V5.7", 273);
        b.under(Condition.of(200, MeterSpec.parse("10M"), "AM"));
        assertThat(b.row("V5.7").standing()).isEqualTo(Standing.WITHIN);
        assertThat(b.row("V5.7").expectation().orElseThrow().value()).isCloseTo(248 * 1.1, within(0.5));
    }

    @Test
    void aReadingTakenBeforeThePartWasChangedMustBeTakenAgain() {
        ReadingFixture b = bench().read("V4.1", 3.1).read("V5.7", 250);
        b.alter(renewed("C14"));
        assertThat(b.row("V4.1").stale()).isTrue();
        assertThat(b.row("V4.1").verdict().key()).isEqualTo("verdict.stale");
        assertThat(b.row("V5.7").stale()).as("the supply was not touched").isFalse();
        assertThat(b.verdict().findings()).as("the old reading convicts nobody").isEmpty();
        assertThat(b.read("V4.1", 0.0).row("V4.1").standing()).isEqualTo(Standing.WITHIN);
    }

    /** Before and after a repair stand side by side; two readings of one state do not, nor does a lead lifted in between. */
    @Test
    void whatWasReadBeforeTheRepairIsSaid() {
        ReadingFixture b = bench().read("V4.1", 2.2).read("V4.1", 3.1).doubtful("V4.1", 9);
        assertThat(b.row("V4.1").before()).isEmpty();
        b.alter(renewed("C14"));
        b.read("V4.1", 0.0);
        assertThat(b.row("V4.1").before().orElseThrow().value()).isEqualTo(3.1);
        assertThat(new Words(Vocabulary.STANDARD).say(b.row("V4.1").said())).isEqualTo("within, was 3.1");
        assertThat(b.row("V5.7").before()).isEmpty();

        ReadingFixture lifted = bench().read("V4.1", 3.1);
        lifted.alter(new Alteration(
                UUID.randomUUID(),
                Instant.parse("2026-05-04T10:00:00Z"),
                "C14",
                AlterationKind.LIFTED,
                "",
                Extra.NONE));
        assertThat(lifted.read("V4.1", 0.0).row("V4.1").before()).isEmpty();
    }

    @Test
    void anUnchartedPointIsKeptAndListed() {
        ReadingFixture b = bench().read("V3.1", -0.6);
        assertThat(b.row("V3.1").standing()).isEqualTo(Standing.UNCHARTED);
        assertThat(b.row("V3.1").reading()).isPresent();
    }

    @Test
    void withoutAChartEveryWorkingPinIsOffered() {
        ReadingFixture b = new ReadingFixture(TestSets.wired(Arrangement.TRANSFORMER, "V1 6AQ5"));
        assertThat(b.verdict().rows())
                .extracting(r -> r.point().label())
                .containsExactly("V1.1", "V1.2", "V1.5", "V1.6", "V1.7");
    }

    @Test
    void stagesOffTheBandAreNotUsedThere() {
        ReadingFixture b = bench().read("V1.1", 0.0);
        b.under(b.condition().withBand("Pick-up"));
        assertThat(b.row("V1.1").standing()).isEqualTo(Standing.OFF_BY_DESIGN);
        assertThat(b.row("V5.7").standing()).as("the supply serves every band").isEqualTo(Standing.NOT_TAKEN);
    }

    @Test
    void theStripShowsTheWorstOfAStageAndItsSuspicion() {
        Judge.Verdict v = bench().read("V4.1", 3.1)
                .read("V4.2", 16)
                .read("V3.7", 80)
                .read("V2.6", 70)
                .verdict();
        assertThat(v.stages().get("Output").standing()).isEqualTo(Standing.OUT);
        assertThat(v.stages().get("Output").suspicion()).isEqualTo(1.0);
        assertThat(v.stages().get("IF").suspicion()).isBetween(0.1, 0.9);
        assertThat(v.stages().get("Audio").standing()).isEqualTo(Standing.WITHIN);
        assertThat(v.stages().get("Audio").suspicion()).isZero();
    }

    @Test
    void theStripIsTheBandsStagesThenTheSupply() {
        assertThat(Judge.strip(TestSets.audioEnd(), "Pick-up", Set.of(StripRow.SIGNAL)))
                .extracting(s -> s.name())
                .containsExactly("Audio", "Output");
        assertThat(Judge.strip(TestSets.audioEnd(), "AM", Set.of(StripRow.SUPPLY)))
                .extracting(s -> s.name())
                .containsExactly("Rectifier");
        assertThat(Judge.strip(TestSets.audioEnd(), "", Set.of(StripRow.SIGNAL)))
                .hasSize(4);
    }

    @Test
    void theSameEvidenceGivesTheSameVerdict() {
        ReadingFixture b = bench().read("V4.1", 3.1).read("V2.6", 70);
        assertThat(b.verdict()).isEqualTo(b.verdict());
    }

    @Test
    void alternatingAndDirectVoltsAtOnePointAreDifferentReadings() {
        ReadingFixture b = bench().read("V5.1", 229, Measure.AC_VOLTS, false);
        assertThat(b.row("V5.1").standing()).isEqualTo(Standing.WITHIN);
    }

    @Test
    void faultsAreWrittenInOneGrammar() {
        assertThat(Fault.parse("C12:leaky:1M").text()).isEqualTo("C12:leaky:1M");
        assertThat(Fault.parse("V2.6:joint").part()).isEqualTo("V2");
        assertThat(Fault.of("C14", FaultMode.LEAKY, 11.84e6).text()).isEqualTo("C14:leaky:12M");
        assertThatThrownBy(() -> Fault.parse("C12 leaky")).isInstanceOf(InputException.class);
        assertThatThrownBy(() -> Fault.parse("C12:sad")).isInstanceOf(InputException.class);
    }

    @Test
    void aSetOnAFewVoltsIsJudgedMoreFinely() {
        Chassis mains = TestSets.audioEnd();
        assertThat(Tolerances.usual(mains)).isEqualTo(Tolerances.STANDARD);
        Chassis battery = mains.withSupply(new Supply(Arrangement.BATTERY, 9, 0, "", Extra.NONE));
        assertThat(Tolerances.usual(battery).floor()).isBetween(0.04, 0.08);
    }
}
