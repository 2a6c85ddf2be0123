package anabion.core.power;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.coldcheck.ColdTable;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Job;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerStage;
import anabion.core.json.Extra;
import anabion.core.power.GateItem.Kind;
import anabion.core.power.GateItem.State;
import anabion.core.reading.Condition;
import anabion.core.reading.Reading;
import anabion.core.recap.Plan;
import anabion.core.recap.Planner;
import anabion.core.recap.Policy;
import anabion.core.recap.Stock;
import anabion.core.testing.CircuitFixtures;
import anabion.core.testing.SharedSets;
import anabion.core.typical.TypicalCircuit;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;

/** What keeps a set from being switched on. */
class GateTest {
    private static final Chassis SET = SharedSets.named("brae");
    private static final PowerModel MODEL = PowerModel.of(SET);
    private static final Plan RECAP = Planner.plan(SET, Policy.USUAL, Stock.NONE);

    private static List<GateItem> gate(Job job, Reading... readings) {
        return Gate.of(
                SET,
                job,
                ColdTable.of(SET, List.of(readings), job),
                Optional.of(RECAP),
                PowerProgress.plan(SET, job, MODEL),
                MODEL,
                List.of());
    }

    private static GateItem item(List<GateItem> gate, Kind kind) {
        return gate.stream().filter(i -> i.kind() == kind).findFirst().orElseThrow();
    }

    private static Reading ohms(String net, String against, double ohms) {
        return new Reading(
                UUID.randomUUID(),
                net,
                against,
                Measure.OHMS,
                ohms,
                false,
                Condition.of(230, new MeterSpec.Fixed(10e6), ""),
                Job.NEW.fitted().id(),
                Instant.EPOCH,
                Extra.NONE);
    }

    private static PowerEntry entry(Job job, PowerEntry.Kind kind, String what, String text) {
        return new PowerEntry(
                UUID.randomUUID(),
                Instant.EPOCH,
                kind,
                0,
                0,
                what,
                "",
                0,
                text,
                job.fitted().id(),
                Extra.NONE);
    }

    private static Job altered(String part, AlterationKind kind) {
        return Job.NEW.altered(new Alteration(UUID.randomUUID(), Instant.EPOCH, part, kind, "", Extra.NONE));
    }

    @Test
    void everythingIsMissingOnANewSetAndIsNamed() {
        List<GateItem> gate = gate(Job.NEW);
        assertThat(Gate.open(gate)).isFalse();
        assertThat(item(gate, Kind.COLD_CHECKS).state()).isEqualTo(State.MISSING);
        assertThat(item(gate, Kind.ISOLATION).why().key()).as("hot chassis").isEqualTo("power.gate.isolation.live");
        assertThat(item(gate, Kind.OUTPUT_COUPLING).why().fillings()).containsExactly("C14");
        assertThat(item(gate, Kind.OPEN_ENDS).state()).isEqualTo(State.MET);
    }

    @Test
    void aShortBarsAndNoReasonSetsItAside() {
        Job overruled =
                Job.NEW.with(entry(Job.NEW, PowerEntry.Kind.OVERRULED, Kind.COLD_CHECKS.code(), "I am in a hurry"));
        assertThat(item(gate(overruled), Kind.COLD_CHECKS).state()).isEqualTo(State.OVERRULED);
        GateItem shorted = item(gate(overruled, ohms("B1", "CHASSIS", 3)), Kind.COLD_CHECKS);
        assertThat(shorted.state()).isEqualTo(State.BARRED);
        assertThat(shorted.why().fillings().get(0)).isEqualTo("B1 – CHASSIS");
    }

    @Test
    void whatStandsOnTheBenchIsSaidAndHoldsForThisStateOfTheSet() {
        Job said = Job.NEW.with(entry(Job.NEW, PowerEntry.Kind.MET, Kind.FUSE.code(), ""));
        assertThat(item(gate(said), Kind.FUSE).state()).isEqualTo(State.MET);
        Job later = said.altered(
                new Alteration(UUID.randomUUID(), Instant.EPOCH, "C14", AlterationKind.RENEWED, "", Extra.NONE));
        assertThat(item(gate(later), Kind.FUSE).state())
                .as("after more work it is asked again")
                .isEqualTo(State.MISSING);
        assertThat(item(gate(later), Kind.OUTPUT_COUPLING).state()).isEqualTo(State.MET);
    }

