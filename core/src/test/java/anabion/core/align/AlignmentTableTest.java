package anabion.core.align;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.command.AdjusterLine;
import anabion.core.command.AlignRequest;
import anabion.core.error.InputException;
import anabion.core.format.JobCodec;
import anabion.core.job.AlignmentEntry;
import anabion.core.job.AlignmentEntry.Given;
import anabion.core.job.AlignmentEntry.Kind;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Job;
import anabion.core.job.Step;
import anabion.core.job.StepState;
import anabion.core.job.WorkOrder;
import anabion.core.json.Extra;
import anabion.core.testing.SharedSets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What was done on the lines of an alignment, and the lines that are typed for it. */
class AlignmentTableTest {
    private static final Chassis SET = SharedSets.named("halcyon");
    private static final AlignmentProcedure PROCEDURE = AlignmentProcedureTest.of(SET, "AM");

    private static AlignmentEntry entry(Job job, Kind kind) {
        return AlignmentEntry.of(
                UUID.randomUUID(), Instant.EPOCH, kind, "AM", job.fitted().id());
    }

    private static AlignmentEntry entry(Job job, int line, Kind kind, double before, double after, double turns) {
        AlignmentLine l = PROCEDURE.lines().get(line);
        return entry(job, kind)
                .withPurpose(Optional.of(l.purpose()))
                .withAdjusters(l.letters())
                .withBefore(before)
                .withAfter(after)
                .withTurns(turns);
    }

    private static AlignmentEntry station(Job job, double dial, double heard) {
        return entry(job, Kind.STATION).withBefore(dial).withAfter(heard);
    }

    @Test
    void gainsAddUpAndMuchFromOneAdjusterWasSomebody() {
        Job job = Job.NEW;
        job = job.with(entry(job, 0, Kind.READ, 0.4, 2.0, 0.5));
        job = job.with(entry(job, 1, Kind.PEAK, 1.0, 1.2, 0));
        job = job.with(entry(job, 0, Kind.READ, 1.2, 1.3, -0.125));
        AlignmentTable t = AlignmentTable.of(SET, PROCEDURE, job);
        assertThat(t.rows().get(0).gained().orElseThrow()).isCloseTo(14.67, within(0.01));
        assertThat(t.rows().get(0).moved()).isTrue();
        assertThat(t.rows().get(0).turns()).isEqualTo(Map.of("A2", 0.375));
        assertThat(t.rows().get(1).moved()).isFalse();
        assertThat(t.next().orElseThrow()).isEqualTo(t.rows().get(2));
        assertThat(t.gained().orElseThrow()).isCloseTo(14.67 + 1.58, within(0.02));
    }

    @Test
    void theStepIsUnderWayFromTheFirstLineOn() {
        Job begun = Job.NEW.with(entry(Job.NEW, 0, Kind.PEAK, 0, 0, 0));
        assertThat(state(Job.NEW)).isEqualTo(StepState.OPEN);
        assertThat(state(begun)).isEqualTo(StepState.UNDER_WAY);
        assertThat(JobCodec.read(JobCodec.text(begun))).isEqualTo(begun);
    }

    private static StepState state(Job job) {
        return WorkOrder.of(SET, job, 0, 0).stream()
                .filter(i -> i.step() == Step.ALIGN)
                .findFirst()
                .orElseThrow()
                .state();
    }

    @Test
    void oneReadingAfterTheOtherCountsAsTwo() {
        Job job = Job.NEW;
        job = job.with(entry(job, 0, Kind.READ, 0, 0.5, 0));
        assertThat(AlignmentTable.of(SET, PROCEDURE, job).rows().get(0).done())
                .as("nothing was turned yet")
                .isFalse();
        job = job.with(entry(job, 0, Kind.READ, 0, 1.0, 0));
        AlignmentTable.Row row = AlignmentTable.of(SET, PROCEDURE, job).rows().get(0);
        assertThat(row.done()).isTrue();
        assertThat(row.gained().orElseThrow()).isCloseTo(6.02, within(0.01));
    }

