package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.AssignedRole.Basis;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.command.RoleLine;
import anabion.core.command.WiringLine;
import anabion.core.diagnosis.Diagnosis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Priors;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.error.InputException;
import anabion.core.format.ChassisCodec;
import anabion.core.recap.Item;
import anabion.core.recap.Planner;
import anabion.core.recap.Policy;
import anabion.core.recap.Stock;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.LeftToDeep;
import anabion.core.testing.SharedSets;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What parts do is typed: rules read it from there or see it in the circuit, and never from words. */
class PartRolesTest {
    static Stream<String> sets() {
        return Stream.of("halcyon", "brae", "lark", "rover", "trunk-road", "concerto", "true/moor");
    }

    /** Every role picked, and no free text left: written and read again, so that what is read is all there is. */
    private static Chassis withoutWords(Chassis set) {
        Chassis picked = set.withParts(set.parts().stream()
                .map(p -> p.withAssigned(p.role().map(AssignedRole::picked)))
                .map(p -> p.withRoleText("").withNote(""))
                .toList());
        return ChassisCodec.read(ChassisCodec.text(picked));
    }

    private static Chassis bare(Chassis set) {
        return set.withParts(set.parts().stream()
                .map(p -> p.withAssigned(Optional.empty()).withRoleText("").withNote(""))
                .toList());
    }

    @ParameterizedTest
    @MethodSource("sets")
    void noWordChangesWhatTheCircuitDoes(String name) {
        Chassis set = SharedSets.named(name);
        Chassis silent = withoutWords(set);
        Setting loud = Setting.of(set.supply().volts()).withControls(Controls.volume(set, 1));
        assertThat(Controls.volume(silent, 1)).isEqualTo(Controls.volume(set, 1));
        OperatingPoint told = new Simulator().solve(set, loud);
        OperatingPoint untold = new Simulator().solve(silent, loud);
        for (String net : Simulator.nets(set))
            assertThat(untold.volts(net).orElseThrow())
                    .as(net)
                    .isCloseTo(told.volts(net).orElseThrow(), within(1e-6));
        for (Band b : set.bands()) {
            Map<String, Double> heard = gains(silent, loud, b);
            gains(set, loud, b).forEach((stage, decibels) -> assertThat(heard.get(stage))
                    .as(b.name() + " " + stage)
                    .isCloseTo(decibels, within(1e-4)));
        }
        assertThat(Planner.plan(silent, Policy.USUAL, Stock.NONE).items())
                .extracting(Item::key, Item::role, Item::choice)
                .isEqualTo(Planner.plan(set, Policy.USUAL, Stock.NONE).items().stream()
                        .map(i -> org.assertj.core.groups.Tuple.tuple(i.key(), i.role(), i.choice()))
                        .toList());
    }

    private static Map<String, Double> gains(Chassis set, Setting loud, Band band) {
        Map<String, Double> all = new LinkedHashMap<>();
        Gains.of(new Simulator(), set, loud, band)
                .ifPresent(g -> g.gains().forEach(s -> all.put(s.stage() + " " + s.domain(), s.decibels())));
        return all;
    }

    /** Each set is weighed twice, which takes some ten seconds. */
    @LeftToDeep
    @ParameterizedTest
    @MethodSource("sets")
    void noWordChangesTheOdds(String name) {
        Chassis set = SharedSets.named(name);
        Map<String, Double> silent = odds(withoutWords(set));
        Map<String, Double> told = odds(set);
        told.forEach((cause, odds) ->
                assertThat(silent.getOrDefault(cause, 0.0)).as(cause).isCloseTo(odds, within(2e-3)));
    }

    private static Map<String, Double> odds(Chassis set) {
        PredictionModel predictions = new PredictionModel(set, Priors.USUAL);
        OperatingPoint sound = new Simulator().solve(set, Setting.fed(set));
        Part tube = set.parts().stream()
                .filter(p -> p.device().isPresent())
                .findFirst()
                .orElseThrow();
        String net = tube.nets().values().stream()
                .max(Comparator.comparingDouble(n -> Math.abs(sound.volts(n).orElse(0))))
                .orElseThrow();
        double volts = 0.8 * sound.volts(net).orElseThrow();
        Measurement.Volts read = new Measurement.Volts(net, net, Setting.fed(set), MeterSpec.parse("10M"));
        Map<String, Double> odds = new LinkedHashMap<>();
        Diagnosis.of(predictions, List.of(new Observation.Measured(read, volts))).suspects().stream()
                .forEach(s -> odds.put(s.causes().toString(), s.odds()));
        return odds;
    }

