package anabion.core.simulation.tolerance;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Spread of what a meter shows. */
class SpreadTest {
    private static final Chassis SET = SharedSets.named("halcyon");
    private static final Setting USUAL = Setting.of(230);

    private Spread with(String meter) {
        return Spread.of(
                        new Simulator(),
                        SET,
                        USUAL,
                        MeterSpec.parse(meter),
                        List.of("V3.7", "B1", "B2", "V2.6", "CHASSIS"))
                .orElseThrow();
    }

    @Test
    void railsMoveTogetherAndAScreenMostlyWithItsFeed() {
        Spread s = with("10M");
        assertThat(s.correlation(1, 2)).isGreaterThan(0.9);
        assertThat(s.correlation(2, 1)).isEqualTo(s.correlation(1, 2));
        assertThat(s.correlation(1, 1)).isCloseTo(1, within(1e-9));
        assertThat(s.readings().get(3).shares().get("R7")).isNegative();
        assertThat(s.readings().get(4).deviation()).isZero();
        assertThat(s.correlation(4, 1)).isZero();
    }

    @Test
    void aMeterThatLoadsAPlateTakesPartOfItsSpread() {
        Spread light = with("10M");
        Spread heavy = with("1k/V@100");
        assertThat(heavy.readings().get(0).volts())
                .isLessThan(0.95 * light.readings().get(0).volts());
        assertThat(heavy.readings().get(0).deviation())
                .isLessThan(light.readings().get(0).deviation());
        double lossless = light.readings().get(1).deviation();
        assertThat(heavy.readings().get(1).deviation()).isCloseTo(lossless, within(0.02 * lossless));
    }

    /** The quick way, by a resistor's own current, against the slow one: both specimens solved. */
    @Test
    void aResistorsShareIsWhatChangingItDoes() {
        Spread s = with("10M");
        Setting more = USUAL.withTrims(java.util.Map.of("R7", 1.01));
        double before = new Simulator().solve(SET, USUAL).volts("V2.6").orElseThrow();
        double after = new Simulator().solve(SET, more).volts("V2.6").orElseThrow();
        double perDeviation = (after - before) / 0.01 * 0.1; // a resistor of 20 %
        assertThat(s.readings().get(3).shares().get("R7"))
                .isCloseTo(perDeviation, within(0.03 * Math.abs(perDeviation)));
    }
}
