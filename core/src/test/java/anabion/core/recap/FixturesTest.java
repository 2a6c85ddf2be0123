package anabion.core.recap;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.chassis.Chassis;
import anabion.core.signal.CircuitCheck;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.CircuitFixtures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.FieldSource;

/** The circuits of the tests that are neither demo sets nor typical circuits: checked, solved and planned. */
class FixturesTest {
    @ParameterizedTest
    @FieldSource("anabion.core.testing.CircuitFixtures#NAMES")
    void isSolvedAndEveryCapacitorHasARole(String name) {
        Chassis set = CircuitFixtures.named(name);
        assertThat(new Simulator().solve(set, Setting.of(set.supply().volts())).converged())
                .isTrue();
        assertThat(CircuitCheck.of(set))
                .extracting(r -> r.words().key())
                .doesNotContain("check.unsettled", "check.unknown-type", "check.no-supply");
        assertThat(Planner.plan(set, Policy.USUAL, Stock.NONE).items())
                .isNotEmpty()
                .allSatisfy(i -> assertThat(i.role()).as(i.key()).isNotEqualTo(Role.UNKNOWN));
    }

    /** A stage with a PNP transistor, positive to earth: the collector is negative, and the base a little above the emitter's volts. */
    @Test
    void aPositiveEarthIsNoOtherCircuit() {
        Chassis set = CircuitFixtures.named("transistors-pnp-positive-earth");
        OperatingPoint o = new Simulator().solve(set, Setting.of(6));
        double base = o.volts("Q1B").orElseThrow();
        double emitter = o.volts("Q1E").orElseThrow();
        assertThat(set.reference()).isEqualTo("EARTH");
        assertThat(emitter - base).as("germanium, a milliampere or two").isBetween(0.1, 0.2);
        assertThat(o.volts("Q1C").orElseThrow()).isBetween(-5.9, emitter);
    }

    /** Two cells: the base divider of the silicon stage leaves its base-emitter volts, worked out by hand within a tenth. */
    @Test
    void twoCellsFeedASiliconStage() {
        Chassis set = CircuitFixtures.named("transistors-npn-two-cells");
        assertThat(set.reference()).isEqualTo("GND");
        OperatingPoint o = new Simulator().solve(set, Setting.of(3));
        assertThat(o.volts("Q1B").orElseThrow()).isBetween(0.62, 0.73);
        assertThat(o.volts("Q1E").orElseThrow()).isBetween(0.01, 0.12);
    }

    /** Positive to earth with a vibrator: the buffer bears what the winding gives, the rail is positive. */
    @Test
    void aCarSetOfTwelveVoltsPositiveToEarth() {
        Chassis set = CircuitFixtures.named("car-12-v");
        Plan plan = Planner.plan(set, Policy.USUAL, Stock.NONE);
        assertThat(plan.item("C21").orElseThrow().role()).isEqualTo(Role.VIBRATOR_BUFFER);
        assertThat(plan.item("C20").orElseThrow().role()).isEqualTo(Role.SPARK);
        assertThat(plan.item("C18").orElseThrow().role()).isEqualTo(Role.RESERVOIR);
        assertThat(Stresses.high(set)).isCloseTo(14.4, org.assertj.core.api.Assertions.within(1e-9));
    }

    @Test
    void aDoublersPumpIsOne() {
        Item c = Planner.plan(CircuitFixtures.named("doubler"), Policy.USUAL, Stock.NONE)
                .item("C25")
                .orElseThrow();
        assertThat(c.role()).isEqualTo(Role.DOUBLER);
        assertThat(c.choice().volts()).as("√2 × 117 V × 1.1 and a margin").isGreaterThanOrEqualTo(200);
    }
}
