package anabion.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.device.model.JunctionLaw;
import anabion.core.numeric.Phasor;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Networks whose answers stand in any textbook. */
class SmallSignalTest {
    private static SmallSignal about(Circuit c) {
        return SmallSignal.about(new DcSolver().solve(c), e -> false);
    }

    @Test
    void aLowPassIsThreeDecibelsDownAtItsCorner() {
        SmallSignal s = about(Circuit.of("0").resistor("R", "in", "out", 10e3).build());
        s.capacitor("out", "0", 15.9155e-9, 0);
        Phasor out = s.at(1000).held("in").at("out");
        assertThat(out.size()).isCloseTo(Math.sqrt(0.5), within(1e-4));
        assertThat(out.angle()).isCloseTo(-Math.PI / 4, within(1e-4));
    }

    @Test
    void atResonanceOnlyTheLossOfTheCoilIsLeft() {
        SmallSignal s = about(Circuit.of("0").resistor("R", "a", "0", 1e9).build());
        double henries = 1e-3;
        double farads = 1 / (Math.pow(2 * Math.PI * 465e3, 2) * henries);
        s.capacitor("a", "0", farads, 0);
        s.coils(List.<String[]>of(new String[] {"a", "0"}), new double[] {0}, new double[] {0.01}, new double[][] {
            {henries}
        });
        double reactance = 2 * Math.PI * 465e3 * henries;
        Phasor z = s.at(465e3).driven("a", "0").at("a");
        assertThat(z.size()).isCloseTo(100 * reactance, within(0.001 * 100 * reactance));
    }

    @Test
    void aTransformerChangesVoltsByItsRatioAndOhmsByItsSquare() {
        SmallSignal s = about(Circuit.of("0")
                .resistor("load", "s", "0", 3)
                .resistor("open", "p", "0", 1e9)
                .build());
        s.coils(
                List.of(new String[] {"p", "0"}, new String[] {"s", "0"}),
                new double[] {1e-3, 1e-3},
                new double[] {0, 0},
                new double[][] {{1000, 0.99999 * 20}, {0.99999 * 20, 0.4}});
        SmallSignal.Tone tone = s.at(1000);
        assertThat(tone.held("p").at("s").size()).isCloseTo(1 / 50.0, within(2e-5));
        assertThat(tone.driven("p", "0").at("p").size()).isCloseTo(3 * 2500, within(80.0));
    }

    /** Beyond k = 1/Q a pair has two humps and a dip between them; below it has one. */
    @Test
    void aPairOfCircuitsIsDoubleHumpedBeyondCriticalCoupling() {
        assertThat(transfer(0.02, 465e3)).isLessThan(transfer(0.02, 469e3));
        assertThat(transfer(0.005, 465e3)).isGreaterThan(transfer(0.005, 467e3));
        assertThat(transfer(0.01, 465e3)).isGreaterThan(transfer(0.005, 465e3)).isGreaterThan(transfer(0.02, 465e3));
    }

    private static double transfer(double k, double hertz) {
        SmallSignal s = about(Circuit.of("0")
                .resistor("R1", "a", "0", 1e8)
                .resistor("R2", "b", "0", 1e8)
                .build());
        double farads = 1 / (Math.pow(2 * Math.PI * 465e3, 2) * 1e-3);
        s.capacitor("a", "0", farads, 0);
        s.capacitor("b", "0", farads, 0);
        s.coils(
                List.of(new String[] {"a", "0"}, new String[] {"b", "0"}),
                new double[] {0, 0},
                new double[] {0.01, 0.01},
                new double[][] {{1e-3, k * 1e-3}, {k * 1e-3, 1e-3}});
        return s.at(hertz).driven("a", "0").at("b").size();
    }

    @Test
    void aDiodeIsItsSlopeAtTheOperatingPoint() {
        Circuit c = Circuit.of("0")
                .current("I", "0", "d", 1e-3)
                .device("D", new JunctionLaw(1e-9, 0.05, 0), "d", "0")
                .build();
        assertThat(about(c).at(50).driven("d", "0").at("d").size()).isCloseTo(50, within(0.1));
    }

    @Test
    void whatGoesOneWayGoesTheOtherInAnyPassiveNetwork() {
        Random random = new Random(7);
        for (int trial = 0; trial < 40; trial++) {
            Circuit.Builder b = Circuit.of("0");
            for (int n = 0; n < 8; n++)
                b.resistor("R" + n, "n" + n, n == 0 ? "0" : "n" + random.nextInt(n), 10 + 1e4 * random.nextDouble());
            SmallSignal s = about(b.build());
            for (int n = 0; n < 5; n++)
                s.capacitor("n" + random.nextInt(8), "n" + random.nextInt(8), 1e-8 * random.nextDouble(), 0);
            s.coils(
                    List.of(new String[] {"n1", "n2"}, new String[] {"n5", "0"}),
                    new double[] {1, 2},
                    new double[] {0.01, 0.01},
                    new double[][] {{1e-3, 3e-4}, {3e-4, 5e-4}});
            SmallSignal.Tone tone = s.at(1e4 + 1e6 * random.nextDouble());
            Phasor there = tone.driven("n3", "0").at("n6");
            Phasor back = tone.driven("n6", "0").at("n3");
            assertThat(there.minus(back).size()).isLessThan(1e-9 * (1 + there.size()));
        }
    }

    @Test
    void couplingWithoutLeakageIsRefused() {
        SmallSignal s = about(Circuit.of("0").resistor("R", "a", "0", 1).build());
        s.coils(
                List.of(new String[] {"a", "0"}, new String[] {"a", "0"}),
                new double[] {0, 0},
                new double[] {0, 0},
                new double[][] {{1, 1}, {1, 1}});
        assertThatThrownBy(() -> s.at(50)).hasMessageContaining("leakage");
    }
}
