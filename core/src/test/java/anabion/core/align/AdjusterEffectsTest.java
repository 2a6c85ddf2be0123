package anabion.core.align;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.signal.FrontEnd;
import anabion.core.signal.FrontEnd.Circuit;
import anabion.core.signal.FrontEnd.Turned;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Where adjusters stand, and what that makes of the circuits: each counts once. */
class AdjusterEffectsTest {
    private static final Chassis SET = SharedSets.named("halcyon");

    private static Circuit oscillator() {
        return FrontEnd.of(
                        new Simulator(), SET, Setting.fed(SET), SET.band("AM").orElseThrow())
                .orElseThrow()
                .circuits()
                .get(0);
    }

    @Test
    void thoseOfTheIntermediateFrequencyAreTrimsAndThoseOfTheGangAreNot() {
        AdjusterEffects e = new AdjusterEffects(SET);
        Map<String, Double> shares = Map.of("A1", 0.1, "A5", 0.2, "A6", -0.1, "A7", 0.3);
        assertThat(e.trims(shares)).hasSize(1).containsValue(1.1);
        assertThat(e.trims(shares).keySet().iterator().next()).startsWith("L4");
        Circuit c = oscillator();
        Turned t = e.turned(c, shares, Map.of());
        assertThat(t.padder()).isCloseTo(0.9, within(1e-12));
        assertThat(t.trimmer()).as("a fifth of the 30 pF of C6").isCloseTo(6e-12, within(1e-15));
        assertThat(t.core()).as("it has no adjuster").isEqualTo(1);
    }

    /** A specimen's own parts count beside what was turned. */
    @Test
    void whatASpecimenIsOffComesOnTop() {
        Circuit c = oscillator();
        Map<String, Double> off = Map.of("C5", 1.02, c.coil().reference() + "." + c.winding(), 0.97);
        Turned t = new AdjusterEffects(SET).turned(c, Map.of("A6", 0.1), off);
        assertThat(t.padder()).isCloseTo(1.02 * 1.1, within(1e-12));
        assertThat(t.core()).isCloseTo(0.97, within(1e-12));
        assertThat(t.trimmer()).isZero();
    }
}
