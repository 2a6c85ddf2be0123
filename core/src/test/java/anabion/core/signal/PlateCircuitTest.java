package anabion.core.signal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.chassis.Chassis;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.model.Curves;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import anabion.core.testing.SharedSets;
import java.util.List;
import org.junit.jupiter.api.Test;

class PlateCircuitTest {
    private final Chassis halcyon = SharedSets.named("halcyon");
    private final Setting line = Setting.of(230);

    private PlateCircuit of(Chassis set, String part) {
        return PlateCircuit.of(set, line, set.part(part).orElseThrow()).get(0);
    }

    /** Over a plain load resistor the line is the resistor's, with its rail's and cathode's share. */
    @Test
    void theLoadLineOfATriodeIsItsPlateLoad() {
        PlateCircuit v3 = of(halcyon, "V3");
        var solved = new Simulator().solve(halcyon, line);
        double rail = solved.volts("B2").orElseThrow();
        assertThat(v3.ohms()).isCloseTo(221e3, within(2e3));
        assertThat(v3.open()).isCloseTo(rail, within(0.02 * rail));
        assertThat(v3.volts()).isCloseTo(solved.volts("V3.7").orElseThrow(), within(1e-6));
        assertThat(v3.amperes()).isCloseTo((rail - v3.volts()) / 220e3, within(1e-6));
    }

    /** 7 kΩ : 3 Ω is printed on the output transformer: sound finds that and the copper, direct current only the copper. */
    @Test
    void anOutputTubeHasOneLoadForSoundAndAnotherForDirectCurrent() {
        PlateCircuit v4 = of(halcyon, "V4");
        assertThat(v4.sound().orElseThrow()).isBetween(6500.0, 8000.0);
        assertThat(v4.ohms()).isBetween(300.0, 2000.0);
        assertThat(v4.parameter()).isNegative();
    }

    /** The drawn curve of the grid volts that the set has runs through the point at which it works. */
    @Test
    void theWorkingPointLiesOnTheCurves() {
        for (String part : List.of("V2", "V3", "V4")) {
            PlateCircuit w = of(halcyon, part);
            var curves = w.curves().curves();
            double above = at(
                    curves.stream()
                            .filter(c -> c.parameter() >= w.parameter())
                            .reduce((a, b) -> b)
                            .orElse(curves.get(0)),
                    w.volts());
            double below = at(
                    curves.stream()
                            .filter(c -> c.parameter() <= w.parameter())
                            .findFirst()
                            .orElseThrow(),
                    w.volts());
            assertThat(w.amperes()).as(part).isBetween(below * 0.99 - 1e-6, above * 1.01 + 1e-6);
        }
    }

    private static double at(Curves.Curve c, double volts) {
        for (int n = 1; n < c.volts().size(); n++)
            if (c.volts().get(n) >= volts) {
                double share = (volts - c.volts().get(n - 1))
                        / (c.volts().get(n) - c.volts().get(n - 1));
                return c.amperes().get(n - 1)
                        + share * (c.amperes().get(n) - c.amperes().get(n - 1));
            }
        return c.amperes().get(c.amperes().size() - 1);
    }

    @Test
    void transistorsOfEitherPolarityRunToTheRight() {
        Chassis lark = SharedSets.named("lark");
        PlateCircuit q4 = PlateCircuit.of(lark, Setting.of(9), lark.part("Q4").orElseThrow())
                .get(0);
        assertThat(q4.volts()).isPositive();
        assertThat(q4.amperes()).isPositive();
        assertThat(q4.open()).isGreaterThan(q4.volts());
        assertThat(q4.ohms()).isBetween(3900.0, 5200.0);
    }

    @Test
    void everyTypeHasCurvesThatRiseAndStayOnTheirDrawing() {
        for (DeviceType t : DeviceLibrary.standard().all()) {
            for (Section s : t.sections())
                rises(t, Curves.of(s, s.points().get(0).screen(), 0));
            t.semiconductor().ifPresent(s -> rises(t, Curves.of(s)));
        }
    }

    private static void rises(DeviceType t, Curves c) {
        assertThat(c.curves()).as(t.name()).isNotEmpty();
        assertThat(c.volts()).as(t.name()).isPositive();
        double most = 0;
        for (Curves.Curve k : c.curves()) {
            assertThat(k.amperes()).as(t.name()).allMatch(Double::isFinite);
            for (int n = 1; n < k.amperes().size(); n++)
                assertThat(k.amperes().get(n))
                        .as("%s at %s", t.name(), k.parameter())
                        .isGreaterThanOrEqualTo(k.amperes().get(n - 1) * 0.97 - 1e-7);
            most = Math.max(most, k.amperes().get(k.amperes().size() - 1));
        }
        assertThat(most).as("uses its drawing: %s", t.name()).isGreaterThan(0.2 * c.amperes());
    }
}
