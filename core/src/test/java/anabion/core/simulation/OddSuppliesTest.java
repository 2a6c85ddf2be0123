package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Bridges, doublers and vibrators are recognised from the nets. */
class OddSuppliesTest {
    private final Simulator engine = new Simulator();

    private OperatingPoint solve(OddSupplies kind, String... faults) {
        Chassis set = kind.set();
        OperatingPoint o = engine.solve(
                set,
                Setting.of(kind.volts())
                        .withFaults(List.of(faults).stream().map(Fault::parse).toList()));
        assertThat(o.converged()).isTrue();
        return o;
    }

    private double rail(OddSupplies kind, String... faults) {
        return solve(kind, faults).volts("B1").orElseThrow();
    }

    @Test
    void aBridgeGivesThePeakLessTwoDrops() {
        assertThat(rail(OddSupplies.BRIDGE)).isBetween(24 * Math.sqrt(2) - 4, 24 * Math.sqrt(2) - 1);
        double whole = solve(OddSupplies.BRIDGE).supplies().get("B1").ripple();
        double half = solve(OddSupplies.BRIDGE, "D1:open").supplies().get("B1").ripple();
        assertThat(half).as("with one half wave gone").isGreaterThan(1.6 * whole);
    }

    @Test
    void aDoublerWithACommonLineGivesNearlyTwicePeakAndNothingWithoutItsCapacitor() {
        double twice = 2 * 120 * Math.sqrt(2);
        assertThat(rail(OddSupplies.COMMON_LINE)).isBetween(0.75 * twice, 0.97 * twice);
        assertThat(rail(OddSupplies.COMMON_LINE, "C1:dried")).isLessThan(rail(OddSupplies.COMMON_LINE) - 15);
        assertThat(rail(OddSupplies.COMMON_LINE, "C1:open")).isCloseTo(0, within(1.0));
    }

    @Test
    void ofADoublerInSeriesEachHalfGivesOnePeakAndNothingIsLeftWithOneRectifierOpen() {
        double peak = 110 * Math.sqrt(2);
        OperatingPoint both = solve(OddSupplies.IN_SERIES);
        assertThat(both.volts("B1").orElseThrow()).isBetween(1.8 * peak, 2 * peak);
        assertThat(both.volts("AC2").orElseThrow()).isCloseTo(both.volts("B1").orElseThrow() / 2, within(2.0));
        assertThat(rail(OddSupplies.IN_SERIES, "D2:open"))
                .as("nothing brings the current back")
                .isCloseTo(0, within(1.0));
    }

    /** What little flows then runs through the insulation, so that no net is driven to volts that nothing gives. */
    @Test
    void aLineWhoseReturnIsOpenGivesNothing() {
        Chassis set = SharedSets.named("rover");
        OperatingPoint o =
                engine.solve(set, Setting.of(set.supply().volts()).withFaults(List.of(Fault.parse("S3:open:1/2"))));
        assertThat(o.converged()).isTrue();
        assertThat(o.volts("B0").orElseThrow()).isCloseTo(0, within(1.0));
        double peak = Math.sqrt(2) * set.supply().volts();
        for (String net : Simulator.nets(set))
            assertThat(Math.abs(o.volts(net).orElseThrow())).as(net).isLessThan(peak);
    }

    @Test
    void aVibratorLiftsTheBatteryByTheRatioOfTurnsAndIsStillWhenStuck() {
        assertThat(rail(OddSupplies.VIBRATOR)).isBetween(160.0, 230.0);
        assertThat(rail(OddSupplies.VIBRATOR, "S1:open")).isCloseTo(0, within(0.5));
        double low = engine.solve(OddSupplies.VIBRATOR.set(), Setting.of(5.5))
                .volts("B1")
                .orElseThrow();
        assertThat(low / rail(OddSupplies.VIBRATOR)).isCloseTo(5.5 / 6.3, within(0.06));
    }
}
