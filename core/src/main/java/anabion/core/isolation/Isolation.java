package anabion.core.isolation;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Measure;
import anabion.core.reading.Reading;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.text.Phrase;
import java.util.List;

/** What may be said of a set's isolation: what is entered of it, what its circuit shows, and what was measured. */
public final class Isolation {
    /** Ohms between a plug pin and the chassis from which a transformer has passed its cold test. */
    private static final double PASSED = 1e6;

    private Isolation() {}

    /** The danger in a sentence; that a transformer isolates only where the circuit shows two windings and both plug pins were measured against the chassis. */
    public static Phrase words(Chassis chassis, List<Reading> readings) {
        Arrangement a = chassis.supply().arrangement();
        if (a != Arrangement.TRANSFORMER) return Phrase.of("safety." + a.code());
        MainsReach reach = MainsReach.of(chassis);
        if (reach.liveCircuit() || reach.liveChassis()) return Phrase.of("safety.transformer.live");
        boolean proved = doubleWound(chassis) && passed(readings, AcSupply.L) && passed(readings, AcSupply.N);
        return Phrase.of(proved ? "safety.transformer" : "safety.transformer.unproved");
    }

    /** Whether the mains may be on the chassis, by what is entered or by what the circuit shows. */
    public static boolean mayBeLive(Chassis chassis) {
        if (chassis.supply().arrangement().chassisMayBeLive()) return true;
        MainsReach reach = MainsReach.of(chassis);
        return reach.liveChassis() || reach.liveCircuit();
    }

    private static boolean doubleWound(Chassis chassis) {
        return chassis.parts().stream()
                .anyMatch(p -> p.component() instanceof Component.Windings w && w.isMainsTransformer());
    }

    /** By the last of the readings of a plug pin against anything but the other pin. */
    private static boolean passed(List<Reading> readings, String pin) {
        boolean good = false;
        for (Reading r : readings)
            if (r.measure() == Measure.OHMS && !r.doubtful() && joins(r, pin)) good = r.value() >= PASSED;
        return good;
    }

    private static boolean joins(Reading r, String pin) {
        String other = r.point().equals(pin) ? r.reference() : r.reference().equals(pin) ? r.point() : "";
        return !other.isEmpty() && !other.equals(AcSupply.L) && !other.equals(AcSupply.N);
    }
}
