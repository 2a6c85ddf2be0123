package anabion.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.job.Job;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerStage;
import anabion.core.json.Extra;
import anabion.core.power.StageTable.Row;
import anabion.core.power.StageTable.What;
import anabion.core.reading.Standing;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.Deep;
import anabion.core.testing.SharedSets;
import anabion.core.text.Phrase;
import anabion.core.typical.TypicalCircuit;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What is read before the whole set is on. */
class StageTablesTest {
    /** Solved once a set: it takes half a second. */
    private static final Map<Chassis, PowerModel> MODELS = new ConcurrentHashMap<>();

    private static PowerModel model(Chassis set) {
        return MODELS.computeIfAbsent(set, PowerModel::sound);
    }

    private static List<StageTable> tables(Chassis set) {
        return StageTables.of(set, model(set), Optional.empty());
    }

    static List<TypicalCircuit> typical() {
        return Deep.some("typical circuits whose stages are worked out", 5, List.of(TypicalCircuit.values()));
    }

    private static StageTable table(Chassis set, PowerStage stage) {
        return tables(set).stream().filter(t -> t.stage() == stage).findFirst().orElseThrow();
    }

    private static String why(Chassis set, PowerStage stage) {
        return table(set, stage).skipped().map(Phrase::key).orElse("");
    }

    /** 240 V and 6.5 V a half-winding and heater winding of 230 V, less what two pilot lamps let fall. */
    @Test
    void aTransformerAloneShowsItsWindingsAndTakesLittle() {
        List<Row> rows =
                table(SharedSets.named("halcyon"), PowerStage.TRANSFORMER).rows();
        assertThat(rows)
                .extracting(Row::what)
                .containsExactly(
                        What.ALTERNATING_VOLTS,
                        What.ALTERNATING_VOLTS,
                        What.ALTERNATING_VOLTS,
                        What.WATTS,
                        What.WARMTH);
        assertThat(rows.get(0).expected()).isCloseTo(240, within(3.0));
        assertThat(rows.get(2).expected()).isCloseTo(6.3, within(0.2));
        double whole = model(SharedSets.named("halcyon")).sound().at(230).watts();
        assertThat(rows.get(3).most()).as("watts without its tubes").isLessThan(whole / 3);
    }

    /** On the resistor that draws what the set draws, the rail stands where it stands with the set. */
    @Test
    void aRectifierOnItsLoadStandsAsWithTheSet() {
        for (TypicalCircuit t : List.of(TypicalCircuit.FIVE_TUBE, TypicalCircuit.AUTOTRANSFORMER)) {
            Chassis set = CircuitFixtures.typical(t);
            PowerModel model = model(set);
            StageTable table = table(set, PowerStage.RECTIFIER);
            Row last = table.rows().get(table.rows().size() - 1);
            assertThat(last.expected())
                    .as(t.name())
                    .isCloseTo(model.sound().at(model.nominal()).rail(last.point()), within(0.1 * last.expected()));
            assertThat(table.loadWatts()).isCloseTo(last.expected() * last.expected() / table.load(), within(1e-6));
        }
    }

    @Test
    void aLargerResistorLetsTheRailRise() {
        Chassis set = CircuitFixtures.typical(TypicalCircuit.AUTOTRANSFORMER);
        PowerModel model = model(set);
        List<StageTable> light = StageTables.of(set, model, Optional.of(47e3));
        assertThat(light.get(1).load()).isEqualTo(47e3);
        assertThat(light.get(1).rows().get(2).expected())
                .isGreaterThan(1.03 * tables(set).get(1).rows().get(2).expected());
    }

    @Test
    void whatASetCannotDoIsLeftOutWithItsReason() {
        Chassis brae = SharedSets.named("brae");
        assertThat(why(brae, PowerStage.TRANSFORMER)).isEqualTo("power.stage.no-transformer");
        assertThat(why(brae, PowerStage.RECTIFIER)).isEqualTo("power.stage.chain");
        Chassis soldered = CircuitFixtures.typical(TypicalCircuit.AUTOTRANSFORMER);
        assertThat(why(soldered, PowerStage.TRANSFORMER)).isEqualTo("power.stage.soldered");
        assertThat(why(CircuitFixtures.typical(TypicalCircuit.DC_MAINS), PowerStage.FILAMENTS))
                .isEqualTo("power.stage.filaments-chain");
    }

