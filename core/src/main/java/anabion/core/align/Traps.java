package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Component.Windings;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.TunedCircuit;
import anabion.core.chassis.Winding;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Traps of a set: coils that come to resonance at the intermediate frequency with a capacitor of their own, and are none of its transformers. */
final class Traps {
    /** Share by which the resonance may lie off and be brought there. */
    private static final double REACH = 0.2;

    private final Chassis chassis;
    private final double hertz;

    /** @param hertz the intermediate frequency */
    Traps(Chassis chassis, double hertz) {
        this.chassis = chassis;
        this.hertz = hertz;
    }

    /** The adjusters of traps: cores, and capacitors of theirs. */
    List<Adjuster> adjusters() {
        return chassis.adjusters().stream()
                .filter(a -> chassis.part(a.part()).filter(this::ofTrap).isPresent())
                .toList();
    }

    private boolean ofTrap(Part p) {
        if (p.component() instanceof Windings) return coil(p);
        return p.component() instanceof Capacitor
                && chassis.parts().stream()
                        .anyMatch(c -> coil(c) && capacitors(c, first(c)).anyMatch(p::equals));
    }

    private boolean coil(Part p) {
        if (!(p.component() instanceof Windings w) || w.windings().size() != 1) return false;
        if (p.is(PartRole.IF_TRANSFORMER) || w.windings().get(0).henries() <= 0) return false;
        return capacitors(p, first(p)).anyMatch(c -> resonant(w.windings().get(0), c));
    }

    private static Winding first(Part p) {
        return ((Windings) p.component()).windings().get(0);
    }

    private boolean resonant(Winding w, Part c) {
        double farads = ((Capacitor) c.component()).farads().get(0);
        double own = 1 / (2 * Math.PI * Math.sqrt(w.henries() * farads));
        return Math.abs(own / hertz - 1) < REACH;
    }

    /** Those across it, and one with which alone it shares a net: in series. */
    private Stream<Part> capacitors(Part coil, Winding w) {
        Stream<Part> series = Stream.of(w.from(), w.to())
                .map(t -> coil.nets().getOrDefault(t, ""))
                .flatMap(net -> chassis.parts().stream().filter(c -> alone(coil, c, net)));
        return Stream.concat(TunedCircuit.across(chassis, coil, w).stream(), series)
                .filter(c -> c.component() instanceof Capacitor x && x.farads().size() == 1);
    }

    private boolean alone(Part coil, Part c, String net) {
        Optional<Part> third = chassis.parts().stream()
                .filter(p -> p.touches(net) && !p.equals(coil) && !p.equals(c))
                .findFirst();
        return !net.isEmpty() && !net.equals(chassis.reference()) && c.touches(net) && third.isEmpty();
    }
}
