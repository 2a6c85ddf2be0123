package anabion.core.chassis;

import java.util.Optional;

/** Where an aerial is plugged in, found from the nets: the end of an aerial's coil on which nothing else hangs, or the far end of a capacitor before it. */
public final class AerialTerminal {
    private AerialTerminal() {}

    /** The net of a coil's terminal; empty where its ends lead into the set, as those of a loop do. */
    public static Optional<String> of(Chassis chassis, Part coil) {
        return coil.nets().values().stream()
                .filter(n -> !n.equals(chassis.reference()))
                .flatMap(n -> at(chassis, n).stream())
                .findFirst();
    }

    private static Optional<String> at(Chassis chassis, String net) {
        if (hangs(chassis, net)) return Optional.of(net);
        return chassis.partsOn(net).stream()
                .filter(p ->
                        p.component() instanceof Component.Capacitor && p.nets().size() == 2)
                .flatMap(p -> p.nets().values().stream())
                .filter(n -> !n.equals(net) && !n.equals(chassis.reference()) && hangs(chassis, n))
                .findFirst();
    }

    /** Whether one part alone has a net. */
    private static boolean hangs(Chassis chassis, String net) {
        return chassis.partsOn(net).size() == 1;
    }
}