    /** Filaments in a chain behind the rail: with the tubes out, the electrolytic across a filament stands at the rail. */
    @Test
    void whatWouldBurstWithTheTubesOutIsNotPowered() {
        assertThat(why(SharedSets.named("rover"), PowerStage.FILAMENTS)).isEqualTo("power.stage.filaments-over");
        assertThat(why(SharedSets.named("rover"), PowerStage.RECTIFIER)).isEqualTo("power.stage.load-over");
    }

    @Test
    void everySocketOfABatterySetIsMeasuredBetweenThePinsThatAreFed() {
        List<Row> rows = table(CircuitFixtures.typical(TypicalCircuit.BATTERY_FOUR_TUBE), PowerStage.FILAMENTS)
                .rows();
        assertThat(rows).hasSize(4).allSatisfy(r -> assertThat(r.expected()).isCloseTo(1.4, within(0.1)));
    }

    @Test
    void thePoleAtTheLeadIsThatOfTheEarthOfTheSet() {
        assertThat(table(SharedSets.named("lark"), PowerStage.POLARITY)
                        .rows()
                        .get(0)
                        .expected())
                .as("positive at the reference")
                .isEqualTo(-9);
        assertThat(table(SharedSets.named("trunk-road"), PowerStage.POLARITY)
                        .rows()
                        .get(0)
                        .expected())
                .isEqualTo(12);
    }

    @Test
    void aVibratorRunsOnALoadAtFullVolts() {
        StageTable t = table(CircuitFixtures.typical(TypicalCircuit.CAR_VIBRATOR), PowerStage.VIBRATOR_ALONE);
        assertThat(t.rows()).extracting(Row::what).containsExactly(What.AMPERES, What.DIRECT_VOLTS);
        assertThat(t.rows().get(0).expected()).isGreaterThan(t.loadWatts() / 6.3);
    }

    /** Nothing is asked of a transformer alone that needs a tube, and everything of the whole set. */
    @Test
    void aStageAsksForItsOwnConditions() {
        assertThat(GateItem.Kind.LOADS.isAskedBefore(PowerStage.TRANSFORMER)).isFalse();
        assertThat(GateItem.Kind.FILTERS.isAskedBefore(PowerStage.TRANSFORMER)).isFalse();
        assertThat(GateItem.Kind.TEMPORARY.isAskedBefore(PowerStage.TRANSFORMER))
                .isTrue();
        assertThat(GateItem.Kind.FILTERS.isAskedBefore(PowerStage.RECTIFIER)).isTrue();
        for (GateItem.Kind k : GateItem.Kind.values())
            assertThat(k.isAskedBefore(PowerStage.WHOLE_SET)).isTrue();
    }

    static PowerEntry line(PowerEntry.Kind kind, Row row, String what, double value) {
        return new PowerEntry(
                UUID.randomUUID(),
                Instant.EPOCH,
                kind,
                row.line(),
                row.line(),
                what,
                row.against(),
                value,
                "",
                Job.NEW.fitted().id(),
                Extra.NONE);
    }

    private static Job begun(PowerStage stage, Row row) {
        return Job.NEW.with(line(PowerEntry.Kind.BEGAN, row, stage.code(), 0));
    }

    /** What a winding with shorted turns shows, as the engine has it. */
    @Test
    void shortedTurnsAreOutAlone() {
        Chassis set = SharedSets.named("halcyon");
        List<StageTable> tables = tables(set);
        StageTable alone = tables.get(0);
        Chassis bare =
                set.withParts(set.parts().stream().filter(p -> !p.isTube()).toList());
        double watts = new Simulator()
                .solve(bare, Setting.fed(set).withFaults(List.of(Fault.of("T1", FaultMode.SHORT))))
                .wattsFromMains();
        Row row = alone.rows().get(3);
        Job job = begun(PowerStage.TRANSFORMER, row).with(line(PowerEntry.Kind.WATTS, row, "", watts));
        StageProgress progress = StageProgress.of(job, tables).get(0);
        assertThat(progress.rows().get(3).standing()).isEqualTo(Standing.OUT);
        assertThat(progress.stop()).map(Phrase::key).contains("power.stage.stop.watts");
        assertThat(progress.passed()).isFalse();
    }

