package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.Element;
import anabion.core.circuit.SmallSignal;
import anabion.core.circuit.Solution;
import anabion.core.device.model.FilamentLaw;
import anabion.core.numeric.Phasor;
import anabion.core.simulation.fault.Faults;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/**
 * The mains side of a set in which large capacitors carry current: a dropper before the heaters, a bypass behind a heater that touches its cathode.
 *
 * <p>Method: complex nodal analysis at the line's frequency, with every lamp and heater at the resistance that its effective volts give it, repeated until
 * these settle. With half of each step taken it has settled in all circuits tried; after {@value #ROUNDS} rounds it stops where it is.
 */
final class ReactiveMains {
    private static final int ROUNDS = 60;
    private static final double SETTLED = 1e-5;
    /** Volts across a capacitor below which it carries nothing that matters. */
    private static final double QUIET = 1;

    private final Chassis chassis;
    private final Faults faults;
    private final double hertz;
    private Solution shape;
    private SmallSignal.Tone network;
    private SmallSignal.Volts volts;
    /** What the mains drives into the network: its volts over the resistance through which it enters. */
    private double amperes;

    ReactiveMains(Chassis chassis, Faults faults, double hertz) {
        this.chassis = chassis;
        this.faults = faults;
        this.hertz = hertz;
    }

    private record Section(String from, String to, double farads) {}

    private List<Section> sections(Circuit circuit) {
        return chassis.parts().stream()
                .filter(p -> p.component() instanceof Capacitor)
                .flatMap(p -> sections(p).stream())
                .filter(s -> s.farads() >= AcSupply.FEEDS
                        && circuit.node(s.from()).isPresent()
                        && circuit.node(s.to()).isPresent())
                .toList();
    }

    private List<Section> sections(Part p) {
        List<Double> farads = ((Capacitor) p.component()).farads();
        String common = faults.net(p, String.valueOf(farads.size() + 1));
        return java.util.stream.IntStream.range(0, farads.size())
                .mapToObj(n -> new Section(
                        faults.net(p, String.valueOf(n + 1)), common, faults.farads(p, n + 1, farads.get(n))))
                .toList();
    }

    /** Whether alternating volts stand across one of the large capacitors. */
    boolean matters(Solution resistive) {
        return sections(resistive.circuit()).stream()
                .anyMatch(s -> Math.abs(resistive.volts(s.from()).orElse(0)
                                - resistive.volts(s.to()).orElse(0))
                        > QUIET);
    }

    /**
     * @param resistive the solution without capacitors
     * @param line volts of the mains
     * @param circuit the circuit with lamps and heaters at given ohms
     */
    ReactiveMains solved(
            Solution resistive,
            double line,
            Function<Circuit, Solution> solver,
            Function<Map<String, Double>, Circuit.Builder> circuit) {
        Map<String, Double> ohms = new HashMap<>();
        for (Element.Device d : lamps(resistive)) ohms.put(d.name(), ((FilamentLaw) d.law()).ohms(0));
        for (int round = 0; round < ROUNDS; round++) {
            shape = solver.apply(circuit.apply(ohms).build());
            SmallSignal signals = SmallSignal.about(shape, e -> false);
            for (Section s : sections(shape.circuit())) signals.capacitor(s.from(), s.to(), s.farads(), 0);
            network = signals.at(hertz);
            volts = network.driven(AcSupply.L, AcSupply.N);
            amperes = line * siemens();
            double moved = 0;
            for (Element.Device d : lamps(resistive)) {
                double u = Math.abs(between(
                        resistive.circuit().net(d.nodes().get(0)),
                        resistive.circuit().net(d.nodes().get(1))));
                double before = ohms.get(d.name());
                double after = Math.sqrt(before * ((FilamentLaw) d.law()).ohms(u));
                moved = Math.max(moved, Math.abs(after / before - 1));
                ohms.put(d.name(), after);
            }
            if (moved < SETTLED) break;
        }
        return this;
    }

    private static List<Element.Device> lamps(Solution s) {
        return s.circuit().elements().stream()
                .filter(e -> e instanceof Element.Device d && d.law() instanceof FilamentLaw)
                .map(e -> (Element.Device) e)
                .toList();
    }

    /** Of the resistance through which the mains enters. */
    private double siemens() {
        return shape.circuit().elements().stream()
                .filter(e -> e instanceof Element.Resistor && e.name().equals("line"))
                .mapToDouble(e -> ((Element.Resistor) e).siemens())
                .findFirst()
                .orElseThrow();
    }

    private Phasor at(String net) {
        return shape.circuit().node(net).isPresent() ? volts.at(net).times(amperes) : new Phasor(0, 0);
    }

    /** Effective volts, negative where they run against the line. */
    double between(String from, String to) {
        Phasor u = at(from).minus(at(to));
        return u.re() < 0 ? -u.size() : u.size();
    }

    /** What a rectifier between two nets sees: the size of the impedance. */
    double ohms(String from, String to) {
        SmallSignal.Volts pushed = network.driven(from, to);
        return pushed.at(from).minus(pushed.at(to)).size();
    }

    /** The resistive solution's nets with these volts. */
    Solution solution() {
        double[] u = shape.unknowns();
        for (String net : shape.circuit().nets())
            shape.circuit().node(net).ifPresent(n -> {
                if (n != Circuit.REFERENCE) u[n] = between(net, shape.circuit().reference());
            });
        return shape.with(u);
    }
}
