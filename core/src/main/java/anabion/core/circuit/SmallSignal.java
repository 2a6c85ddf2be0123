package anabion.core.circuit;

import anabion.core.numeric.ComplexLu;
import anabion.core.numeric.Phasor;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * A circuit as small alternating signals see it, about its operating point: every law by its slopes, sources of direct current at
 * rest, and besides them capacitors and coupled coils.
 *
 * <p>Method: complex modified nodal analysis with the Jacobian of the operating point as its real part (Ho, Ruehli and Brennan, 1975);
 * coupled coils enter by the inverse of R + jωL, so that they need no unknowns of their own. It fails, with an exception, where a
 * coupling of one makes that matrix singular.
 */
public final class SmallSignal implements Reactances {
    private final Circuit circuit;
    private final int size;
    private final double[] conductance;
    private final List<Capacitance> capacitances = new ArrayList<>();
    private final List<Coils> coils = new ArrayList<>();
    private final List<Transistor> transistors = new ArrayList<>();

    private record Capacitance(int a, int b, double farads, double siemens) {}

    private record Transistor(int base, int collector, int emitter, HybridPi model) {}

    private static final class Coils {
        private final int[] from;
        private final int[] to;
        private final double[] ohms;
        private final double[] loss;
        private final double[][] henries;

        private Coils(int[] from, int[] to, double[] ohms, double[] loss, double[][] henries) {
            this.from = from;
            this.to = to;
            this.ohms = ohms;
            this.loss = loss;
            this.henries = henries;
        }
    }

    private SmallSignal(Circuit circuit, int size, double[] conductance) {
        this.circuit = circuit;
        this.size = size;
        this.conductance = conductance;
    }

    /** @param without elements whose direct-current stand-in has no place here, such as the copper of a coil */
    public static SmallSignal about(Solution solution, Predicate<Element> without) {
        Circuit rest = solution.circuit().without(without);
        MnaSystem equations = new MnaSystem(rest);
        equations.load(rest);
        return new SmallSignal(rest, equations.size(), equations.jacobian(solution.unknowns()));
    }

    /** Another network on the same direct-current circuit, without any of its reactances: to work out the slopes of all laws is half the work. */
    public SmallSignal again() {
        return new SmallSignal(circuit, size, conductance);
    }

    @Override
    public void capacitor(String a, String b, double farads, double siemens) {
        if (known(a) && known(b)) capacitances.add(new Capacitance(node(a), node(b), farads, siemens));
    }

    @Override
    public void transistor(String base, String collector, String emitter, HybridPi model) {
        if (known(base) && known(collector) && known(emitter))
            transistors.add(new Transistor(node(base), node(collector), node(emitter), model));
    }

    @Override
    public void coils(List<String[]> ends, double[] ohms, double[] loss, double[][] henries) {
        int n = ends.size();
        int[] from = new int[n];
        int[] to = new int[n];
        for (int k = 0; k < n; k++) {
            from[k] = node(ends.get(k)[0]);
            to[k] = node(ends.get(k)[1]);
        }
        coils.add(new Coils(from, to, ohms.clone(), loss.clone(), henries));
    }

    /** The linear circuit under the coils. */
    public Circuit circuit() {
        return circuit;
    }

    private boolean known(String net) {
        return circuit.node(net).isPresent();
    }

    private int node(String net) {
        return circuit.node(net).orElseThrow(() -> new IllegalArgumentException("no net " + net));
    }

    /** The network at one frequency. */
    public Tone at(double hertz) {
        double w = 2 * Math.PI * hertz;
        ComplexLu lu = new ComplexLu(size);
        System.arraycopy(conductance, 0, lu.real(), 0, conductance.length);
        for (Capacitance c : capacitances) stamp(lu, c.a(), c.b(), c.a(), c.b(), c.siemens(), w * c.farads());
        for (Coils c : coils) stamp(lu, c, w);
        for (Transistor t : transistors) stamp(lu, t, w);
        if (!lu.factor()) throw new ArithmeticException("the network is singular at " + hertz + " Hz");
        return new Tone(lu);
    }

