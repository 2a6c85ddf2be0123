package anabion.core.circuit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;

/** An immutable circuit. */
public final class Circuit {
    /** The index of the reference net. */
    public static final int REFERENCE = -1;

    private final String reference;
    private final List<String> nets;
    private final Map<String, Integer> index;
    private final List<Element> elements;

    private Circuit(String reference, Map<String, Integer> index, List<Element> elements) {
        this.reference = reference;
        this.index = Collections.unmodifiableMap(new LinkedHashMap<>(index));
        this.nets = List.copyOf(index.keySet());
        this.elements = List.copyOf(elements);
    }

    /** @param reference the net that stands at no volts */
    public static Builder of(String reference) {
        return new Builder(reference);
    }

    /** The net of zero volts. */
    public String reference() {
        return reference;
    }

    /** All nets but the reference. */
    public List<String> nets() {
        return nets;
    }

    /** Whether it has the nets and elements of another, these in whatever order. */
    public boolean isLike(Circuit other) {
        return elements.size() == other.elements.size()
                && reference.equals(other.reference)
                && nets.equals(other.nets)
                && new HashSet<>(unshared(other)).equals(new HashSet<>(other.unshared(this)));
    }

    /** Its elements but for those that another circuit holds as well: most of two that are made from one. */
    private List<Element> unshared(Circuit other) {
        Set<Element> shared = Collections.newSetFromMap(new IdentityHashMap<>());
        shared.addAll(other.elements);
        return elements.stream().filter(e -> !shared.contains(e)).toList();
    }

    /** All elements in the order in which they were added. */
    public List<Element> elements() {
        return elements;
    }

    /** A tube's system, a transistor or a diode by its name; empty where it is not fitted. */
    public Optional<Element.Device> device(String name) {
        return elements.stream()
                .filter(e -> e.name().equals(name))
                .filter(Element.Device.class::isInstance)
                .map(Element.Device.class::cast)
                .findFirst();
    }

    /** The node of a net; empty if the circuit lacks it. */
    public OptionalInt node(String net) {
        if (net.equals(reference)) return OptionalInt.of(REFERENCE);
        Integer at = index.get(net);
        return at == null ? OptionalInt.empty() : OptionalInt.of(at);
    }

    /** @param node its number; {@link #REFERENCE} for the reference */
    public String net(int node) {
        return node == REFERENCE ? reference : nets.get(node);
    }

    /** A builder that begins with all of this circuit, for one more element. */
    public Builder more() {
        return more(e -> true);
    }

    /** A builder that begins with all nets of this circuit and those of its elements that stay. */
    public Builder more(Predicate<Element> stays) {
        Builder b = new Builder(reference);
        b.index.putAll(index);
        for (Element e : elements) if (stays.test(e)) b.elements.add(e);
        return b;
    }

    /**
     * With some elements in the place of those of the same name.
     *
     * @param builds puts them in
     * @throws IllegalArgumentException if that names a net or an element that is not there
     */
    public Circuit with(Consumer<Builder> builds) {
        Builder b = new Builder(reference);
        b.index.putAll(index);
        builds.accept(b);
        Map<String, Element> others = new HashMap<>();
        b.elements.forEach(e -> others.put(e.name(), e));
        List<Element> all = new ArrayList<>(elements);
        all.replaceAll(e -> {
            Element other = others.remove(e.name());
            return other == null ? e : other;
        });
        if (!others.isEmpty() || b.index.size() != index.size())
            throw new IllegalArgumentException("this circuit has nothing of the name " + others.keySet());
        return new Circuit(reference, b.index, all);
    }

    /** This circuit without some of its elements; all nets stay. */
    public Circuit without(Predicate<Element> gone) {
        return new Circuit(
                reference, index, elements.stream().filter(gone.negate()).toList());
    }

    /** Collects nets and elements; a net exists once it is named. */
    public static final class Builder {
        private final String reference;
        private final Map<String, Integer> index = new LinkedHashMap<>();
        private final List<Element> elements = new ArrayList<>();

        private Builder(String reference) {
            this.reference = reference;
        }

        /** The node of a net, made if there is none. */
        public int node(String net) {
            if (net.equals(reference)) return REFERENCE;
            Integer at = index.get(net);
            if (at != null) return at;
            index.put(net, index.size());
            return index.size() - 1;
        }

        /** @param ohms above zero; below a micro-ohm it counts as one */
        public Builder resistor(String name, String a, String b, double ohms) {
            if (!(ohms >= 0)) throw new IllegalArgumentException(name + ": a resistance of " + ohms + " ohms");
            return add(new Element.Resistor(name, node(a), node(b), 1 / Math.max(ohms, 1e-6)));
        }

        /** A source of direct voltage, in volts. */
        public Builder source(String name, String plus, String minus, double volts) {
            return add(new Element.Source(name, node(plus), node(minus), volts));
        }

        /** A source of current, in amperes, that flows inside it from one net to the other. */
        public Builder current(String name, String from, String to, double amperes) {
            return add(new Element.Current(name, node(from), node(to), amperes));
        }

        /**
         * An ideal transformer.
         *
         * @param ratio volts of the secondary to one of the primary
         */
        public Builder transformer(String name, String p1, String p2, String s1, String s2, double ratio) {
            return add(new Element.Transformer(name, node(p1), node(p2), node(s1), node(s2), ratio));
        }

        /**
         * A nonlinear device.
         *
         * @throws IllegalArgumentException if the nets are not as many as its terminals
         */
        public Builder device(String name, DeviceModel law, String... terminals) {
            if (terminals.length != law.terminals())
                throw new IllegalArgumentException(name + " has " + law.terminals() + " terminals");
            return add(new Element.Device(
                    name, law, Arrays.stream(terminals).map(this::node).toList()));
        }

        private Builder add(Element e) {
            elements.add(e);
            return this;
        }

        /** The circuit of what was added so far. */
        public Circuit build() {
            return new Circuit(reference, index, elements);
        }
    }
}
