package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.chassis.Provenance;
import anabion.core.diagnosis.hypothesis.FaultDraw;
import anabion.core.json.Extra;
import anabion.core.simulation.Simulator;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * What is wrong with a simulated set.
 *
 * @param chassis with the fault, where it is no fault of a part
 * @param causes of the list; empty for one that no list has
 */
record Planted(Chassis chassis, List<Fault> faults, Set<String> causes) {
    private static final double BRIDGE = 20e3;

    /** One fault of the list, drawn by how often it happens, its severity anywhere between the listed ones. */
    static Planted listed(Chassis chassis, Random random) {
        Fault f = FaultDraw.of(chassis, random);
        return new Planted(chassis, List.of(f), Set.of(cause(f)));
    }

    static Planted pair(Chassis chassis, Random random) {
        Planted one = listed(chassis, random);
        Planted two = listed(chassis, random);
        while (two.faults().get(0).part().equals(one.faults().get(0).part())) two = listed(chassis, random);
        List<Fault> both = List.of(one.faults().get(0), two.faults().get(0));
        return new Planted(chassis, both, Set.of(cause(both.get(0)), cause(both.get(1))));
    }

    /** A lead soldered to the next pin, a leak or whisker between two pins of a socket, or two at once. */
    static Planted unlisted(Chassis chassis, Random random) {
        return switch (random.nextInt(3)) {
            case 0 -> miswired(chassis, random);
            case 1 -> bridged(chassis, random);
            default -> pair(chassis, random);
        };
    }

    private static Planted miswired(Chassis chassis, Random random) {
        List<Part> loose = chassis.parts().stream()
                .filter(p -> p.nets().size() == 2
                        && (p.component() instanceof Component.Resistor
                                || p.component() instanceof Component.Capacitor))
                .toList();
        Part p = loose.get(random.nextInt(loose.size()));
        List<Part> devices =
                chassis.parts().stream().filter(d -> d.device().isPresent()).toList();
        Part near = devices.stream()
                .filter(d -> d.nets().values().stream().anyMatch(p.nets()::containsValue))
                .findFirst()
                .orElse(devices.get(random.nextInt(devices.size())));
        List<String> nets = new ArrayList<>(new LinkedHashSet<>(near.nets().values()));
        nets.removeAll(p.nets().values());
        if (nets.isEmpty()) return miswired(chassis, random);
        Map<String, String> moved = new LinkedHashMap<>(p.nets());
        moved.put(random.nextBoolean() ? "1" : "2", nets.get(random.nextInt(nets.size())));
        List<Part> parts = new ArrayList<>(chassis.parts());
        parts.set(parts.indexOf(p), p.withReference(p.reference(), moved));
        return new Planted(chassis.withParts(parts), List.of(), Set.of());
    }

    private static Planted bridged(Chassis chassis, Random random) {
        List<Part> devices =
                chassis.parts().stream().filter(p -> p.device().isPresent()).toList();
        Part p = devices.get(random.nextInt(devices.size()));
        List<String> nets = new ArrayList<>(new LinkedHashSet<>(p.nets().values()));
        if (nets.size() < 2) return bridged(chassis, random);
        int at = random.nextInt(nets.size());
        double ohms = BRIDGE * random.nextDouble();
        Part bridge = new Part(
                new UUID(0, 1),
                "RX",
                new Component.Resistor(ohms, 0.05, 1),
                Map.of("1", nets.get(at), "2", nets.get((at + 1) % nets.size())),
                "",
                Optional.empty(),
                "",
                "",
                Provenance.values()[0],
                "",
                Extra.NONE);
        List<Part> parts = new ArrayList<>(chassis.parts());
        parts.add(bridge);
        return new Planted(chassis.withParts(parts), List.of(), Set.of());
    }

    private static String cause(Fault f) {
        return f.cause();
    }

    /** The nets that both the sound and the faulty set have. */
    List<String> nets() {
        return Simulator.nets(chassis);
    }

    /** The parts at fault, as far as a list names them. */
    Set<String> parts() {
        return faults.stream().map(Fault::part).collect(Collectors.toSet());
    }
}