    /** An admittance from one pair of nets to another: current out of a into b, per volt from c to d. */
    private void stamp(ComplexLu lu, int a, int b, int c, int d, double g, double s) {
        stamp(lu, a, c, g, s);
        stamp(lu, a, d, -g, -s);
        stamp(lu, b, c, -g, -s);
        stamp(lu, b, d, g, s);
    }

    private void stamp(ComplexLu lu, int row, int column, double g, double s) {
        if (row < 0 || column < 0) return;
        lu.real()[row * size + column] += g;
        lu.imaginary()[row * size + column] += s;
    }

    private void stamp(ComplexLu lu, Transistor t, double w) {
        Phasor[][] y = t.model().admittances(w);
        int[] ends = {t.base(), t.collector()};
        for (int i = 0; i < ends.length; i++)
            for (int j = 0; j < ends.length; j++)
                stamp(lu, ends[i], t.emitter(), ends[j], t.emitter(), y[i][j].re(), y[i][j].im());
    }

    private void stamp(ComplexLu lu, Coils c, double w) {
        int n = c.from.length;
        ComplexLu z = impedances(c.ohms, c.loss, c.henries, w);
        for (int j = 0; j < n; j++) {
            double[] x = new double[n];
            double[] y = new double[n];
            x[j] = 1;
            z.solve(x, y);
            for (int i = 0; i < n; i++) stamp(lu, c.from[i], c.to[i], c.from[j], c.to[j], x[i], y[i]);
        }
    }

    /**
     * The impedances of coils on one core, R + jωL, factored.
     *
     * @param loss of each, the reciprocal of its quality without copper
     * @param w radians a second
     * @throws ArithmeticException where a coupling of one makes them singular
     */
    public static ComplexLu impedances(double[] ohms, double[] loss, double[][] henries, double w) {
        int n = ohms.length;
        ComplexLu z = new ComplexLu(n);
        for (int i = 0; i < n; i++)
            for (int j = 0; j < n; j++) {
                z.real()[i * n + j] = i == j ? ohms[i] + w * henries[i][i] * loss[i] : 0;
                z.imaginary()[i * n + j] = w * henries[i][j];
            }
        if (!z.factor()) throw new ArithmeticException("coils coupled without any leakage");
        return z;
    }

    /** The network at one frequency, ready to be driven. */
    public final class Tone {
        private final ComplexLu lu;

        private Tone(ComplexLu lu) {
            this.lu = lu;
        }

        /** Volts everywhere when one ampere flows into a net and out of another. */
        public Volts driven(String into, String outOf) {
            double[] x = new double[size];
            double[] y = new double[size];
            if (node(into) >= 0) x[node(into)] += 1;
            if (node(outOf) >= 0) x[node(outOf)] -= 1;
            lu.solve(x, y);
            return new Volts(x, y);
        }

        /** Volts everywhere when one volt stands from a net to the reference. */
        public Volts held(String net) {
            Volts per = driven(net, circuit.reference());
            Phasor own = per.at(net);
            return per.over(own);
        }
    }

    /** Alternating volts of every net. */
    public final class Volts {
        private final double[] re;
        private final double[] im;

        private Volts(double[] re, double[] im) {
            this.re = re;
            this.im = im;
        }

        /** Volts of a net against the reference. */
        public Phasor at(String net) {
            int n = node(net);
            return n < 0 ? new Phasor(0, 0) : new Phasor(re[n], im[n]);
        }

        private Volts over(Phasor by) {
            double[] x = new double[re.length];
            double[] y = new double[re.length];
            for (int i = 0; i < re.length; i++) {
                Phasor p = new Phasor(re[i], im[i]).over(by);
                x[i] = p.re();
                y[i] = p.im();
            }
            return new Volts(x, y);
        }
    }
}
