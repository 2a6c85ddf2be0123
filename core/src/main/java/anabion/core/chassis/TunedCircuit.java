package anabion.core.chassis;

import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Component.Windings;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** The parts that come to resonance together, as the nets tell: a coil's winding, what is joined across it, and what trims or pads it. */
public final class TunedCircuit {
    private TunedCircuit() {}

    /** The capacitors that are joined across a winding. */
    public static List<Part> across(Chassis chassis, Part coil, Winding w) {
        String from = coil.nets().getOrDefault(w.from(), "");
        String to = coil.nets().getOrDefault(w.to(), "");
        return chassis.parts().stream()
                .filter(c -> c.component() instanceof Capacitor && c.joins(from, to))
                .toList();
    }

    /**
     * The parts that an adjuster brings in tune, its own among them.
     *
     * @return empty where its part is not entered
     */
    public static Set<Part> of(Chassis chassis, Adjuster a) {
        Optional<Part> own = chassis.part(a.part());
        Set<Part> all = new LinkedHashSet<>();
        if (own.isEmpty()) return all;
        all.add(own.get());
        if (own.get().component() instanceof Windings)
            for (Winding w : a.windings(own.get())) all.addAll(around(chassis, own.get(), w));
        else
            for (Part coil : chassis.parts())
                if (coil.component() instanceof Windings x)
                    for (Winding w : x.windings())
                        if (w.henries() > 0 && around(chassis, coil, w).contains(own.get())) {
                            all.add(coil);
                            all.addAll(around(chassis, coil, w));
                        }
        return all;
    }

    /** Across it, and what tunes, trims or pads at either end of it. */
    private static Set<Part> around(Chassis chassis, Part coil, Winding w) {
        Set<Part> all = new LinkedHashSet<>(across(chassis, coil, w));
        for (String terminal : List.of(w.from(), w.to())) {
            String net = coil.nets().getOrDefault(terminal, "");
            if (net.isEmpty() || net.equals(chassis.reference())) continue;
            chassis.parts().stream()
                    .filter(p -> p.touches(net)
                            && p.role()
                                    .filter(r -> r.isTrimmer() || r == PartRole.PADDER || r == PartRole.IF_TUNING)
                                    .isPresent())
                    .forEach(all::add);
        }
        return all;
    }
}
