package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;

/** The parts on each net of a chassis, in their order: walks through a circuit ask for nothing else. */
final class PartsByNet {
    private final Map<String, List<Part>> parts = new HashMap<>();

    private PartsByNet() {}

    static PartsByNet of(Chassis chassis) {
        PartsByNet all = new PartsByNet();
        for (Part p : chassis.parts())
            for (String net : new LinkedHashSet<>(p.nets().values()))
                all.parts.computeIfAbsent(net, n -> new ArrayList<>()).add(p);
        return all;
    }

    List<Part> at(String net) {
        return parts.getOrDefault(net, List.of());
    }
}
