package anabion.core.tracing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.command.StudyLine;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Arrival;
import anabion.core.job.Complaint;
import anabion.core.job.FittedState;
import anabion.core.job.Heard;
import anabion.core.job.Job;
import anabion.core.job.Outcome;
import anabion.core.job.SignalKind;
import anabion.core.job.SymptomKind;
import anabion.core.json.Extra;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A set of which nobody has the circuit, and the display of a clock. */
class StageOddsTest {
    private static final Chassis MOOR = SharedSets.named("moor");

    /** Segments of a display that share chip and common rail. */
    private static final Chassis CLOCK = clock();

    private static Chassis clock() {
        Chassis c = MOOR;
        for (String stage :
                List.of("Chip", "Driver a", "Resistor a", "Segment a", "Driver b", "Resistor b", "Segment b"))
            c = StudyLine.stageOrBand(stage + ":", c);
        c = StudyLine.stageOrBand("display a = Chip, Driver a, Resistor a, Segment a", c);
        return StudyLine.stageOrBand("display b = Chip, Driver b, Resistor b, Segment b", c);
    }

    private static Heard at(String band, Heard.How how, String stage, Outcome outcome) {
        return new Heard(
                UUID.randomUUID(),
                Instant.EPOCH,
                band,
                how,
                band.equals("MW") || band.equals("LW") ? SignalKind.RF : SignalKind.LEVEL,
                stage,
                outcome,
                0,
                FittedState.AS_FOUND,
                Extra.NONE);
    }

    private static Job complaints(String band, SymptomKind symptom, String other, SymptomKind or) {
        List<Complaint> all =
                List.of(new Complaint(band, symptom, "", Extra.NONE), new Complaint(other, or, "", Extra.NONE));
        return Job.NEW.withArrival(new Arrival("", "", all, Set.of(), List.of(), "", Extra.NONE));
    }

    private static StageOdds odds(Chassis chassis, Job job) {
        return StageOdds.of(chassis, job, b -> true).orElseThrow();
    }

    private static StageOdds.Cause first(StageOdds odds) {
        return odds.odds().keySet().iterator().next();
    }

    @Test
    void nothingTriedSaysNothing() {
        assertThat(StageOdds.of(MOOR, Job.NEW, b -> true)).isEmpty();
    }

    /** One band plays: what it shares is cleared, and what only the silent one has there is left. */
    @Test
    void aBandThatPlaysClearsWhatItShares() {
        Job job = complaints("MW", SymptomKind.DEAD, "LW", SymptomKind.FINE);
        StageOdds odds = odds(MOOR, job);
        assertThat(first(odds).band()).isEqualTo("MW");
        assertThat(odds.odds().get(new StageOdds.Cause("Output", ""))).isLessThan(0.05);
        Job both = complaints("MW", SymptomKind.DEAD, "LW", SymptomKind.DEAD);
        assertThat(first(odds(MOOR, both)).band()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"RF 1, RF 2", "RF 2, Detector", "Detector, Output"})
    void injectionsLeaveTheStageBetween(String silent, String loud) {
        Job job = Job.NEW
                .with(at("MW", Heard.How.INJECT, loud, Outcome.LOUD))
                .with(at("MW", Heard.How.INJECT, silent, Outcome.NOTHING));
        StageOdds odds = odds(MOOR, job);
        assertThat(first(odds).stage()).isEqualTo(silent);
        assertThat(odds.of(silent)).isGreaterThan(0.45);
        assertThat(odds.odds().values().stream().mapToDouble(x -> x).sum() + odds.other())
                .isCloseTo(1, within(1e-12));
    }

    /** A tracer says the same from the other side. */
    @Test
    void aTracerFindsTheSameStage() {
        Job job = Job.NEW
                .with(at("MW", Heard.How.TAP, "RF 2", Outcome.LOUD))
                .with(at("MW", Heard.How.TAP, "Detector", Outcome.NOTHING));
        assertThat(first(odds(MOOR, job)).stage()).isEqualTo("RF 2");
    }

    @Test
    void theOrderInWhichThingsWereTriedDoesNotMatter() {
        List<Heard> all = new ArrayList<>(List.of(
                at("MW", Heard.How.INJECT, "Output", Outcome.WEAK),
                at("MW", Heard.How.TAP, "Detector", Outcome.LOUD),
                at("LW", Heard.How.INJECT, "RF 1", Outcome.NOTHING)));
        Job one = Job.NEW;
        for (Heard h : all) one = one.with(h);
        Collections.reverse(all);
        Job two = Job.NEW;
        for (Heard h : all) two = two.with(h);
        StageOdds.Cause cause = first(odds(MOOR, one));
        assertThat(odds(MOOR, two).odds().get(cause))
                .isCloseTo(odds(MOOR, one).odds().get(cause), within(1e-12));
    }