    /** Bands, stages and wiring alone: each signal takes the same path, and nearly every capacitor has its role. */
    @ParameterizedTest
    @MethodSource("sets")
    void theCircuitShowsTheSignalsPath(String name) {
        Chassis set = SharedSets.named(name);
        Chassis bare = bare(set);
        for (Band b : set.bands())
            assertThat(SignalPath.of(bare, b))
                    .as(b.name())
                    .hasToString(SignalPath.of(set, b).toString());
    }

    @Test
    void theCircuitShowsNineteenInTwentyOfTheCapacitorsRoles() {
        int all = 0;
        int same = 0;
        for (String name : sets().toList()) {
            Chassis set = SharedSets.named(name);
            List<Item> told = Planner.plan(set, Policy.USUAL, Stock.NONE).items();
            List<Item> seen = Planner.plan(bare(set), Policy.USUAL, Stock.NONE).items();
            for (int n = 0; n < told.size(); n++) {
                all++;
                if (told.get(n).role() == seen.get(n).role()) same++;
            }
        }
        assertThat(same).as("of %d", all).isGreaterThanOrEqualTo((int) Math.ceil(0.95 * all));
        assertThat(all).isGreaterThan(100);
    }

    @Test
    void whatIsPickedHoldsAgainstWordsAndCircuitAndIsStored() {
        Chassis set = SharedSets.named("halcyon");
        assertThat(set.part("L3").orElseThrow().assigned())
                .contains(new AssignedRole(PartRole.IF_TRANSFORMER, Basis.WORDS));
        Chassis picked = RoleLine.parse("role aerial coil: l3", set);
        assertThat(ChassisCodec.read(ChassisCodec.text(picked))
                        .part("L3")
                        .orElseThrow()
                        .assigned())
                .contains(AssignedRole.picked(PartRole.AERIAL_COIL));
        Chassis confirmed = RoleLine.parse("role: L3 L4", set);
        assertThat(confirmed.part("L4").orElseThrow().assigned())
                .contains(AssignedRole.picked(PartRole.IF_TRANSFORMER));
        Chassis back = RoleLine.parse("role none: L3", picked);
        assertThat(back.part("L3")).isEqualTo(set.part("L3"));
        assertThat(ChassisCodec.text(set))
                .as("what nobody picked is not written")
                .doesNotContain("partRole");
    }

    /** Lists in other hands: abbreviated, in capitals, in the words of another country. */
    @ParameterizedTest
    @CsvSource({
        "L9 100uH A B, RF choke, CHOKE",
        "L9 100uH A B, antenna loop, AERIAL_COIL",
        "L9 100uH A B, 1st IFT, IF_TRANSFORMER",
        "L9 100uH A B, I.F. transformer, IF_TRANSFORMER",
        "L9 100uH A B, interstage transformer, DRIVER_TRANSFORMER",
        "L9 100uH A B, POWER TRANSFORMER, MAINS_TRANSFORMER",
        "L9 100uH A B, local osc. coil, OSCILLATOR_COIL",
        "C99 365p A B, 2-gang variable, TUNING_GANG",
        "C99 47n A B, AGC filter, AVC_FILTER",
        "C99 500p A B, osc padder, PADDER",
        "R99 47k A B, osc grid leak, OSCILLATOR_GRID_LEAK"
    })
    void wordsOfOtherMakersSuggestTheSameRoles(String line, String words, PartRole role) {
        Chassis set = SharedSets.named("halcyon");
        assertThat(WiringLine.parse(line + " " + words, set).assigned()).contains(new AssignedRole(role, Basis.WORDS));
    }

    @Test
    void aRoleThatAPartCannotHaveIsRefusedWithThoseItCan() {
        Chassis set = SharedSets.named("halcyon");
        for (String line :
                List.of("role volume control: C14", "role nonsense: C14", "role trimmer L3", "role:", "role: R8"))
            assertThatThrownBy(() -> RoleLine.parse(line, set)).as(line).isInstanceOf(InputException.class);
        assertThatThrownBy(() -> RoleLine.parse("role choke: C14", set))
                .hasMessageContaining("C14")
                .hasMessageContaining("AVC filter");
    }
}
