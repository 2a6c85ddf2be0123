package anabion.core.engine;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.Element;
import anabion.core.circuit.OperatingPoint;
import anabion.core.circuit.Solution;
import anabion.core.supply.Characteristic;
import anabion.core.supply.Rectifier;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Computes sets. It keeps the characteristics of the rectifiers it met and the last solution, from which the next one starts; so one
 * engine belongs to one thread.
 */
public final class Engine {
    private static final int KEPT = 64;
    /** Source resistance of a fixed rail, in ohms. */
    private static final double STIFF = 0.01;

    private final OperatingPoint solver = new OperatingPoint();
    private final OperatingPoint mainsSolver = new OperatingPoint();
    private final Memory<Key, Characteristic> characteristics = new Memory<>(KEPT);
    private final Memory<List<Element>, Solution> alternating = new Memory<>(KEPT);
    private double[] last = {};
    private List<String> lastNets = List.of();

    private record Key(Rectifier rectifier, double siemens) {}

    /** The whole set. */
    public Operating solve(Chassis chassis, Setting setting) {
        return prepare(chassis, setting, 0).solve();
    }

    /** A set ready to be solved, with and without a meter at its nets. */
    public Bench prepare(Chassis chassis, Setting setting) {
        return prepare(chassis, setting, 0);
    }

    /** @param series ohms in the line */
    Bench prepare(Chassis chassis, Setting setting, double series) {
        String reference = reference(chassis);
        Faults faults = new Faults(chassis, setting.faults());
        Optional<Mains> mains = Mains.has(chassis)
                ? Optional.of(new Mains(chassis, setting, faults, reference, series, this::alternating))
                : Optional.empty();
        List<Rails.Rail> rails = mains.map(
                        m -> new Rails(chassis, setting, faults, m, reference, this::characteristic).all())
                .orElse(List.of());
        Circuit.Builder c = new Direct(chassis, setting, faults, reference, mains).circuit();
        for (Rails.Rail r : rails)
            c.device(r.name() + ".rail" + rails.indexOf(r), r.characteristic(), r.output(), r.back(), r.reservoir());
        return new Bench(this, c.build(), mains.map(Mains::solution), rails);
    }

    /** A set whose rails stand where they stand in another solution, whatever its faults draw. */
    public Bench prepareOnRails(Chassis chassis, Setting setting, Operating sound) {
        Bench bench = prepare(chassis, setting);
        return new Bench(this, bench.onFixedRails(sound), bench.mains, List.of());
    }

    private Characteristic characteristic(Rectifier rectifier, double siemens) {
        return characteristics.get(new Key(rectifier, siemens), () -> new Characteristic(rectifier, siemens));
    }

    private Solution alternating(Circuit circuit) {
        return alternating.get(circuit.elements(), () -> mainsSolver.solve(circuit));
    }

    /** The net that everything is measured against. */
    public static String reference(Chassis chassis) {
        Optional<String> charted = chassis.chart().map(c -> c.conditions().reference());
        for (String net : List.of(charted.orElse("CHASSIS"), "CHASSIS", "B-", "EARTH"))
            if (chassis.parts().stream().anyMatch(p -> p.touches(net))) return net;
        return chassis.parts().stream()
                .map(Part::nets)
                .filter(n -> !n.isEmpty())
                .map(n -> n.values().iterator().next())
                .findFirst()
                .orElse("CHASSIS");
    }

    private Solution run(Circuit circuit) {
        boolean alike = circuit.nets().size() >= lastNets.size()
                && circuit.nets().subList(0, lastNets.size()).equals(lastNets);
        Solution s = alike ? solver.solve(circuit, last) : solver.solve(circuit);
        if (s.converged()) {
            last = s.unknowns();
            lastNets = circuit.nets();
        }
        return s;
    }

    /** One set under one setting, on the bench. */
    public static final class Bench {
        private final Engine engine;
        private final Circuit circuit;
        private final Optional<Solution> mains;
        private final List<Rails.Rail> rails;

        Bench(Engine engine, Circuit circuit, Optional<Solution> mains, List<Rails.Rail> rails) {
            this.engine = engine;
            this.circuit = circuit;
            this.mains = mains;
            this.rails = rails;
        }

        public Circuit circuit() {
            return circuit;
        }

        /** The same circuit with a stiff source in place of every rectifier, as high as another solution has it. */
        public Circuit onFixedRails(Operating sound) {
            Circuit.Builder c = Circuit.of(circuit.reference());
            circuit.nets().forEach(c::node);
            for (Element e : circuit.elements())
                if (!(e instanceof Element.Device d && d.law() instanceof Characteristic)) c.add(e);
            for (Rails.Rail r : rails)
                c.current(
                                r.name() + ".push",
                                r.back(),
                                r.reservoir(),
                                (sound.volts(r.reservoir()).orElse(0)
                                                - sound.volts(r.back()).orElse(0))
                                        / STIFF)
                        .resistor(r.name() + ".stiff", r.reservoir(), r.back(), STIFF);
            return c.build();
        }

        List<Rails.Rail> rails() {
            return rails;
        }

        public Operating solve() {
            return operating(engine.run(circuit));
        }

        /** With a meter of so many ohms from a net to the reference. */
        public Operating solveWithMeter(String net, double ohms) {
            return operating(engine.run(circuit.more()
                    .resistor("meter", net, circuit.reference(), ohms)
                    .build()));
        }

        private Operating operating(Solution direct) {
            return new Operating(direct, mains, rails);
        }
    }

    /** The nets at which something can be read. */
    public static List<String> nets(Chassis chassis) {
        List<String> nets = new ArrayList<>();
        for (Part p : chassis.parts()) for (String n : p.nets().values()) if (!nets.contains(n)) nets.add(n);
        return nets;
    }
}