    @Test
    void humOnAllBandsPointsToTheSupply() {
        Job job = complaints("MW", SymptomKind.HUM, "LW", SymptomKind.HUM);
        assertThat(first(odds(MOOR, job)).stage()).isEqualTo("Rectifier");
    }

    /** After a repair what was tried before says nothing any more. */
    @Test
    void aRepairAsksAnew() {
        Job job = Job.NEW
                .with(at("MW", Heard.How.INJECT, "Output", Outcome.NOTHING))
                .altered(new Alteration(new UUID(6, 6), Instant.EPOCH, "V4", AlterationKind.RENEWED, "", Extra.NONE));
        assertThat(StageOdds.of(MOOR, job, b -> true)).isEmpty();
    }

    /** The other segment lights, so that chip and common rail are good; the level is right at the driver and lost at the resistor. */
    @Test
    void aDarkSegmentLeadsToItsOwnDriver() {
        Job job = complaints("a", SymptomKind.SEGMENT_WRONG, "b", SymptomKind.FINE);
        StageOdds untested =
                StageOdds.of(CLOCK, job, b -> b.kind() == BandKind.DISPLAY).orElseThrow();
        assertThat(untested.of("Chip"))
                .as("the common part, but for its own pin")
                .isLessThan(untested.of("Driver a"));
        assertThat(untested.covers("Output")).isFalse();
        Job tapped = job.with(at("a", Heard.How.TAP, "Driver a", Outcome.LOUD))
                .with(at("a", Heard.How.TAP, "Resistor a", Outcome.NOTHING));
        StageOdds odds =
                StageOdds.of(CLOCK, tapped, b -> b.kind() == BandKind.DISPLAY).orElseThrow();
        assertThat(first(odds).stage()).isEqualTo("Driver a");
        assertThat(odds.of("Driver a")).isGreaterThan(0.5);
    }

    @Test
    void pointsOfABandOfWhichOnlyStagesAreKnown() {
        Band mw = MOOR.band("MW").orElseThrow();
        List<TracePoint> points = TraceTable.points(MOOR, mw);
        assertThat(points).extracting(TracePoint::stage).containsExactlyElementsOf(reversed(mw.stages()));
        assertThat(points)
                .extracting(TracePoint::signal)
                .containsExactly(
                        SignalKind.AF, SignalKind.AF, SignalKind.RF, SignalKind.RF, SignalKind.RF, SignalKind.RF);
        assertThat(points.get(1).farads()).isGreaterThan(100 * points.get(3).farads());
        assertThat(TraceTable.points(CLOCK, CLOCK.band("a").orElseThrow()))
                .hasSize(4)
                .allMatch(p -> p.signal() == SignalKind.LEVEL);
    }

    private static List<String> reversed(List<String> stages) {
        List<String> all = new ArrayList<>(stages);
        Collections.reverse(all);
        return all;
    }

    /** A plate carries sound, too, and the whole rail: no finger there. */
    @Test
    void noFingerOnAPlate() {
        Chassis halcyon = SharedSets.named("halcyon");
        List<TracePoint> points = TraceTable.points(halcyon, halcyon.band("AM").orElseThrow());
        assertThat(points).extracting(TracePoint::point).contains("V4.5", "V4.1", "V3.7");
        assertThat(points)
                .filteredOn(p -> TraceTable.touchable(halcyon, p))
                .extracting(TracePoint::point)
                .containsExactly("V4.1", "V3.1");
    }

    /** A finger only at points of sound, and never where the mains can reach the chassis. */
    @Test
    void aFingerIsForIsolatedSetsAlone() {
        Chassis hot = SharedSets.named("brae");
        for (TracePoint p : TraceTable.points(hot, hot.bands().get(0)))
            assertThat(TraceTable.touchable(hot, p)).isFalse();
        List<TracePoint> points = TraceTable.points(MOOR, MOOR.bands().get(0));
        assertThat(points).filteredOn(p -> TraceTable.touchable(MOOR, p)).allMatch(p -> p.signal() == SignalKind.AF);
        assertThat(TraceTable.touchable(MOOR, points.get(1))).isTrue();
        assertThat(TraceTable.touchable(MOOR, points.get(0))).as("the speaker").isFalse();
    }
}