    @Test
    void aDisconnectedPartAndAStandInAtTheMainsKeepItOff() {
        assertThat(item(gate(altered("R14", AlterationKind.LIFTED)), Kind.OPEN_ENDS)
                        .state())
                .isEqualTo(State.MISSING);
        String line = RECAP.items().stream()
                .filter(i -> i.role() == anabion.core.recap.Role.ACROSS_LINE)
                .findFirst()
                .orElseThrow()
                .piece()
                .part()
                .reference();
        assertThat(item(gate(altered(line, AlterationKind.STAND_IN)), Kind.TEMPORARY)
                        .state())
                .isEqualTo(State.BARRED);
        assertThat(item(gate(altered(fuse(), AlterationKind.STAND_IN)), Kind.TEMPORARY)
                        .state())
                .as("a wire for a fuse")
                .isEqualTo(State.BARRED);
        assertThat(gate(altered("C14", AlterationKind.STAND_IN)).stream().map(GateItem::kind))
                .as("elsewhere a stand-in may be powered")
                .doesNotContain(Kind.TEMPORARY);
    }

    @Test
    void aTransformerThatHasPassedItsColdTestWantsNoOther() {
        Chassis set = CircuitFixtures.typical(TypicalCircuit.FIVE_TUBE);
        PowerModel model = PowerModel.of(set);
        for (double ohms : List.of(50e6, 20e3)) {
            List<Reading> readings =
                    List.of(ohms("MAINS-L", set.reference(), ohms), ohms("MAINS-N", set.reference(), ohms));
            List<GateItem> gate = Gate.of(
                    set,
                    Job.NEW,
                    ColdTable.of(set, readings, Job.NEW),
                    Optional.empty(),
                    PowerProgress.plan(set, Job.NEW, model),
                    model,
                    List.of());
            assertThat(item(gate, Kind.ISOLATION).state()).isEqualTo(ohms > 1e6 ? State.MET : State.MISSING);
            assertThat(item(gate, Kind.FILTERS).why().key())
                    .as("a plan that could not be made is no clearance")
                    .isEqualTo("power.gate.no-plan");
        }
    }

    /** What a meter showed at the open lead needs nobody's word. */
    @Test
    void aPoleThatWasReadIsMet() {
        Chassis set = SharedSets.named("lark");
        PowerModel model = PowerModel.sound(set);
        List<StageTable> tables = StageTables.of(set, model, Optional.empty());
        StageTable.Row row = tables.get(0).rows().get(0);
        for (double volts : List.of(-9.1, 9.1)) {
            Job job = Job.NEW
                    .with(line(PowerEntry.Kind.BEGAN, row, PowerStage.POLARITY.code(), 0))
                    .with(line(PowerEntry.Kind.RAIL, row, row.point(), volts));
            List<GateItem> gate = Gate.of(
                    set,
                    job,
                    List.of(),
                    Optional.empty(),
                    PowerProgress.plan(set, job, model),
                    model,
                    StageProgress.of(job, tables));
            assertThat(item(gate, Kind.POLARITY).state()).isEqualTo(volts < 0 ? State.MET : State.MISSING);
        }
    }

    private static PowerEntry line(PowerEntry.Kind kind, StageTable.Row row, String what, double value) {
        return StageTablesTest.line(kind, row, what, value);
    }

    private static String fuse() {
        return SET.parts().stream()
                .filter(p -> p.component() instanceof Component.Fuse)
                .findFirst()
                .orElseThrow()
                .reference();
    }

    @Test
    void aFuseThatBlewWantsItsCause() {
        String fuse = fuse();
        Job renewed = altered(fuse, AlterationKind.RENEWED);
        assertThat(item(gate(renewed), Kind.CAUSE).state()).isEqualTo(State.MISSING);
        Job found = renewed.with(entry(renewed, PowerEntry.Kind.CAUSE, fuse, "C18 was shorted"));
        assertThat(item(gate(found), Kind.CAUSE).state()).isEqualTo(State.MET);
    }

    @Test
    void withEverythingSaidTheSetMayBeSwitchedOn() {
        Job job = Job.NEW;
        for (GateItem i : new ArrayList<>(gate(job)))
            job = job.with(entry(
                    job,
                    i.kind().isByHand() ? PowerEntry.Kind.MET : PowerEntry.Kind.OVERRULED,
                    i.kind().code(),
                    "seen to"));
        assertThat(Gate.open(gate(job))).isTrue();
    }
}