    @Test
    void aPassThatGainedAsksForAnother() {
        Job job = Job.NEW;
        for (int n = 0; n < PROCEDURE.lines().size(); n++) job = job.with(entry(job, n, Kind.READ, 1, 1.3, 0));
        assertThat(AlignmentTable.of(SET, PROCEDURE, job).again()).isTrue();
        for (int n = 0; n < PROCEDURE.lines().size(); n++) job = job.with(entry(job, n, Kind.READ, 1.3, 1.35, 0));
        assertThat(AlignmentTable.of(SET, PROCEDURE, job).again()).isFalse();
    }

    @Test
    void aPartThatIsRenewedAsksForTheLinesOfItsCircuitAgainAndForNoOthers() {
        Job job = Job.NEW;
        for (int n = 0; n < PROCEDURE.lines().size(); n++) job = job.with(entry(job, n, Kind.PEAK, 0, 0, 0));
        job = job.with(station(job, 600e3, 600e3));
        String can = Alignment.suspects(SET, PROCEDURE, PROCEDURE.lines().get(0).adjusters())
                .get(0)
                .reference();
        AlignmentTable first = AlignmentTable.of(SET, PROCEDURE, renewed(job, can));
        assertThat(first.rows()).extracting(AlignmentTable.Row::done).containsExactly(false, true, true, true, true);
        assertThat(first.stations()).hasSize(1);
        AlignmentTable padder = AlignmentTable.of(SET, PROCEDURE, renewed(job, "C5"));
        assertThat(padder.rows()).extracting(AlignmentTable.Row::done).containsExactly(true, true, false, false, true);
        assertThat(padder.stations()).as("of another oscillator").isEmpty();
        assertThat(AlignmentTable.of(SET, PROCEDURE, renewed(job, "C14")).next())
                .isEmpty();
    }

    private static Job renewed(Job job, String part) {
        return job.altered(
                new Alteration(UUID.randomUUID(), Instant.EPOCH, part, AlterationKind.RENEWED, "", Extra.NONE));
    }

    @Test
    void aLineThatGotAnotherAdjusterKeepsWhatWasDoneOnIt() {
        Chassis more = AdjusterLine.put("A9 L4 side primary core", SET);
        AlignmentProcedure now = AlignmentProcedureTest.of(more, "AM");
        Job job = Job.NEW.with(entry(Job.NEW, 0, Kind.READ, 0.5, 1, 0));
        assertThat(now.lines().get(0).letters()).contains("A9");
        assertThat(AlignmentTable.of(more, now, job).rows().get(0).gained()).isPresent();
    }

    @Test
    void stationsHeardBeforeTheOscillatorWasTurnedCountNoMore() {
        Job job = Job.NEW;
        job = job.with(station(job, 580e3, 600e3));
        assertThat(AlignmentTable.of(SET, PROCEDURE, job).stations()).hasSize(1);
        job = job.with(entry(job, 3, Kind.PEAK, 0, 0, 0));
        assertThat(AlignmentTable.of(SET, PROCEDURE, job).stations()).isEmpty();
        job = job.with(station(job, 600e3, 600e3));
        Alignment a = new Alignment.Computed(SET, PROCEDURE, Optional.empty(), Optional.empty()).with(job);
        assertThat(a.table().stations()).hasSize(1);
        assertThat(a.advice().orElseThrow().turns()).isEmpty();
    }

