package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import java.util.Optional;

/** What a turn of an adjuster does, and how far it goes: usual parts, no sheet gives it. */
public enum Travel {
    /** A core in a coil: twelve turns of its thread. */
    CORE(0.025, 0.15),
    /** A trimmer: half a turn from end to end. */
    TRIMMER(2, 0.5),
    /** A padder of mica under a screw: three turns. */
    PADDER(1.0 / 3, 0.5);

    private final double turn;
    private final double reach;

    Travel(double turn, double reach) {
        this.turn = turn;
        this.reach = reach;
    }

    /** Of an adjuster; empty where its part is not entered, or is neither coil nor capacitor. */
    public static Optional<Travel> of(Chassis chassis, Adjuster a) {
        return chassis.part(a.part()).flatMap(Travel::of);
    }

    private static Optional<Travel> of(Part p) {
        if (p.is(PartRole.PADDER)) return Optional.of(PADDER);
        if (p.component() instanceof Component.Windings) return Optional.of(CORE);
        return p.component() instanceof Component.Capacitor ? Optional.of(TRIMMER) : Optional.empty();
    }

    /** Turns that make a change. */
    public double turns(double share) {
        return share / turn;
    }

    /** What so many turns change: of a core and a padder a share of its value, of a trimmer one of its largest. */
    public double share(double turns) {
        return turns * turn;
    }

    /** The largest change from the middle of the travel, either way; as {@link #share}. */
    public double reach() {
        return reach;
    }
}
