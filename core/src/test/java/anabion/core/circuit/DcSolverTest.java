package anabion.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.device.model.JunctionLaw;
import java.util.List;
import org.junit.jupiter.api.Test;

class DcSolverTest {
    private final DcSolver solver = new DcSolver();

    @Test
    void aDividerDivides() {
        Solution s = solver.solve(Circuit.of("gnd")
                .source("E", "a", "gnd", 10)
                .resistor("R1", "a", "b", 1e3)
                .resistor("R2", "b", "gnd", 3e3)
                .build());
        assertThat(s.converged()).isTrue();
        assertThat(s.volts("b").orElseThrow()).isCloseTo(7.5, within(1e-6));
        assertThat(s.volts("gnd").orElseThrow()).isZero();
        assertThat(s.volts("nowhere")).isEmpty();
        Element e = s.circuit().elements().get(0);
        assertThat(s.amperes(e)[0]).isCloseTo(-2.5e-3, within(1e-9));
        assertThat(s.watts(e)).isCloseTo(-25e-3, within(1e-8));
    }

    @Test
    void aBridgeOutOfBalanceFollowsItsClosedAnswer() {
        Solution s = solver.solve(Circuit.of("0")
                .source("E", "top", "0", 12)
                .resistor("A", "top", "l", 100)
                .resistor("B", "top", "r", 200)
                .resistor("C", "l", "0", 300)
                .resistor("D", "r", "0", 150)
                .resistor("M", "l", "r", 1e9)
                .build());
        assertThat(s.volts("l").orElseThrow() - s.volts("r").orElseThrow())
                .isCloseTo(12 * (300 / 400.0 - 150 / 350.0), within(1e-4));
    }

    @Test
    void anIdealTransformerKeepsPower() {
        Circuit c = Circuit.of("0")
                .source("E", "p", "0", 230)
                .transformer("T", "p", "0", "s", "0", 0.1)
                .resistor("R", "s", "0", 10)
                .build();
        Solution s = solver.solve(c);
        assertThat(s.volts("s").orElseThrow()).isCloseTo(23, within(1e-6));
        assertThat(s.watts(c.elements().get(1))).isCloseTo(0, within(1e-6));
        assertThat(s.amperes(c.elements().get(0))[0]).isCloseTo(-0.23, within(1e-6));
    }

    @Test
    void aNetThatNothingHoldsIsNoFailure() {
        Solution s = solver.solve(Circuit.of("0")
                .source("E", "a", "0", 5)
                .resistor("R", "b", "c", 1e3)
                .build());
        assertThat(s.converged()).isTrue();
        assertThat(s.volts("b").orElseThrow()).isCloseTo(0, within(1e-3));
    }

    @Test
    void twoSourcesThatContradictEachOtherAreReported() {
        Solution s = solver.solve(Circuit.of("0")
                .source("E1", "a", "0", 5)
                .source("E2", "a", "0", 6)
                .build());
        assertThat(s.converged()).isFalse();
        assertThat(s.iterations()).isPositive();
    }

    @Test
    void aLawWithoutASolutionIsReportedWithItsNet() {
        DeviceModel wild = new DeviceModel() {
            @Override
            public int terminals() {
                return 2;
            }

            @Override
            public void currents(double[] v, double[] i) {
                i[0] = 1 + (v[0] - v[1]) * (v[0] - v[1]);
                i[1] = -i[0];
            }

            @Override
            public List<String> deck(String name, List<String> nodes) {
                return List.of();
            }
        };
        Solution s = solver.solve(Circuit.of("0")
                .device("X", wild, "a", "0")
                .resistor("R", "a", "0", 1e6)
                .build());
        assertThat(s.converged()).isFalse();
        assertThat(s.unsettled()).contains("a");
        assertThat(s.residual()).isGreaterThan(0.1);
    }

    private static Circuit diodes(double ohms) {
        return Circuit.of("0")
                .source("E", "a", "0", 5)
                .resistor("R", "a", "b", ohms)
                .device("D1", new JunctionLaw(1e-9, 0.05, 0), "b", "c")
                .device("D2", new JunctionLaw(1e-12, 0.03, 0), "c", "0")
                .build();
    }

    /** To the last bit, though devices that stand where they stood are not worked out again. */
    @Test
    void whatWasSolvedBeforeChangesNothing() {
        double[] start = new DcSolver().solve(diodes(1e3)).unknowns();
        for (double ohms : new double[] {1e3, 4e3, 1e3 * (1 + 1e-7), 20, 1e3, 1e9, 4e3})
            assertThat(solver.solve(diodes(ohms), start).unknowns())
                    .as("%s Ω", ohms)
                    .containsExactly(new DcSolver().solve(diodes(ohms), start).unknowns());
    }

    /** A junction minds millivolts, also where both of its ends stand far from the reference. */
    @Test
    void aJunctionHighAboveTheReferenceDrawsWhatItsLawSays() {
        JunctionLaw law = new JunctionLaw(1e-9, 0.05, 0);
        double[] start = new double[0];
        for (double ohms : new double[] {1e3, 1.05e3, 1.051e3, 1.02e3}) {
            Solution s = solver.solve(
                    Circuit.of("0")
                            .source("E", "a", "0", 250)
                            .device("D", law, "a", "b")
                            .resistor("R", "b", "c", ohms)
                            .source("B", "c", "0", 240)
                            .build(),
                    start);
            double[] amperes = new double[2];
            law.currents(new double[] {250, s.volts("b").orElseThrow()}, amperes);
            double through = (s.volts("b").orElseThrow() - 240) / ohms;
            assertThat(amperes[0]).as("%s Ω", ohms).isCloseTo(through, within(1e-5 * through));
            start = s.unknowns();
        }
    }

    /** However small the last step was, as long as it is one that the laws are asked about. */
    @Test
    void whatIsNoNumberSettlesNothing() {
        Circuit.Builder sound = Circuit.of("0")
                .source("E", "a", "0", 2)
                .resistor("R", "a", "b", 1e3)
                .resistor("open", "b", "0", 1e6);
        double[] near = solver.solve(sound.build()).unknowns().clone();
        double hole = near[1];
        near[1] -= 2e-3;
        DeviceModel broken = new DeviceModel() {
            @Override
            public int terminals() {
                return 2;
            }

            @Override
            public void currents(double[] v, double[] i) {
                i[0] = Math.abs(v[0] - v[1] - hole) < 1e-3 ? Double.NaN : 0;
                i[1] = -i[0];
            }

            @Override
            public List<String> deck(String name, List<String> nodes) {
                return List.of();
            }
        };
        assertThat(solver.solve(sound.device("X", broken, "b", "0").build(), near)
                        .converged())
                .isFalse();
    }

    @Test
    void mistakesInElementsAreRefused() {
        assertThatThrownBy(() -> Circuit.of("0").resistor("R", "a", "0", -3)).hasMessageContaining("R");
        assertThatThrownBy(() -> Circuit.of("0").resistor("R", "a", "0", Double.NaN))
                .hasMessageContaining("NaN");
    }

    @Test
    void aWarmStartSettlesAtOnceAndAtTheSamePlace() {
        Circuit c = Circuit.of("0")
                .source("E", "a", "0", 10)
                .resistor("R1", "a", "b", 1e3)
                .resistor("R2", "b", "0", 1e3)
                .build();
        Solution cold = solver.solve(c);
        Solution warm = solver.solve(c, cold.unknowns());
        assertThat(warm.iterations()).isLessThanOrEqualTo(cold.iterations());
        assertThat(warm.volts("b").orElseThrow()).isCloseTo(cold.volts("b").orElseThrow(), within(1e-9));
    }
}
