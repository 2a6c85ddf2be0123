package anabion.core.schematic;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.Stage;
import anabion.core.testing.SharedSets;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** From left to right: what drives a device, the device, what it feeds. */
class OrderTest {
    private final Chassis halcyon = SharedSets.named("halcyon");
    private static final Set<String> RAILS = Set.of("B1", "B2", "B3", "AVC");

    private static List<Object> order(Chassis set, String stage) {
        List<Part> parts = set.stage(stage).map(Stage::parts).orElseThrow().stream()
                .flatMap(r -> set.part(r).stream())
                .toList();
        return Order.of(
                parts.stream().flatMap(p -> Device.of(p).stream()).toList(),
                parts.stream().flatMap(p -> Branch.of(p).stream()).toList(),
                n -> !n.equals("CHASSIS") && !RAILS.contains(n));
    }

    private static int at(List<Object> order, String net) {
        assertThat(order).contains(net);
        return order.indexOf(net);
    }

    private static int device(List<Object> order) {
        for (int n = 0; n < order.size(); n++) if (order.get(n) instanceof Device) return n;
        throw new AssertionError("no device");
    }

    @Test
    void theGridLiesBeforeTheTubeAndPlateAndCathodeBehind() {
        List<Object> order = order(halcyon, "Output");
        assertThat(at(order, "V3.7")).isLessThan(at(order, "V4.1"));
        assertThat(at(order, "V4.1")).isLessThan(device(order));
        assertThat(device(order)).isLessThan(at(order, "V4.5"));
        assertThat(at(order, "V4.5")).isLessThan(at(order, "V4.2"));
        assertThat(at(order, "SPK")).as("beyond its transformer").isGreaterThan(at(order, "V4.5"));
    }

    @Test
    void railsAndTheChassisAreNoWires() {
        assertThat(order(halcyon, "IF")).doesNotContain("B2", "AVC", "CHASSIS");
    }

    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "brae", "lark", "concerto"})
    void everyNetStandsOnce(String name) {
        Chassis set = SharedSets.named(name);
        for (Stage s : set.stages()) {
            List<Object> order = order(set, s.name());
            assertThat(order).as("%s %s", name, s.name()).doesNotHaveDuplicates();
        }
    }

    @Test
    void aDrawingHasNoEmptyRowsAndNothingOutsideIt() {
        for (StageDrawing d :
                CircuitDrawing.of(halcyon, Optional.empty(), "rest").stages()) {
            assertThat(d.width()).as(d.stage()).isPositive();
            double top = d.symbols().stream().mapToDouble(Symbol::y).min().orElseThrow();
            assertThat(top).as("%s begins near its upper edge", d.stage()).isBetween(0.0, 12.0);
            for (Symbol s : d.symbols()) {
                assertThat(s.x()).as("%s %s", d.stage(), s.part()).isBetween(0.0, d.width());
                assertThat(s.y()).as("%s %s", d.stage(), s.part()).isBetween(0.0, d.height());
            }
            for (StageDrawing.Wire w : d.wires()) {
                assertThat(w.x1() == w.x2() || w.y1() == w.y2())
                        .as("%s: wires run straight", d.stage())
                        .isTrue();
                assertThat(Math.min(w.y1(), w.y2())).isGreaterThanOrEqualTo(-1e-9);
                assertThat(Math.max(w.y1(), w.y2())).isLessThanOrEqualTo(d.height());
            }
        }
    }

    @Test
    void aCansSectionsAndATransformersWindingsAreDrawnApart() {
        CircuitDrawing sheet = CircuitDrawing.of(halcyon, Optional.empty(), "rest");
        assertThat(sheet.stage("B1").orElseThrow().symbols())
                .filteredOn(s -> s.part().equals("C18"))
                .hasSize(2);
        assertThat(sheet.stage("IF").orElseThrow().symbols())
                .filteredOn(s -> s.part().equals("L3"))
                .hasSize(2);
        assertThat(sheet.stage("Rectifier").orElseThrow().symbols())
                .filteredOn(s -> s.part().equals("V5"))
                .extracting(Symbol::kind)
                .containsExactly(Symbol.Kind.DIODE, Symbol.Kind.DIODE);
    }
}
