package anabion.core.simulation.dc;

import anabion.core.circuit.Circuit;
import anabion.core.circuit.Element;
import anabion.core.device.model.FilamentLaw;
import java.util.Arrays;
import java.util.OptionalInt;

/** Which nets of a circuit conduct to each other: through resistances that are small, sources, and filaments. */
public final class DirectPaths {
    /** Above this many ohms a path is insulation or a load, not a lead. */
    private static final double MOST = 20e3;

    private final Circuit circuit;
    /** Of each node another of its group; of a group's first, itself. The reference is the last. */
    private final int[] towards;

    private DirectPaths(Circuit circuit) {
        this.circuit = circuit;
        this.towards = new int[circuit.nets().size() + 1];
        Arrays.setAll(towards, n -> n);
    }

    public static DirectPaths of(Circuit circuit) {
        DirectPaths paths = new DirectPaths(circuit);
        for (Element e : circuit.elements()) {
            if (e instanceof Element.Resistor r && r.siemens() * MOST >= 1) paths.join(r.a(), r.b());
            if (e instanceof Element.Source s) paths.join(s.plus(), s.minus());
            if (e instanceof Element.Device d && d.law() instanceof FilamentLaw)
                paths.join(d.nodes().get(0), d.nodes().get(1));
        }
        return paths;
    }

    private void join(int a, int b) {
        towards[first(a)] = first(b);
    }

    private int first(int node) {
        int at = node == Circuit.REFERENCE ? towards.length - 1 : node;
        while (towards[at] != at) at = towards[at];
        return at;
    }

    /** Whether two nets conduct to each other; not where the circuit lacks one of them. */
    public boolean joined(String one, String other) {
        OptionalInt a = circuit.node(one);
        OptionalInt b = circuit.node(other);
        return a.isPresent() && b.isPresent() && first(a.getAsInt()) == first(b.getAsInt());
    }
}
