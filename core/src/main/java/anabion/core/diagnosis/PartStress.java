package anabion.core.diagnosis;

import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import java.util.List;

/**
 * How much oftener a part fails than others of its kind for where it sits: with volts across it, with a current through it, or with neither. The
 * figures are general knowledge of the trade.
 */
final class PartStress {
    /**
     * One place.
     *
     * @param roles words of which its role has one
     */
    private record Place(String kind, FaultMode mode, List<String> roles, double factor) {
        boolean holds(Part p, Fault f) {
            return p.component().kind().equals(kind)
                    && f.mode().equals(mode)
                    && roles.stream().anyMatch(p.role()::contains);
        }
    }

    /** The first that holds. */
    private static final List<Place> PLACES = List.of(
            new Place("capacitor", FaultMode.LEAKY, List.of("aerial"), 1),
            // the plate's volts as long as the set is on
            new Place("capacitor", FaultMode.LEAKY, List.of("coupling"), 2),
            new Place("capacitor", FaultMode.LEAKY, List.of("screen bypass", "decoupling", "plate", "tone"), 1.2),
            new Place(
                    "capacitor",
                    FaultMode.LEAKY,
                    List.of("AVC", "cathode bypass", "emitter bypass", "base bypass", "detector", "de-emphasis"),
                    0.4),
            new Place("resistor", FaultMode.OPEN, List.of("feed", "load", "decoupling", "dropper", "smoothing"), 1.3),
            new Place("resistor", FaultMode.OPEN, List.of("leak", "AVC", "filter", "bias", "de-emphasis"), 0.4));

    /** Old carbon drifts up; it falls where it was overheated, and so often. */
    private static final double FALLEN = 0.2;
    /** Carbon of this many ohms drifts as often as the tables say, more ohms oftener: by this power of the ratio, within these bounds. */
    private static final double USUAL_OHMS = 100e3;

    private static final double POWER = 0.25;
    private static final double SELDOM = 0.4;
    private static final double OFTEN = 1.6;

    private PartStress() {}

    static double of(Part p, Fault f) {
        if (p.component() instanceof Component.Resistor r && f.mode() == FaultMode.DRIFTED) return drift(r, f);
        return PLACES.stream()
                .filter(x -> x.holds(p, f))
                .findFirst()
                .map(Place::factor)
                .orElse(1.0);
    }

    private static double drift(Component.Resistor r, Fault f) {
        double size = Math.max(SELDOM, Math.min(OFTEN, Math.pow(r.ohms() / USUAL_OHMS, POWER)));
        boolean fallen = !f.amount().isEmpty() && f.ohms().value() < r.ohms();
        return fallen ? FALLEN * size : size;
    }
}
