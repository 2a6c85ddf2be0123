package anabion.core.circuit;

import anabion.core.numeric.RealLu;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** The equations of one circuit, with work space for their solution. */
final class MnaSystem {
    /** Settled when no net moved more than this, relative to its volts, and … */
    private static final double RELATIVE = 1e-7;
    /** … in volts near zero: what rounding leaves at a net that only insulation holds, behind a closed contact. */
    private static final double VOLTS = 3e-5;
    /** A balance of currents, relative to the largest current at the net, in amperes at least 1e-12. */
    private static final double BALANCE = 1e-7;

    /** Imbalances below this, in amperes, do not make one state worse than another. */
    private static final double MERIT = 1e-9;

    private final int nets;
    private final int size;
    private final int branches;
    private final List<Element> elements = new ArrayList<>();
    private Circuit circuit;
    private final double[] linear;
    /** What of it is not zero, row by row, each row from its place in the first on: a receiver's matrix is nearly empty. */
    private final int[] rows;

    private final int[] columns;
    private final double[] values;
    private final double[] constant;
    private final double[] sum;
    private final double[] scale;
    private final double[] dx;
    private final double[] trial;
    private final RealLu lu;
    private DeviceState[] devices = {};

    MnaSystem(Circuit c) {
        nets = c.nets().size();
        branches = branches(c);
        size = nets + branches;
        linear = new double[size * size];
        rows = new int[size + 1];
        columns = new int[size * size];
        values = new double[size * size];
        constant = new double[size];
        sum = new double[size];
        scale = new double[size];
        dx = new double[size];
        trial = new double[size];
        lu = new RealLu(size);
    }

    private static int branches(Circuit c) {
        int n = 0;
        for (Element e : c.elements()) if (e instanceof Element.Source || e instanceof Element.Transformer) n++;
        return n;
    }

    int size() {
        return size;
    }

    boolean fits(Circuit c) {
        return c.nets().size() == nets && branches(c) == branches;
    }

    void load(Circuit c) {
        circuit = c;
        elements.clear();
        elements.addAll(c.elements());
        Arrays.fill(linear, 0);
        Arrays.fill(constant, 0);
        List<Element.Device> found = new ArrayList<>();
        int branch = nets;
        for (Element e : elements) {
            if (e instanceof Element.Resistor r) conductance(r.a(), r.b(), r.siemens());
            else if (e instanceof Element.Current i) {
                add(i.from(), i.amperes());
                add(i.to(), -i.amperes());
            } else if (e instanceof Element.Source v) source(v, branch++);
            else if (e instanceof Element.Transformer t) transformer(t, branch++);
            else found.add((Element.Device) e);
        }
        gather();
        DeviceState[] before = devices;
        devices = found.stream().map(d -> state(before, d)).toArray(DeviceState[]::new);
    }

    /** What is known of a device from the circuit before, where it had the same. */
    private static DeviceState state(DeviceState[] known, Element.Device device) {
        for (DeviceState d : known) if (d.isOf(device)) return d.again();
        return new DeviceState(device);
    }

    private void gather() {
        int n = 0;
        for (int i = 0; i < size; i++) {
            rows[i] = n;
            for (int j = 0; j < size; j++)
                if (linear[i * size + j] != 0) {
                    columns[n] = j;
                    values[n++] = linear[i * size + j];
                }
        }
        rows[size] = n;
    }

    private void add(int row, double amperes) {
        if (row >= 0) constant[row] += amperes;
    }

    private void put(int row, int column, double value) {
        if (row >= 0 && column >= 0) linear[row * size + column] += value;
    }

    private void conductance(int a, int b, double g) {
        put(a, a, g);
        put(b, b, g);
        put(a, b, -g);
        put(b, a, -g);
    }

    private void source(Element.Source v, int branch) {
        put(v.plus(), branch, 1);
        put(v.minus(), branch, -1);
        put(branch, v.plus(), 1);
        put(branch, v.minus(), -1);
        constant[branch] -= v.volts();
    }

    /** The branch current is the secondary's, out of s1 into the load. */
    private void transformer(Element.Transformer t, int branch) {
        put(t.s1(), branch, -1);
        put(t.s2(), branch, 1);
        put(t.p1(), branch, t.ratio());
        put(t.p2(), branch, -t.ratio());
        put(branch, t.s1(), 1);
        put(branch, t.s2(), -1);
        put(branch, t.p1(), -t.ratio());
        put(branch, t.p2(), t.ratio());
    }

