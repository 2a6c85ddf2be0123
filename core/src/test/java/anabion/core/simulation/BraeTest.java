package anabion.core.simulation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.rectifier.Cycle;
import anabion.core.simulation.cold.ColdOhms;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;

/** A hot-chassis set with series heaters at work, sound and broken. */
class BraeTest {
    private static final Chassis SET = SharedSets.named("brae");
    private final Simulator engine = new Simulator();

    private OperatingPoint with(double line, String... faults) {
        OperatingPoint o = engine.solve(
                SET,
                Setting.of(line)
                        .withFaults(List.of(faults).stream().map(Fault::parse).toList()));
        assertThat(o.converged()).as(List.of(faults).toString()).isTrue();
        return o;
    }

    private double volts(String net, String... faults) {
        return with(230, faults).volts(net).orElseThrow();
    }

    @Test
    void everyHeaterHasItsVoltsAndTheDropperTheRest() {
        OperatingPoint o = with(230);
        assertThat(o.alternating("HC").orElseThrow() - o.alternating("HD").orElseThrow())
                .isCloseTo(31, within(2.0));
        assertThat(o.alternating("HD").orElseThrow() - o.alternating("HE").orElseThrow())
                .isCloseTo(45, within(3.0));
        assertThat(o.alternating("HE").orElseThrow() - o.alternating("HF").orElseThrow())
                .isCloseTo(12.6, within(1.0));
        assertThat(o.alternating("HG").orElseThrow()).isCloseTo(14, within(1.0));
        assertThat(o.mainsAmperes()).isBetween(0.1, 0.3);
    }

    @Test
    void oneHeaterOpenDarkensAllAndATubeRectifierGivesNothing() {
        for (String tube : List.of("V1", "V2", "V3", "V4", "V5")) {
            OperatingPoint o = with(230, tube + ":heater-open");
            assertThat(o.volts("B1").orElseThrow()).as(tube).isCloseTo(0, within(1.0));
            assertThat(o.wattsFromMains()).as(tube).isLessThan(1);
        }
        assertThat(volts("B1", "R20:open")).isCloseTo(0, within(1.0));
    }

    @Test
    void aShortedDropperOverheatsTheChain() {
        OperatingPoint o = with(230, "R20:short");
        assertThat(o.alternating("HC").orElseThrow()).isGreaterThan(200);
    }

    @Test
    void theRailHangsOnTheMainsItself() {
        Cycle usual = with(230).supplies().get("B1");
        Cycle low = with(200).supplies().get("B1");
        assertThat(low.volts() / usual.volts()).isBetween(0.8, 0.9);
        assertThat(usual.inverse()).isGreaterThan(450);
        assertThat(usual.effective() / usual.amperes()).isBetween(1.7, 3.0);
    }

    @Test
    void aDriedCanHumsAndABurntSurgeResistorStopsTheSet() {
        Cycle usual = with(230).supplies().get("B1");
        Cycle dried = with(230, "C18:dried").supplies().get("B1");
        assertThat(dried.ripple()).isGreaterThan(3 * usual.ripple());
        assertThat(dried.volts()).isLessThan(usual.volts() - 10);
        assertThat(volts("B1", "R19:open")).isCloseTo(0, within(3.0));
        assertThat(volts("B1", "R19:drifted:1k")).isLessThan(usual.volts() - 20);
    }

    @Test
    void theOscillatorPlateAndGridTellWhetherItRuns() {
        assertThat(volts("V1.4")).isBetween(-9.0, -3.0);
        String stopped = "L2.medium wave:open";
        assertThat(volts("V1.4", stopped) - volts("V1.7", stopped)).isBetween(-1.0, 0.2);
        assertThat(volts("V1.7", stopped)).as("the hexode draws more").isGreaterThan(volts("V1.7"));
        assertThat(volts("V1.3", "R2:open")).isLessThan(5);
    }

    @Test
    void aHeaterCathodeShortOfTheDetectorDoesNotMoveTheRail() {
        assertThat(volts("B1", "V3:heater-cathode")).isCloseTo(volts("B1"), within(2.0));
    }

    @Test
    void switchedOffNothingStandsAnywhere() {
        OperatingPoint off = engine.solve(
                SET,
                new Setting(
                        230,
                        "",
                        java.util.Map.of(),
                        java.util.Map.of("S1", "off"),
                        List.of(),
                        java.util.Map.of(),
                        true,
                        0,
                        0));
        assertThat(off.volts("B1").orElseThrow()).isCloseTo(0, within(0.5));
        assertThat(off.wattsFromMains()).isLessThan(0.5);
    }

    @Test
    void fromMainsToMainsThereIsTheHeaterChainColdAndNothingWhenItIsOpen() {
        Setting off = Setting.of(0);
        double chain = ColdOhms.between(SET, off, "MAINS-L", "MAINS-N", 1.5).ohms();
        assertThat(chain).isBetween(1150.0, 1700.0);
        Setting open = off.withFaults(List.of(Fault.parse("V2:heater-open")));
        assertThat(ColdOhms.between(SET, open, "MAINS-L", "MAINS-N", 1.5).ohms())
                .isGreaterThan(1e6);
        Setting shorted = off.withFaults(List.of(Fault.parse("C19:short")));
        assertThat(ColdOhms.between(SET, shorted, "MAINS-L", "MAINS-N", 1.5).ohms())
                .isLessThan(1);
    }
}
