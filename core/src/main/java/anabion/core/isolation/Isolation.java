package anabion.core.isolation;

import anabion.core.chassis.Arrangement;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Measure;
import anabion.core.reading.Reading;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.text.Phrase;
import java.util.List;

/**
 * What may be said of a set's isolation: what is entered of it, what its circuit shows, and what was measured.
 *
 * @param arrangement as entered
 * @param doubleWound whether the circuit has a transformer with two windings
 * @param live whether the circuit shows the mains on the chassis or on the circuit's own return
 * @param cautions what else can hurt
 */
public record Isolation(Arrangement arrangement, boolean doubleWound, boolean live, List<Caution> cautions) {
    /** Ohms between a plug pin and the chassis from which a transformer has passed its cold test. */
    public static final double PASSED = 1e6;

    public Isolation {
        cautions = List.copyOf(cautions);
    }

    /** What a chassis shows. It takes a solution of the mains side in each of its states: on a large set a good part of a second. */
    public static Isolation of(Chassis chassis) {
        return of(chassis, MainsReach.of(chassis));
    }

    /** @param reach of the mains in it */
    public static Isolation of(Chassis chassis, MainsReach reach) {
        Arrangement arrangement = chassis.supply().arrangement();
        boolean called = arrangement.chassisMayBeLive();
        boolean shown = !called && (reach.liveChassis() || reach.liveCircuit());
        return new Isolation(arrangement, doubleWound(chassis), shown, Caution.of(chassis, called || shown));
    }

    /** What is known before the circuit has been looked at: nothing is proved. */
    public static Isolation unproved(Chassis chassis) {
        return new Isolation(chassis.supply().arrangement(), false, false, List.of());
    }

    /** The danger in a sentence; that a transformer isolates only where the circuit shows two windings and both plug pins were measured against the chassis. */
    public Phrase words(List<Reading> readings) {
        if (arrangement != Arrangement.TRANSFORMER) return Phrase.of("safety." + arrangement.code());
        if (live) return Phrase.of("safety.transformer.live");
        return Phrase.of(proved(readings) ? "safety.transformer" : "safety.transformer.unproved");
    }

    /** Whether a transformer of two windings keeps the mains off, and both plug pins were measured against the chassis. */
    public boolean proved(List<Reading> readings) {
        boolean wound = arrangement == Arrangement.TRANSFORMER && !live && doubleWound;
        return wound && passed(readings, AcSupply.L) && passed(readings, AcSupply.N);
    }

    /** Whether the mains may be on the chassis, by what is entered or by what the circuit shows. */
    public boolean mayBeLive() {
        return live || arrangement.chassisMayBeLive();
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
