package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.error.InputException;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Seven germanium transistors on a positive earth, sound and broken. */
class LarkTest {
    private static final Chassis SET = SharedSets.named("lark");
    private final Simulator engine = new Simulator();

    private double volts(String net, String... faults) {
        OperatingPoint o = engine.solve(
                SET,
                Setting.of(9)
                        .withFaults(List.of(faults).stream().map(Fault::parse).toList()));
        assertThat(o.converged()).as(List.of(faults).toString()).isTrue();
        return o.volts(net).orElseThrow();
    }

    @Test
    void everyTransistorHasItsJunctionDrop() {
        for (String q : List.of("Q1", "Q2", "Q3", "Q4", "Q5")) {
            double drop = volts(q + ".2") - volts(q + ".1");
            assertThat(drop).as(q).isBetween(-0.25, -0.08);
        }
    }

    @Test
    void emitterCurrentIsEmitterVoltsByItsResistor() {
        assertThat(-volts("Q4.1") / 1e3).isBetween(0.8e-3, 1.4e-3);
        double collector = (volts("NEG2") - volts("Q4.3")) / 3900;
        assertThat(-collector).isCloseTo(-volts("Q4.1") / 1e3, within(0.1e-3));
    }

    @Test
    void anOpenTransistorLeavesItsCollectorAtTheRail() {
        assertThat(volts("Q4.3", "Q4:open")).isCloseTo(volts("NEG2", "Q4:open"), within(0.1));
        assertThat(volts("Q4.1", "Q4:open")).isCloseTo(0, within(0.05));
    }

    @Test
    void aShortedOneBringsCollectorAndEmitterTogether() {
        assertThat(volts("Q4.3", "Q4:short")).isCloseTo(volts("Q4.1", "Q4:short"), within(0.1));
    }

    /** Shorted base to emitter it carries nothing; what leaks into its base turns it on. */
    @Test
    void aJunctionFailsByItself() {
        assertThat(volts("Q4.3", "Q4.be:short")).isCloseTo(volts("NEG2", "Q4.be:short"), within(0.1));
        assertThat(volts("Q4.2", "Q4.be:short")).isCloseTo(volts("Q4.1", "Q4.be:short"), within(0.01));
        assertThat(volts("Q4.1", "Q4.bc:leaky:5k")).isLessThan(volts("Q4.1") - 0.3);
        assertThat(volts("Q4.3", "Q4.3:joint"))
                .as("behind an open collector's joint")
                .isCloseTo(volts("NEG2", "Q4.3:joint"), within(0.1));
        assertThatThrownBy(() -> volts("Q4.1", "Q4.be:leaky"))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("Q4.bc");
    }

    @Test
    void leakageAndLowGainMoveTheEmitterAsTheyShould() {
        assertThat(volts("Q4.1", "Q4:leaky")).isLessThan(volts("Q4.1") - 0.04);
        assertThat(volts("Q4.1", "Q4:gain:0.1")).isGreaterThan(volts("Q4.1") + 0.02);
    }

    @Test
    void anOpenBiasResistorCutsTheStageOff() {
        assertThat(volts("Q5.1", "R16:open")).isCloseTo(0, within(0.05));
        assertThat(volts("Q5.1", "R17:open")).isLessThan(volts("Q5.1") - 0.5);
    }

    @Test
    void aTiredBatterySagsUnderTheSet() {
        assertThat(volts("NEG", "BT1:weak")).isGreaterThan(volts("NEG") + 0.1);
        OperatingPoint flat = engine.solve(SET, Setting.of(6));
        assertThat(flat.volts("NEG").orElseThrow()).isBetween(-6.0, -5.8);
    }

    @Test
    void theOutputPairIdlesOnAFewMilliamperes() {
        double idle = -volts("OE") / 4.7;
        assertThat(idle).isBetween(2e-3, 15e-3);
        assertThat(-volts("OE", "R21:open") / 4.7)
                .as("bias lost: they run away")
                .isGreaterThan(10 * idle);
    }

    @Test
    void aSetOnABatteryTakesNothingFromTheMains() {
        OperatingPoint o = engine.solve(SET, Setting.of(9));
        assertThat(o.mains()).isEmpty();
        assertThat(o.supplies()).isEmpty();
        assertThat(o.mainsAmperes()).isZero();
        assertThat(o.alternating("NEG").orElseThrow()).isZero();
    }
}
