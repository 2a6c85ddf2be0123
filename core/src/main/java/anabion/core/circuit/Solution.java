package anabion.core.circuit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;

/** Where a circuit settles, or how far the search came. */
public final class Solution {
    private final Circuit circuit;
    private final double[] unknowns;
    private final boolean converged;
    private final double residual;
    private final int iterations;
    private final List<String> unsettled;

    Solution(
            Circuit circuit,
            double[] unknowns,
            boolean converged,
            double residual,
            int iterations,
            List<String> unsettled) {
        this.circuit = circuit;
        this.unknowns = unknowns.clone();
        this.converged = converged;
        this.residual = residual;
        this.iterations = iterations;
        this.unsettled = List.copyOf(unsettled);
    }

    /** The circuit solved. */
    public Circuit circuit() {
        return circuit;
    }

    /** Volts of the nets in order, then the currents of sources and transformers; for a warm start. */
    public double[] unknowns() {
        return unknowns.clone();
    }

    /** The same circuit with other volts and currents, in the order of {@link #unknowns}. */
    public Solution with(double[] other) {
        return new Solution(circuit, other, converged, residual, iterations, unsettled);
    }

    /** Whether the currents of every net balance; {@link #unsettled} names those that do not. */
    public boolean converged() {
        return converged;
    }

    /** The largest current in amperes by which a net's sum misses zero. */
    public double residual() {
        return residual;
    }

    /** Iterations of Newton's method, over all attempts. */
    public int iterations() {
        return iterations;
    }

    /** The nets that would not settle; empty on success. */
    public List<String> unsettled() {
        return unsettled;
    }

    /** Volts of a net against the reference; empty if the circuit has no such net. */
    public OptionalDouble volts(String net) {
        var node = circuit.node(net);
        return node.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(at(node.getAsInt()));
    }

    /** Volts of a node of the circuit. */
    public double at(int node) {
        return node == Circuit.REFERENCE ? 0 : unknowns[node];
    }

    /** All nets with their volts. */
    public Map<String, Double> nets() {
        Map<String, Double> all = new LinkedHashMap<>();
        for (int i = 0; i < circuit.nets().size(); i++) all.put(circuit.nets().get(i), unknowns[i]);
        return all;
    }

    /** The current into each terminal of an element, in amperes. */
    public double[] amperes(Element e) {
        if (e instanceof Element.Resistor r) return pair((at(r.a()) - at(r.b())) * r.siemens());
        if (e instanceof Element.Current c) return pair(c.amperes());
        if (e instanceof Element.Device d) {
            double[] v = d.nodes().stream().mapToDouble(this::at).toArray();
            double[] i = new double[v.length];
            d.law().currents(v, i);
            return i;
        }
        double branch = unknowns[circuit.nets().size() + branch(e)];
        if (e instanceof Element.Transformer t)
            return new double[] {t.ratio() * branch, -t.ratio() * branch, -branch, branch};
        return pair(branch);
    }

    private int branch(Element wanted) {
        int at = 0;
        for (Element e : circuit.elements()) {
            if (e == wanted) return at;
            if (e instanceof Element.Source || e instanceof Element.Transformer) at++;
        }
        throw new IllegalArgumentException(wanted.name() + " is not of this circuit");
    }

    private static double[] pair(double i) {
        return new double[] {i, -i};
    }

    /** The power an element takes, in watts; negative for one that gives. */
    public double watts(Element e) {
        double[] i = amperes(e);
        int[] nodes = nodes(e);
        double sum = 0;
        for (int k = 0; k < i.length; k++) sum += i[k] * at(nodes[k]);
        return sum;
    }

    private static int[] nodes(Element e) {
        if (e instanceof Element.Resistor r) return new int[] {r.a(), r.b()};
        if (e instanceof Element.Source s) return new int[] {s.plus(), s.minus()};
        if (e instanceof Element.Current c) return new int[] {c.from(), c.to()};
        if (e instanceof Element.Transformer t) return new int[] {t.p1(), t.p2(), t.s1(), t.s2()};
        return ((Element.Device) e).nodes().stream().mapToInt(Integer::intValue).toArray();
    }
}
