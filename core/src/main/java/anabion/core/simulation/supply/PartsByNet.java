package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The parts on each net of a chassis, in their order: walks through a circuit ask for nothing else. */
final class PartsByNet {
    private final Map<String, List<Part>> parts = new HashMap<>();

    private PartsByNet() {}

    static PartsByNet of(Chassis chassis) {
        PartsByNet all = new PartsByNet();
        for (Part p : chassis.parts())
            for (String net : p.nets().values()) {
                List<Part> at = all.parts.computeIfAbsent(net, n -> new ArrayList<>());
                if (at.isEmpty() || at.get(at.size() - 1) != p) at.add(p);
            }
        return all;
    }

    List<Part> at(String net) {
        return parts.getOrDefault(net, List.of());
    }
}
