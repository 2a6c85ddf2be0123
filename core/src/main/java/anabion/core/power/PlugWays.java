package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.isolation.Barrier;
import anabion.core.isolation.MainsReach;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What a hand on the chassis would carry to earth, the plug one way and the other, the switch on and off. */
final class PlugWays {
    /** A body, and the resistor across the meter by which its current is told (touch-current networks). */
    private static final double BODY = 1500;

    private PlugWays() {}

    /** @throws InputException for a set that does not hang on the mains */
    static Phrase words(Chassis chassis) {
        if (!PlanKind.of(chassis).usesMains())
            throw InputException.at("plug")
                    .because("this set does not hang on the mains")
                    .so("use it on sets with a plug");
        MainsReach reach = MainsReach.of(chassis);
        double line = chassis.supply().volts();
        if (reach.liveChassis())
            return Phrase.of("power.sum.plug.live", Figures.volts(line), Figures.si(Quantity.amperes(line / BODY), 2));
        double worst = 0;
        List<String> between = new ArrayList<>();
        for (Barrier b : reach.barriers()) {
            if (b.touched() != Barrier.Touched.METAL) continue;
            worst = Math.max(
                    worst,
                    reach.touchAmperes(
                            b, Map.of(), Map.of(), line, chassis.supply().hertz()));
            b.parts().forEach(p -> between.add(p.reference()));
        }
        if (between.isEmpty()) return Phrase.of("power.sum.plug.insulated");
        return Phrase.of(
                "power.sum.plug.barrier",
                String.join(", ", between.stream().distinct().sorted().toList()),
                Figures.si(Quantity.amperes(worst), 2));
    }
}
