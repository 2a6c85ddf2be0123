package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.simulation.supply.PassiveStamps;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/** The line inside a set. */
final class Line {
    private Line() {}

    /** The nets that fuses, switches and small resistors join to the plug, but for what the circuit returns to. */
    static Set<String> of(Chassis chassis) {
        Set<String> all = new TreeSet<>();
        List<String> left = new ArrayList<>(List.of(AcSupply.L, AcSupply.N));
        while (!left.isEmpty()) {
            String net = left.remove(0);
            if (chassis.returns().contains(net) || !all.add(net)) continue;
            for (Part p : chassis.parts()) if (p.touches(net)) left.addAll(PassiveStamps.joined(p, net));
        }
        return all;
    }
}
