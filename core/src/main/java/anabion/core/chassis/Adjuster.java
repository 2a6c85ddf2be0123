package anabion.core.chassis;

import anabion.core.json.Extra;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;

/**
 * A trimmer, core or padder of the alignment table.
 *
 * @param letter there
 * @param part the coil or capacitor that it changes
 * @param winding the name of the winding whose core it is; empty for a capacitor, and for a core that is common to all windings of its part
 * @param what in words for people: no rule reads them
 * @param side from which the tool goes in
 * @param place in words for people
 * @param spot where it sits, as somebody has shown on the plan
 */
public record Adjuster(
        UUID id,
        String letter,
        String part,
        Optional<String> winding,
        String what,
        String side,
        String place,
        Optional<Spot> spot,
        Extra extra) {
    /** Share of a chassis within which a tool can slip to another. */
    private static final double NEAR = 0.15;

    /** Where it sits. */
    public Adjuster at(Spot where) {
        return new Adjuster(id, letter, part, winding, what, side, place, Optional.of(where), extra);
    }

    /** Those of a set that sit so near that a tool can slip to them, by the places that were shown. */
    public List<Adjuster> neighbours(List<Adjuster> all) {
        return all.stream()
                .filter(a -> !a.id.equals(id) && spot.isPresent() && a.spot.isPresent())
                .filter(a -> spot.get().from(a.spot.get()) < NEAR)
                .toList();
    }

    /** The windings of a part whose inductance it changes; empty for a capacitor. */
    public List<Winding> windings(Part p) {
        if (!(p.component() instanceof Component.Windings w)) return List.of();
        return w.windings().stream()
                .filter(x -> winding.isEmpty() || winding.get().equals(x.name()))
                .toList();
    }

    /** Whether it changes a part, if there is one. */
    public boolean turns(Optional<Part> p) {
        return p.filter(x -> x.reference().equals(part)).isPresent();
    }

    /** Whether it changes the inductance of one of a coil's windings. */
    public boolean turns(Part coil, String name) {
        return part.equals(coil.reference())
                && windings(coil).stream().anyMatch(w -> w.name().equals(name));
    }

    /** Of one winding's core. */
    public Adjuster of(String name) {
        return new Adjuster(id, letter, part, Optional.of(name), what, side, place, spot, extra);
    }

    /** The winding that the words of an entered line begin with; empty where they name none of the part. */
    public static Optional<String> named(Part p, String words) {
        if (!(p.component() instanceof Component.Windings w)) return Optional.empty();
        String lower = words.toLowerCase(Locale.ROOT);
        return w.windings().stream()
                .map(Winding::name)
                .filter(n -> !n.isEmpty() && lower.startsWith(n.toLowerCase(Locale.ROOT)))
                .max(Comparator.comparingInt(String::length));
    }
}