    @Test
    void aHotTransformerStopsAndWhatIsReadInAnotherStageDoesNotCount() {
        Chassis set = SharedSets.named("halcyon");
        List<StageTable> tables = tables(set);
        Row row = tables.get(0).rows().get(4);
        Job job = begun(PowerStage.TRANSFORMER, row).with(line(PowerEntry.Kind.WARMTH, row, Warmth.HOT.code(), 2));
        assertThat(StageProgress.of(job, tables).get(0).stop()).isPresent();
        Job other = begun(PowerStage.WHOLE_SET, row).with(line(PowerEntry.Kind.WARMTH, row, Warmth.HOT.code(), 2));
        assertThat(StageProgress.of(other, tables).get(0).rows()).allMatch(r -> r.standing() == Standing.NOT_TAKEN);
    }

    @Test
    void aStageIsPassedOnceAllIsReadAndRight() {
        Chassis set = CircuitFixtures.typical(TypicalCircuit.BATTERY_FOUR_TUBE);
        List<StageTable> tables = tables(set);
        StageTable filaments = table(set, PowerStage.FILAMENTS);
        Job job = begun(PowerStage.FILAMENTS, filaments.rows().get(0));
        for (Row r : filaments.rows()) job = job.with(line(PowerEntry.Kind.RAIL, r, r.point(), r.expected()));
        int at = tables.indexOf(filaments);
        assertThat(StageProgress.of(job, tables).get(at).passed()).isTrue();
        Row first = filaments.rows().get(0);
        Job burns = job.with(line(PowerEntry.Kind.RAIL, first, first.point(), 9));
        assertThat(StageProgress.of(burns, tables).get(at).stop())
                .map(Phrase::key)
                .contains("power.stage.stop.filaments.high");
    }

    /** What a rail stood at with one resistor says nothing with another. */
    @Test
    void anotherLoadIsReadAnew() {
        Chassis set = CircuitFixtures.typical(TypicalCircuit.AUTOTRANSFORMER);
        List<StageTable> tables = tables(set);
        Row row = tables.get(1).rows().get(0);
        Job job = begun(PowerStage.RECTIFIER, row).with(line(PowerEntry.Kind.RAIL, row, row.point(), row.expected()));
        assertThat(StageProgress.of(job, tables).get(1).rows().get(0).standing())
                .isEqualTo(Standing.WITHIN);
        Job other = job.with(line(PowerEntry.Kind.LOAD, row, "", 47e3));
        assertThat(StageProgress.of(other, tables).get(1).rows().get(0).standing())
                .isEqualTo(Standing.NOT_TAKEN);
    }

    /** A cell of 1.5 V too fresh for a filament of 1.4 V is told, and a second one in series stops. */
    @Test
    void aFilamentBearsLittleMore() {
        Row row = table(CircuitFixtures.typical(TypicalCircuit.BATTERY_FOUR_TUBE), PowerStage.FILAMENTS)
                .rows()
                .get(0);
        assertThat(row.most()).isBetween(1.5, 1.6);
    }

    /** Half a second each. Every circuit that people start from has its tables, and no row without a width. */
    @ParameterizedTest
    @MethodSource("typical")
    void everyTypicalCircuitHasItsStages(TypicalCircuit t) {
        Chassis set = CircuitFixtures.typical(t);
        assertThat(tables(set)).isNotEmpty().allSatisfy(table -> {
            assertThat(table.rows().isEmpty()).isEqualTo(table.skipped().isPresent());
            assertThat(table.rows()).allSatisfy(r -> {
                assertThat(r.least()).isLessThanOrEqualTo(r.expected());
                assertThat(r.most()).isGreaterThanOrEqualTo(r.expected());
                assertThat(r.most()).isGreaterThan(r.least());
            });
        });
    }
}
