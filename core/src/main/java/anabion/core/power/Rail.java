package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.simulation.dc.OperatingPoint;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Where a meter hangs to follow a supply.
 *
 * @param net the reservoir's, or a battery's pole
 * @param foot what it returns to: the reservoir's other end, which need not be the chassis
 */
public record Rail(String net, String foot) {
    /** The reservoirs of a set's rectifiers, the highest first; of a set without any, the batteries' poles that are not the reference. */
    static List<Rail> of(Chassis chassis, OperatingPoint sound) {
        List<Rail> all = new ArrayList<>();
        for (String net : sound.supplies().keySet())
            all.add(new Rail(net, sound.foot(net).orElse(chassis.reference())));
        if (all.isEmpty())
            for (Part p : chassis.parts())
                if (p.component() instanceof Component.Battery)
                    p.nets().values().stream()
                            .filter(n -> !n.equals(chassis.reference()))
                            .map(n -> new Rail(n, chassis.reference()))
                            .filter(r -> !all.contains(r))
                            .forEach(all::add);
        all.sort(Comparator.comparingDouble((Rail r) -> -Math.abs(r.volts(sound)))
                .thenComparing(Rail::net));
        return all;
    }

    /** Direct volts between its ends. */
    double volts(OperatingPoint o) {
        return o.volts(net).orElse(0) - o.volts(foot).orElse(0);
    }
}