    @Test
    void aLineWithoutAPeakAccusesWhatTunesIt() {
        assertThat(Alignment.suspects(SET, PROCEDURE, PROCEDURE.lines().get(0).adjusters()))
                .extracting(Part::reference)
                .contains("L4");
        assertThat(Alignment.suspects(SET, PROCEDURE, PROCEDURE.lines().get(3).adjusters()))
                .extracting(Part::reference)
                .containsExactly("C5", "C6", "L2");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1.2 2.0|READ|1.2|2.0|0",
                "1.2V → 2V|READ|1.2|2|0",
                "800mV > 1.1|READ|0.8|1.1|0",
                "2.0|READ|0|2|0",
                "peak|PEAK|0|0|0",
                "P|PEAK|0|0|0",
                "peak 1 1.4|PEAK|1|1.4|0",
                "no effect|NO_EFFECT|0|0|0",
                "no peak|NO_PEAK|0|0|0",
                "w|WORSE|0|0|0",
                "end|END|0|0|0",
                "broken core|BROKEN_CORE|0|0|0",
                "turned 1/2 right|READ|0|0|0.5",
                "turned 1 1/4 out 1.2 2|READ|1.2|2|-1.25",
                "turned 2 left peak|PEAK|0|0|-2"
            })
    void aTypedLine(String line, Kind kind, double before, double after, double turns) {
        assertThat(AlignRequest.parse(line))
                .isEqualTo(new AlignRequest.Take(Optional.empty(), kind, before, after, turns, Given.NOT_SAID));
    }

    @Test
    void aLetterNamesAnotherLineAndAStationIsNoReading() {
        assertThat(AlignRequest.parse("a5 no peak"))
                .isEqualTo(new AlignRequest.Take(Optional.of("A5"), Kind.NO_PEAK, 0, 0, 0, Given.NOT_SAID));
        assertThat(AlignRequest.parse("7 1.2 2"))
                .isEqualTo(new AlignRequest.Take(Optional.of("7"), Kind.READ, 1.2, 2, 0, Given.NOT_SAID));
        assertThat(AlignRequest.parse("600 reads 580")).isEqualTo(new AlignRequest.Station(600, 580));
        assertThat(AlignRequest.parse("leave as good as the reference set"))
                .isEqualTo(new AlignRequest.Leave("as good as the reference set"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "leave", "bitter", "A5", "turned", "turned 1/0 in", "0 0", "1 2 3 4", "600 reads", "peak x y"
            })
    void whatSaysNothingIsRefused(String line) {
        assertThatThrownBy(() -> AlignRequest.parse(line)).isInstanceOf(InputException.class);
    }

    private static AlignmentEntry given(Job job, int line, double after, Given given) {
        return entry(job, line, Kind.READ, 0, after, 0).withGiven(given);
    }

    /** A generator that was turned down by half, or moved away, while the output stayed: that much was gained. */
    @Test
    void whatTheGeneratorLostIsGained() {
        Job job = Job.NEW;
        job = job.with(given(job, 0, 1.0, new Given(100e-6, 0)));
        job = job.with(given(job, 0, 1.0, new Given(50e-6, 0)));
        assertThat(AlignmentTable.of(SET, PROCEDURE, job).rows().get(0).gained().orElseThrow())
                .isCloseTo(6.02, within(0.01));
        Job loop = Job.NEW;
        loop = loop.with(given(loop, 2, 1.0, new Given(0, 0.3)));
        loop = loop.with(given(loop, 2, 1.0, new Given(0, 0.6)));
        assertThat(AlignmentTable.of(SET, PROCEDURE, loop)
                        .rows()
                        .get(2)
                        .gained()
                        .orElseThrow())
                .isCloseTo(18.06, within(0.01));
        Job mixed = Job.NEW;
        mixed = mixed.with(given(mixed, 0, 1.0, new Given(100e-6, 0)));
        mixed = mixed.with(given(mixed, 0, 3.0, Given.NOT_SAID));
        assertThat(AlignmentTable.of(SET, PROCEDURE, mixed).rows().get(0).gained())
                .as("nobody knows how strong it was")
                .isEmpty();
    }

    /** The level falls as the output rises, and rises for a set that is far out of tune. */
    @Test
    void theLevelFallsAsTheSetComesIn() {
        double wanted = PROCEDURE.output().orElseThrow().wanted();
        assertThat(level(4 * wanted, 100e-6)).isCloseTo(25e-6, within(1e-9));
        assertThat(level(wanted / 4, 100e-6)).isCloseTo(400e-6, within(1e-9));
        assertThat(level(wanted / 1000, 100e-6)).as("in steps").isCloseTo(1e-3, within(1e-9));
        assertThat(level(wanted / 1000, 0.09))
                .as("and never more than generators have")
                .isCloseTo(0.1, within(1e-9));
    }

    private static double level(double after, double given) {
        Job job = Job.NEW.with(given(Job.NEW, 0, after, new Given(given, 0)));
        return AlignmentTable.of(SET, PROCEDURE, job)
                .rows()
                .get(0)
                .level(PROCEDURE.output())
                .orElseThrow();
    }

    /** What counts is how much comes to the detector: a strong generator at a set that is out of tune flattens nothing. */
    @Test
    void aPeakThatTheAvcFlattensIsSaid() {
        double knee = PROCEDURE.output().orElseThrow().knee().orElseThrow();
        double input = PROCEDURE.lines().get(0).knee().orElseThrow();
        assertThat(flattened(2 * knee, input / 10)).isTrue();
        assertThat(flattened(knee / 2, input * 10)).isFalse();
        assertThat(flattened(0, input * 2)).as("nothing read yet").isTrue();
        assertThat(flattened(0, input / 2)).isFalse();
    }

    private static boolean flattened(double after, double given) {
        Job job = Job.NEW.with(given(Job.NEW, 0, after, new Given(given, 0)));
        return AlignmentTable.of(SET, PROCEDURE, job).rows().get(0).flattened(PROCEDURE.output());
    }

    /** Behind the AVC volts are no decibels, and the level lies above the knee by design. */
    @Test
    void onTheControlLineTheLevelLiesAboveTheKnee() {
        Job job = Job.NEW.with(entry(Job.NEW, Kind.WATCH).withText("avc-volts"));
        job = job.with(entry(job, 0, Kind.READ, 2.1, 3.4, 0));
        AlignmentTable t = AlignmentTable.of(SET, PROCEDURE, job);
        AlignmentLine line = t.rows().get(0).line();
        assertThat(line.indicator()).isEqualTo(Indicator.AVC_VOLTS);
        assertThat(line.level().orElseThrow()).isGreaterThan(2 * line.knee().orElseThrow());
        assertThat(t.rows().get(0).flattened(PROCEDURE.output()))
                .as("that is what is watched")
                .isFalse();
        assertThat(t.rows().get(0).gained()).isEmpty();
        assertThat(t.rows().get(0).done()).isTrue();
    }

    @Test
    void levelsAreTypedInVoltsDecibelsAndCentimetres() {
        assertThat(((AlignRequest.Take) AlignRequest.parse("1.2 2.0 at 30uV")).given())
                .isEqualTo(new Given(30e-6, 0));
        assertThat(((AlignRequest.Take) AlignRequest.parse("A5 peak at 40 cm")).given())
                .isEqualTo(new Given(0, 0.4));
        Given milliwatt = ((AlignRequest.Take) AlignRequest.parse("at -60dBm")).given();
        assertThat(milliwatt.volts()).as("a thousandth of 0.22 V").isCloseTo(223.6e-6, within(1e-7));
        AlignRequest.Take scale = (AlignRequest.Take) AlignRequest.parse("-12dB -6dB");
        assertThat(20 * Math.log10(scale.after() / scale.before())).isCloseTo(6, within(1e-9));
        assertThat(AlignRequest.parse("watch eye")).isEqualTo(new AlignRequest.Watch(Indicator.EYE));
        assertThat(((AlignRequest.Take) AlignRequest.parse("1.2 0")).kind())
                .as("a detector at zero")
                .isEqualTo(Kind.PEAK);
        for (String wrong : List.of("1.2 at 30kg", "at -30uV", "at 0cm", "watch birds", "0 0"))
            assertThatThrownBy(() -> AlignRequest.parse(wrong)).as(wrong).isInstanceOf(InputException.class);
    }

    /** What was put back stands where it stood. */
    @Test
    void whatWasPutBackIsNotTurned() {
        Job job = Job.NEW;
        job = job.with(entry(job, 0, Kind.WORSE, 2.0, 1.5, 0.5));
        assertThat(AlignmentTable.of(SET, PROCEDURE, job).rows().get(0).turns()).isEmpty();
    }
}
