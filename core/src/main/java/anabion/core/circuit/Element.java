package anabion.core.circuit;

import java.util.List;

/** One element between nodes. Nodes are indices of {@link Circuit#nets()}; {@link Circuit#REFERENCE} is the reference net. */
public sealed interface Element {
    String name();

    /** @param siemens above zero */
    record Resistor(String name, int a, int b, double siemens) implements Element {}

    /** An ideal source; {@code plus} stands {@code volts} above {@code minus}. Its current, into plus, is an unknown of its own. */
    record Source(String name, int plus, int minus, double volts) implements Element {}

    /** A current that flows through the element from {@code from} to {@code to}. */
    record Current(String name, int from, int to, double amperes) implements Element {}

    /**
     * An ideal transformer: the secondary's volts are {@code ratio} times the primary's, the primary's current {@code ratio} times
     * the secondary's. For alternating quantities only.
     */
    record Transformer(String name, int p1, int p2, int s1, int s2, double ratio) implements Element {}

    /** A device with a law of its own. */
    record Device(String name, DeviceModel law, List<Integer> nodes) implements Element {
        public Device {
            nodes = List.copyOf(nodes);
        }
    }
}
