package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.TunedCircuit;
import anabion.core.chassis.Winding;
import anabion.core.signal.FrontEnd.Circuit;
import anabion.core.signal.FrontEnd.Turned;
import anabion.core.simulation.setting.Setting;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What the adjusters of a set make of its circuits, wherever they stand: shares by letter, from the middle of their travel; see {@link Travel#share}. */
public final class AdjusterEffects {
    private final Chassis chassis;
    /** Those that tune transformers of the intermediate frequency. */
    private final List<Adjuster> intermediate;

    public AdjusterEffects(Chassis chassis) {
        this.chassis = chassis;
        this.intermediate = chassis.adjusters().stream()
                .filter(a -> TunedCircuit.of(chassis, a).stream().anyMatch(p -> p.is(PartRole.IF_TRANSFORMER)))
                .toList();
    }

    /** What those of the intermediate frequency make of its coils and capacitors, as factors; those of the gang are in {@link #turned}. */
    public Map<String, Double> trims(Map<String, Double> shares) {
        Map<String, Double> all = new HashMap<>();
        for (Adjuster a : intermediate) {
            Optional<Part> p = chassis.part(a.part());
            if (p.isEmpty() || !shares.containsKey(a.letter())) continue;
            double factor = 1 + shares.get(a.letter());
            for (Winding w : a.windings(p.get())) all.merge(Setting.core(a.part(), w), factor, (x, y) -> x * y);
            if (p.get().component() instanceof Capacitor) all.merge(a.part(), factor, (x, y) -> x * y);
        }
        return all;
    }

    /**
     * How a circuit of the gang stands.
     *
     * @param off factors of its own parts, by reference and {@link Setting#core}: how a specimen differs from its sheet
     */
    public Turned turned(Circuit c, Map<String, Double> shares, Map<String, Double> off) {
        double core = off.getOrDefault(c.coil().reference() + "." + c.winding(), 1.0);
        double padder =
                c.padder().map(p -> off.getOrDefault(p.reference(), 1.0)).orElse(1.0);
        double trimmer = 0;
        for (Adjuster a : chassis.adjusters()) {
            double share = shares.getOrDefault(a.letter(), 0.0);
            if (a.turns(c.coil(), c.winding())) core *= 1 + share;
            if (a.turns(c.padder())) padder *= 1 + share;
            if (a.turns(c.trimmer()))
                trimmer += share
                        * ((Capacitor) c.trimmer().orElseThrow().component())
                                .farads()
                                .get(0);
        }
        return new Turned(core, trimmer, padder);
    }
}
