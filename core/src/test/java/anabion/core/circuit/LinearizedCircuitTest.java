package anabion.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

/** A circuit seen from its operating point, against sums that can be done by hand. */
class LinearizedCircuitTest {
    /** 100 V, 10 kΩ, and 15 kΩ to the reference. */
    private static Circuit divider(double lower) {
        return Circuit.of("0")
                .source("V", "in", "0", 100)
                .resistor("R1", "in", "out", 10e3)
                .resistor("R2", "out", "0", lower)
                .build();
    }

    private static LinearizedCircuit at(Circuit c) {
        return LinearizedCircuit.at(new DcSolver().solve(c)).orElseThrow();
    }

    @Test
    void behindANetLieItsResistorsInParallel() {
        Circuit c = divider(15e3);
        double[] behind = at(c).behind();
        assertThat(behind[c.node("out").orElseThrow()]).isCloseTo(6e3, within(1e-3));
        assertThat(behind[c.node("in").orElseThrow()]).as("a source holds it").isCloseTo(0, within(1e-6));
    }

    /** One milliampere into the tap lifts it by its 6 kΩ. */
    @Test
    void aCurrentDrivenInLiftsTheNet() {
        Circuit c = divider(15e3);
        int out = c.node("out").orElseThrow();
        assertThat(at(c).driven(out, Circuit.REFERENCE, 1e-3)[out]).isCloseTo(6, within(1e-6));
        assertThat(at(c).driven(Circuit.REFERENCE, out, 1e-3)[out]).isCloseTo(-6, within(1e-6));
    }

    /** Between two nets, neither the reference, lie the 10 kΩ beside the path through the source. */
    @Test
    void theTriangleOfResistancesSaysWhatTheEquationsSay() {
        Circuit c = divider(15e3).more().resistor("R3", "out", "far", 1e6).build();
        LinearizedCircuit t = at(c);
        TransferResistances kept = t.resistances();
        for (int into = -1; into < c.nets().size(); into++)
            for (int outOf = -1; outOf < c.nets().size(); outOf++) {
                double[] all = t.driven(into, outOf, 1);
                double[] volts = kept.driven(into, outOf);
                for (int n = 0; n < volts.length; n++)
                    assertThat(volts[n]).isCloseTo(all[n], within(1e-6 * Math.max(1, Math.abs(all[n]))));
            }
    }

    /** What a pair of nets senses of a current elsewhere is what that current does to the pair; a triode makes the two directions differ. */
    @Test
    void sensedFromOneSideIsDrivenFromTheOther() {
        DeviceModel amplifier = new DeviceModel() {
            @Override
            public int terminals() {
                return 3;
            }

            @Override
            public void currents(double[] v, double[] i) {
                i[0] = 0;
                i[1] = 2e-3 * v[0] + 1e-5 * v[1] * v[1];
                i[2] = -i[1];
            }

            @Override
            public List<String> deck(String name, List<String> nodes) {
                return List.of();
            }
        };
        Circuit c = Circuit.of("0")
                .source("V", "in", "0", 20)
                .resistor("feed", "in", "plate", 10e3)
                .resistor("leak", "grid", "0", 1e6)
                .resistor("back", "plate", "grid", 5e6)
                .resistor("bias", "cathode", "0", 500)
                .device("V1", amplifier, "grid", "plate", "cathode")
                .build();
        LinearizedCircuit t = at(c);
        int n = c.nets().size();
        for (int plus = -1; plus < n; plus++)
            for (int into = -1; into < n; into++) {
                double[] sensed = t.sensed(plus, c.node("cathode").orElseThrow());
                double[] driven = t.driven(into, c.node("grid").orElseThrow(), 1);
                double one = value(sensed, into) - value(sensed, c.node("grid").orElseThrow());
                double other =
                        value(driven, plus) - value(driven, c.node("cathode").orElseThrow());
                assertThat(one).isCloseTo(other, within(1e-9 * Math.max(1, Math.abs(other))));
            }
        int grid = c.node("grid").orElseThrow();
        int plate = c.node("plate").orElseThrow();
        assertThat(Math.abs(t.driven(grid, -1, 1)[plate]))
                .as("it amplifies one way")
                .isGreaterThan(2 * Math.abs(t.driven(plate, -1, 1)[grid]));
    }

    private static double value(double[] all, int node) {
        return node == Circuit.REFERENCE ? 0 : all[node];
    }

    /** A resistor's own current, driven back through it, is what a little more of it does. */
    @Test
    void aResistorThatGrowsIsItsOwnCurrentDrivenBack() {
        Circuit c = divider(15e3);
        int out = c.node("out").orElseThrow();
        double current = 100 / 25e3;
        double slope = at(c).driven(out, Circuit.REFERENCE, current)[out];
        double more = new DcSolver().solve(divider(15e3 * 1.001)).volts("out").orElseThrow();
        assertThat(slope).isCloseTo((more - 60) / 0.001, within(0.05));
    }

    /** The step toward a changed circuit is exact while everything is linear in what changed. */
    @Test
    void towardAnotherSourceItIsExact() {
        Circuit c = divider(15e3);
        Circuit higher = Circuit.of("0")
                .source("V", "in", "0", 110)
                .resistor("R1", "in", "out", 10e3)
                .resistor("R2", "out", "0", 15e3)
                .build();
        assertThat(at(c).towards(higher)[c.node("out").orElseThrow()]).isCloseTo(6, within(1e-6));
    }
}
