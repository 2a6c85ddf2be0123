package anabion.core.circuit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.numeric.ComplexLu;
import anabion.core.numeric.RealLu;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Laws that hold for every network of resistors. */
class NetworkLawsTest {
    private final DcSolver solver = new DcSolver();

    private static Circuit.Builder network(long seed, int nets) {
        Random r = new Random(seed);
        Circuit.Builder c = Circuit.of("0");
        for (int n = 1; n < nets; n++) c.resistor("T" + n, net(n), net(r.nextInt(n)), ohms(r));
        for (int n = 0; n < nets; n++) {
            int a = r.nextInt(nets);
            int b = r.nextInt(nets);
            if (a != b) c.resistor("X" + n, net(a), net(b), ohms(r));
        }
        return c;
    }

    private static double ohms(Random r) {
        return Math.pow(10, 1 + 5 * r.nextDouble());
    }

    private static String net(int n) {
        return String.valueOf(n);
    }

    @Property(seed = "21", tries = 60)
    void currentsSumToZeroAtEveryNet(@ForAll long seed) {
        Circuit c = network(seed, 12)
                .current("I", "0", "5", 1e-3)
                .current("J", "7", "3", 2e-3)
                .build();
        Solution s = solver.solve(c);
        double[] sums = new double[c.nets().size()];
        for (Element e : c.elements()) {
            double[] i = s.amperes(e);
            int a = e instanceof Element.Resistor r ? r.a() : ((Element.Current) e).from();
            int b = e instanceof Element.Resistor r ? r.b() : ((Element.Current) e).to();
            if (a >= 0) sums[a] += i[0];
            if (b >= 0) sums[b] += i[1];
        }
        for (double sum : sums) assertThat(sum).isCloseTo(0, within(1e-8));
    }

    @Property(seed = "22", tries = 60)
    void whatGoesInHereAndComesOutThereDoesSoTheOtherWayRound(@ForAll long seed) {
        double there = solver.solve(
                        network(seed, 10).current("I", "0", "4", 1e-3).build())
                .volts("8")
                .orElseThrow();
        double back = solver.solve(
                        network(seed, 10).current("I", "0", "8", 1e-3).build())
                .volts("4")
                .orElseThrow();
        assertThat(there).isCloseTo(back, within(1e-6 * Math.max(1, Math.abs(back))));
    }

    @Property(seed = "23", tries = 60)
    void twoSourcesTogetherGiveTheSumOfEach(@ForAll long seed) {
        double one = solver.solve(network(seed, 10).current("I", "0", "4", 1e-3).build())
                .volts("6")
                .orElseThrow();
        double other = solver.solve(
                        network(seed, 10).current("J", "0", "9", 3e-3).build())
                .volts("6")
                .orElseThrow();
        double both = solver.solve(network(seed, 10)
                        .current("I", "0", "4", 1e-3)
                        .current("J", "0", "9", 3e-3)
                        .build())
                .volts("6")
                .orElseThrow();
        assertThat(both).isCloseTo(one + other, within(1e-6 * Math.max(1, Math.abs(both))));
    }

    @Property(seed = "24", tries = 40)
    void eliminationSolvesWhatItFactored(@ForAll long seed) {
        Random r = new Random(seed);
        int n = 1 + r.nextInt(30);
        RealLu lu = new RealLu(n);
        double[] a = new double[n * n];
        for (int i = 0; i < a.length; i++) a[i] = r.nextGaussian();
        double[] x = new double[n];
        double[] b = new double[n];
        for (int i = 0; i < n; i++) x[i] = r.nextGaussian();
        for (int i = 0; i < n; i++) for (int j = 0; j < n; j++) b[i] += a[i * n + j] * x[j];
        System.arraycopy(a, 0, lu.matrix(), 0, a.length);
        assertThat(lu.factor()).isTrue();
        lu.solve(b);
        for (int i = 0; i < n; i++) assertThat(b[i]).isCloseTo(x[i], within(1e-5));
    }

    /** Large and nearly empty, as a circuit of many stages is: what the places of a row are gathered for. */
    @Property(seed = "25", tries = 4)
    void eliminationOfLargeMatricesSolvesWhatItFactored(@ForAll long seed) {
        Random r = new Random(seed);
        int n = 300 + r.nextInt(60);
        RealLu real = new RealLu(n);
        ComplexLu complex = new ComplexLu(n);
        for (int i = 0; i < n; i++) {
            for (int few = 0; few < 3; few++) {
                int at = i * n + r.nextInt(n);
                double value = r.nextGaussian();
                real.matrix()[at] += value;
                complex.real()[at] += value;
                complex.imaginary()[at] += r.nextGaussian();
            }
            real.matrix()[i * n + i] += 5;
            complex.real()[i * n + i] += 5;
        }
        double[] x = r.doubles(n, -1, 1).toArray();
        double[] y = r.doubles(n, -1, 1).toArray();
        double[] b = new double[n];
        double[] c = new double[n];
        double[] d = new double[n];
        for (int i = 0; i < n; i++)
            for (int j = 0; j < n; j++) {
                int at = i * n + j;
                b[i] += real.matrix()[at] * x[j];
                c[i] += complex.real()[at] * x[j] - complex.imaginary()[at] * y[j];
                d[i] += complex.real()[at] * y[j] + complex.imaginary()[at] * x[j];
            }
        assertThat(real.factor()).isTrue();
        real.solve(b);
        assertThat(complex.factor()).isTrue();
        complex.solve(c, d);
        for (int i = 0; i < n; i++) {
            assertThat(b[i]).isCloseTo(x[i], within(1e-9));
            assertThat(c[i]).isCloseTo(x[i], within(1e-9));
            assertThat(d[i]).isCloseTo(y[i], within(1e-9));
        }
    }

    /** Where the diagonal has next to nothing no foreseen pivot holds; a second matrix of the same pattern is solved as well. */
    @Property(seed = "26", tries = 40)
    void eliminationTakesOtherPivotsWhereThoseForeseenAreTooSmall(@ForAll long seed) {
        Random r = new Random(seed);
        int n = 2 + r.nextInt(70);
        RealLu lu = new RealLu(n);
        for (int round = 0; round < 2; round++) {
            double[] a = new double[n * n];
            for (int i = 0; i < n; i++) {
                a[i * n + i] = 1e-12;
                a[i * n + (i + 1) % n] = 1 + r.nextDouble();
                if (n > 2) a[i * n + (i + 2) % n] = 0.3 * r.nextGaussian();
            }
            double[] x = r.doubles(n, -1, 1).toArray();
            double[] b = new double[n];
            double[] transposed = new double[n];
            for (int i = 0; i < n; i++)
                for (int j = 0; j < n; j++) {
                    b[i] += a[i * n + j] * x[j];
                    transposed[j] += a[i * n + j] * x[i];
                }
            System.arraycopy(a, 0, lu.matrix(), 0, a.length);
            assertThat(lu.factor()).isTrue();
            lu.solve(b);
            lu.solveTransposed(transposed);
            for (int i = 0; i < n; i++) {
                assertThat(b[i]).isCloseTo(x[i], within(1e-6));
                assertThat(transposed[i]).isCloseTo(x[i], within(1e-6));
            }
        }
    }
}
