package anabion.core.recap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.command.WiringLine;
import anabion.core.format.ListCodec;
import anabion.core.simulation.OddSupplies;
import anabion.core.testing.SharedSets;
import anabion.core.text.Phrase;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What capacitors do, found from the nets alone. */
class RolesTest {
    private final Chassis halcyon = SharedSets.named("halcyon");

    private static Item item(Plan plan, String key) {
        return plan.item(key).orElseThrow(() -> new AssertionError("no " + key));
    }

    @ParameterizedTest
    @CsvSource({
        "halcyon, C18.1, RESERVOIR",
        "halcyon, C18.2, SMOOTHING",
        "halcyon, C19, ACROSS_LINE",
        "halcyon, C20, LINE_TO_CHASSIS",
        "halcyon, C21, RECTIFIER_BUFFER",
        "halcyon, C1.2, TUNING",
        "halcyon, C3, OSCILLATOR_GRID",
        "halcyon, C8, IF_TUNING",
        "halcyon, C7, SCREEN_BYPASS",
        "halcyon, C23, CATHODE_BYPASS",
        "halcyon, C14, COUPLING",
        "halcyon, C17, COUPLING",
        "halcyon, C4, AVC_FILTER",
        "halcyon, C15, DETECTOR_BYPASS",
        "halcyon, C22, PLATE_BYPASS",
        "halcyon, C24, PLATE_TONE",
        "halcyon, C26, DECOUPLING",
        "brae, C19, ACROSS_LINE",
        "brae, C20, AERIAL_ISOLATOR",
        "brae, C18.1, RESERVOIR",
        "brae, C24, PLATE_TONE",
        "rover, C20, RESERVOIR",
        "rover, C22, SMOOTHING",
        "rover, C23, ACROSS_LINE",
        "rover, C19, PLATE_TONE",
        "lark, C13, COUPLING",
        "lark, C14, EMITTER_BYPASS",
        "lark, C4, EMITTER_BYPASS",
        "lark, C20, DECOUPLING",
        "lark, C6, AVC_FILTER",
        "lark, C12, DETECTOR_BYPASS",
        "trunk-road, C21, SPARK",
        "trunk-road, C18, CATHODE_BYPASS",
        "trunk-road, C19, SCREEN_BYPASS",
        "concerto, C28, RATIO_STABILISER",
        "concerto, C53, LINE_TO_CHASSIS",
        "concerto, C2, DECOUPLING",
        "true/moor, C9, OSCILLATOR_GRID",
        "true/moor, C20, RESERVOIR",
        "true/moor, C6, DECOUPLING"
    })
    void theNetsSayWhatACapacitorDoes(String set, String key, Role role) {
        Chassis bare = withoutRoles(SharedSets.named(set));
        Item found = item(Planner.plan(bare, Policy.USUAL, Stock.NONE), key);
        assertThat(found.role()).as(key).isEqualTo(role);
        assertThat(new Words(Vocabulary.STANDARD).say(found.why())).doesNotContain("recap.");
    }

    /** Only what cannot be seen from nets may be told: a spark filter is a capacitor like any other on its net. */
    private static Chassis withoutRoles(Chassis set) {
        List<Part> parts = new ArrayList<>();
        for (Part p : set.parts()) {
            boolean seen = p.is(PartRole.SPARK_FILTER);
            parts.add(seen ? p : p.withAssigned(Optional.empty()).withRoleText(""));
        }
        return set.withParts(parts);
    }

    private static Item added(Chassis set, String... lines) {
        Chassis grown = set;
        for (String line : lines) grown = ListCodec.withPart(grown, WiringLine.parse(line, grown));
        return item(
                Planner.plan(grown, Policy.USUAL, Stock.NONE),
                lines[lines.length - 1].split(" ")[0]);
    }

    @Test
    void feedbackIsKnownByItsEnds() {
        assertThat(added(halcyon, "R40 10k SPK V4.2", "C41 .05/200 SPK V4.2").role())
                .isEqualTo(Role.FEEDBACK);
    }

    /** Exact to the per cent, and for at least 1.6 kV, whatever is printed. */
    @Test
    void aVibratorsBufferKeepsItsValueAndBearsItsSpikes() {
        Chassis car = OddSupplies.VIBRATOR.set();
        var s = car.supply();
        Item buffer = added(
                car.withSupply(new anabion.core.chassis.Supply(s.arrangement(), 6.3, s.hertz(), s.note(), s.extra())),
                "C9 .0075/1000 S1A S2A");
        assertThat(buffer.role()).isEqualTo(Role.VIBRATOR_BUFFER);
        assertThat(buffer.choice().value()).isCloseTo(7.5e-9, within(1e-12));
        assertThat(buffer.choice().volts()).isGreaterThanOrEqualTo(1600);
    }

    /** Its positive end is at the chassis: the other way round it is said. */
    @Test
    void aBackBiasFilterStandsWithItsPositiveEndAtTheChassis() {
        Chassis lifted = halcyon.withParts(halcyon.parts().stream()
                .map(p -> p.reference().equals("T1") ? tapLifted(p) : p)
                .toList());
        Item right = added(lifted, "R41 68 BM CHASSIS", "C42 25@25 CHASSIS BM");
        assertThat(right.role()).isEqualTo(Role.BACK_BIAS);
        assertThat(right.stress().normal()).isBetween(1.0, 12.0);
        assertThat(right.choice().warnings()).extracting(Phrase::key).doesNotContain("recap.warn.reversed");
        Item wrong = added(lifted, "R41 68 BM CHASSIS", "C42 25@25 BM CHASSIS");
        assertThat(wrong.choice().warnings()).extracting(Phrase::key).contains("recap.warn.reversed");
    }

    private static Part tapLifted(Part t) {
        var nets = new java.util.LinkedHashMap<>(t.nets());
        nets.put("4", "BM");
        return t.withReference(t.reference(), nets);
    }
}