    /**
     * Sums the currents at a state, and with {@code jacobian} the conductances too.
     *
     * @return the largest imbalance, relative to the currents that meet there
     */
    double evaluate(double[] x, double gmin, double sources, boolean jacobian) {
        double[] a = lu.matrix();
        if (jacobian) System.arraycopy(linear, 0, a, 0, a.length);
        for (int i = 0; i < size; i++) {
            double total = constant[i] * sources;
            double largest = Math.abs(total);
            for (int k = rows[i]; k < rows[i + 1]; k++) {
                double current = values[k] * x[columns[k]];
                total += current;
                largest = Math.max(largest, Math.abs(current));
            }
            if (i < nets) {
                total += gmin * x[i];
                if (jacobian) a[i * size + i] += gmin;
            }
            sum[i] = total;
            scale[i] = largest;
        }
        for (DeviceState d : devices) stamp(d, x, jacobian);
        double worst = 0;
        for (int i = 0; i < size; i++) worst = Math.max(worst, Math.abs(sum[i]) / (tolerance(i) + MERIT));
        return worst;
    }

    private double tolerance(int i) {
        return BALANCE * scale[i] + (i < nets ? 1e-12 : VOLTS);
    }

    private void stamp(DeviceState d, double[] x, boolean jacobian) {
        int[] nodes = d.nodes();
        d.look(x, jacobian);
        for (int t = 0; t < nodes.length; t++) {
            if (nodes[t] < 0) continue;
            sum[nodes[t]] += d.amperes(t);
            scale[nodes[t]] = Math.max(scale[nodes[t]], Math.abs(d.amperes(t)));
        }
        if (!jacobian) return;
        double[] a = lu.matrix();
        for (int t = 0; t < nodes.length; t++)
            for (int r = 0; r < nodes.length; r++)
                if (nodes[t] >= 0 && nodes[r] >= 0) a[nodes[r] * size + nodes[t]] += d.siemens(r, t);
    }

    /** Solves for the step that Newton's method proposes; false if the matrix is singular. */
    boolean step() {
        if (!lu.factor()) return false;
        correct(dx);
        return true;
    }

    boolean factor() {
        return lu.factor();
    }

    /** All slopes at a state, row by row. */
    double[] jacobian(double[] x) {
        evaluate(x, DcSolver.LEAST, 1, true);
        return lu.matrix().clone();
    }

    /** What the factored matrix makes of the imbalance last evaluated. */
    double[] correction() {
        double[] moves = new double[size];
        correct(moves);
        return moves;
    }

    /** What the factored matrix makes of a current into one node and out of another. */
    double[] answer(int into, int outOf, double amperes) {
        double[] moves = new double[size];
        if (into >= 0) moves[into] += amperes;
        if (outOf >= 0) moves[outOf] -= amperes;
        lu.solve(moves);
        return moves;
    }

    /** By how much one ampere into each node raises one node above another: a row of the inverse less another, by the adjoint equations. */
    double[] sensed(int plus, int minus) {
        double[] by = new double[size];
        if (plus >= 0) by[plus] += 1;
        if (minus >= 0) by[minus] -= 1;
        lu.solveTransposed(by);
        return by;
    }

    private void correct(double[] moves) {
        for (int i = 0; i < size; i++) moves[i] = -sum[i];
        lu.solve(moves);
    }

    /** Cuts the step so that no net moves more than so many volts; returns the largest move left. */
    double limit(double most) {
        double largest = 0;
        for (int i = 0; i < nets; i++) largest = Math.max(largest, Math.abs(dx[i]));
        if (!(largest > most)) return largest;
        for (int i = 0; i < size; i++) dx[i] *= most / largest;
        return most;
    }

    double advance(double[] x, double by, double gmin, double sources) {
        for (int i = 0; i < size; i++) trial[i] = x[i] + by * dx[i];
        return evaluate(trial, gmin, sources, false);
    }

    void accept(double[] x, double by) {
        for (int i = 0; i < size; i++) x[i] += by * dx[i];
    }

    boolean settled(double[] x, double taken) {
        for (int i = 0; i < size; i++) {
            // so that what is not a number settles nothing
            if (i < nets && !(Math.abs(dx[i]) * taken <= RELATIVE * Math.abs(x[i]) + VOLTS)) return false;
            if (!(Math.abs(sum[i]) <= 10 * tolerance(i))) return false;
        }
        return true;
    }

    Solution solution(double[] x, boolean converged, int iterations) {
        evaluate(x, DcSolver.LEAST, 1, false);
        double worst = 0;
        List<String> unsettled = new ArrayList<>();
        for (int i = 0; i < nets; i++) {
            worst = Math.max(worst, Math.abs(sum[i]));
            if (!converged && !(Math.abs(sum[i]) <= 10 * tolerance(i)))
                unsettled.add(circuit.nets().get(i));
        }
        return new Solution(circuit, x, converged, worst, iterations, List.copyOf(unsettled));
    }
}
