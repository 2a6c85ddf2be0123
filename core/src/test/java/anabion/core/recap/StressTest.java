package anabion.core.recap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Winding;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What capacitors bear, against what a restorer reckons. */
class StressTest {
    private static Item item(String set, String key) {
        return Planner.plan(SharedSets.named(set), Policy.USUAL, Stock.NONE)
                .item(key)
                .orElseThrow();
    }

    @Test
    void acrossTheLineStandsThePeakOfAHighLine() {
        assertThat(item("halcyon", "C19").stress().worst()).isCloseTo(Math.sqrt(2) * 1.1 * 230, within(3.0));
        assertThat(item("brae", "C19").stress().worst()).isCloseTo(Math.sqrt(2) * 1.1 * 230, within(3.0));
    }

    /** Before the tubes warm a grid's coupling capacitor bears the whole rail. */
    @Test
    void aCouplingCapacitorBearsTheRailUntilThePlateDraws() {
        Stress c14 = item("halcyon", "C14").stress();
        Stress rail = item("halcyon", "C18.2").stress();
        assertThat(c14.normal()).isBetween(60.0, 100.0);
        assertThat(c14.start()).isCloseTo(rail.start(), within(0.05 * rail.start()));
    }

    /** Sound swings an output plate to twice its direct volts. */
    @Test
    void atTheOutputPlateSoundCountsTwice() {
        Stress tone = item("halcyon", "C24").stress();
        double plate = new Simulator()
                .solve(SharedSets.named("halcyon"), Setting.of(230))
                .volts("V4.5")
                .orElseThrow();
        assertThat(tone.peak()).isBetween(2 * plate, 2.4 * plate);
        assertThat(item("halcyon", "C24").choice().volts()).isGreaterThanOrEqualTo(tone.peak());
    }

    /** The unloaded peak: √2 of the half secondary at high line, less next to nothing. */
    @ParameterizedTest
    @ValueSource(strings = {"halcyon", "concerto", "true/moor"})
    void beforeTheTubesWarmTheReservoirStandsNearThePeakOfItsWinding(String name) {
        Chassis set = SharedSets.named(name);
        Item reservoir = Planner.plan(set, Policy.USUAL, Stock.NONE).items().stream()
                .filter(i -> i.role() == Role.RESERVOIR)
                .findFirst()
                .orElseThrow();
        List<Winding> mains = set.parts().stream()
                .filter(p -> p.component() instanceof Component.Windings w
                        && w.windings().stream().filter(x -> x.volts() > 0).count() > 2)
                .map(p -> ((Component.Windings) p.component()).windings())
                .findFirst()
                .orElseThrow();
        double nominal = mains.get(0).volts();
        double half = mains.stream().skip(1).mapToDouble(Winding::volts).max().orElseThrow();
        double peak = Math.sqrt(2) * half * Stresses.HIGH * set.supply().volts() / nominal;
        assertThat(reservoir.stress().start()).isBetween(0.85 * peak, 1.02 * peak);
    }

    @Test
    void theRippleCurrentIsWhatTheRectifierGivesBeyondTheMean() {
        Chassis set = SharedSets.named("halcyon");
        var solved = new Simulator().solve(set, Setting.of(1.1 * 230));
        var cycle = solved.supplies().get("B1");
        double both = 2 * cycle.effective() * cycle.effective();
        assertThat(item("halcyon", "C18.1").stress().ripple())
                .isCloseTo(Math.sqrt(both - cycle.amperes() * cycle.amperes()), within(1e-6));
    }

    @Test
    void aTransistorSetBearsItsBatteryAndNoMore() {
        for (Item i :
                Planner.plan(SharedSets.named("lark"), Policy.USUAL, Stock.NONE).items())
            assertThat(i.stress().worst()).as(i.key()).isLessThan(2.5 * 9.9);
    }
}
