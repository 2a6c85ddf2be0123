package anabion.core.recap;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.job.PartTest;
import anabion.core.schematic.CircuitDrawing;
import anabion.core.schematic.StageDrawing;
import anabion.core.testing.SharedSets;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What every plan of a demo set must have in common, and what the schools differ in. */
class TypicalPlansTest {
    private static Plan plan(String name, String words) {
        return Planner.plan(SharedSets.named(name), Policy.USUAL.with(words), Stock.NONE);
    }

    private static Set<String> keys(Plan plan, Choice.Action action) {
        return plan.items().stream()
                .filter(i -> i.choice().action() == action)
                .map(Item::key)
                .collect(Collectors.toSet());
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "rover", "lark", "trunk-road", "concerto", "true/moor"})
    void whatTunesStaysAndNoRoleIsLeftOpen(String name) {
        for (Item i : plan(name, "").items()) {
            if (i.role().rule() == Role.Rule.TUNED)
                assertThat(i.choice().action()).as(i.key()).isEqualTo(Choice.Action.KEEP);
            assertThat(i.role()).as("%s %s", name, i.key()).isNotEqualTo(Role.UNKNOWN);
            assertThat(i.choice().rule().key()).startsWith("recap.rule.");
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "rover", "concerto", "true/moor"})
    void aMainsSetHasOneReservoirAndItsSmoothing(String name) {
        Plan plan = plan(name, "");
        assertThat(plan.items()).filteredOn(i -> i.role() == Role.RESERVOIR).hasSize(1);
        assertThat(plan.items()).filteredOn(i -> i.role() == Role.SMOOTHING).isNotEmpty();
    }

    /** What is tested only is otherwise renewed, and nothing else moves between the schools. */
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "lark", "concerto"})
    void theSchoolsDifferInWhatIsTestedFirst(String name) {
        Plan all = plan(name, "all");
        Plan tested = plan(name, "tested");
        Set<String> renewed = new HashSet<>(keys(all, Choice.Action.RENEW));
        Set<String> either = new HashSet<>(keys(tested, Choice.Action.RENEW));
        either.addAll(keys(tested, Choice.Action.TEST));
        // what is younger than the set every school tests
        either.removeAll(keys(all, Choice.Action.TEST));
        assertThat(either).isEqualTo(renewed);
        assertThat(keys(tested, Choice.Action.KEEP)).isEqualTo(keys(all, Choice.Action.KEEP));
        assertThat(keys(plan(name, "power-first"), Choice.Action.RENEW)).isEqualTo(renewed);
    }

    @ParameterizedTest
    @CsvSource({"0.1, 250e3, RENEW", "0.2, 250e3, KEEP", "0.2, 270e3, RENEW", "0.1, 225e3, KEEP", "0.2, 150e3, RENEW"})
    void resistorsAreRenewedByTheSchoolsDrift(double drift, double ohms, Choice.Action action) {
        Policy policy = new Policy(Policy.Scope.ALL, Policy.Cans.RESTUFF, Policy.Rounding.NEAREST, drift);
        Map<String, PartTest> tests = Map.of("R13", new PartTest("R13", PartTest.What.VALUE, ohms, 0, 0));
        Plan plan = Planner.plan(SharedSets.named("halcyon"), policy, Stock.NONE, Map.of(), tests);
        assertThat(plan.resistors())
                .filteredOn(r -> r.part().reference().equals("R13"))
                .extracting(Plan.ResistorItem::action)
                .containsExactly(action);
    }

    /** A resistor near its rating is named with one that takes twice its heat. */
    @Test
    void warmResistorsAreRatedAnew() {
        for (Plan.ResistorItem r : plan("concerto", "").resistors()) {
            assertThat(r.watts()).as(r.part().reference()).isGreaterThan(0.6 * r.rated());
            assertThat(r.wanted()).isGreaterThanOrEqualTo(2 * r.watts());
            assertThat(((Component.Resistor) r.part().component()).watts()).isEqualTo(r.rated());
        }
    }

    /** Every part that a plan names can be found on the drawn circuit. */
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark"})
    void whatIsPlannedIsDrawn(String name) {
        Chassis set = SharedSets.named(name);
        Set<String> drawn = new HashSet<>();
        for (StageDrawing d : CircuitDrawing.of(set, Optional.empty(), "rest").stages())
            d.symbols().forEach(s -> drawn.add(s.part()));
        List<String> planned = plan(name, "").batches().stream()
                .flatMap(b -> b.keys().stream())
                .map(k -> k.replaceFirst("\\.\\d+$", ""))
                .toList();
        assertThat(drawn).containsAll(planned);
        assertThat(planned).allMatch(k -> set.part(k).map(Part::reference).isPresent());
    }
}
