package anabion.core.simulation.dc;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.simulation.supply.AcSupply;

/**
 * What the iron of a small mains transformer takes: of usual proportions, worked at 1.2 T.
 *
 * <p>Source: design rules for small transformers. The iron's section is 1.1 √S cm² (S in volt-amperes); a stack as thick as its limb is wide, of section a², has
 * six cubes of a of iron at 7.65 g/cm³; sheet of the time takes about 3.5 W/kg. One make takes half of, or twice, what another does.
 */
public final class IronLoss {
    private static final double SECTION = 1.1;
    private static final double CUBES = 6;
    private static final double KILOGRAMS = 7.65e-3;
    private static final double WATTS = 3.5;
    /** Volts of a winding that tell no flux. */
    private static final double FAINT = 0.1;

    private IronLoss() {}

    /** Watts at the nominal line; 0 for a set without a mains transformer. Volt-amperes are what the set takes there. */
    public static double watts(Chassis chassis, double voltAmperes) {
        boolean wound = AcSupply.has(chassis)
                && AcSupply.vibrator(chassis).isEmpty()
                && chassis.parts().stream()
                        .anyMatch(p -> p.component() instanceof Component.Windings w && w.isMainsTransformer());
        return wound ? watts(voltAmperes) : 0;
    }

    /**
     * The share of its usual loss that the iron takes in some state: by the square of its flux, which the volts of its secondaries tell; 0 where the line does
     * not reach it.
     *
     * @param sound the same set in order
     * @param line of this state, as a share of the line at which the sound set was solved
     */
    public static double share(Chassis chassis, OperatingPoint now, OperatingPoint sound, double line) {
        double flux = 0;
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Windings w && w.isMainsTransformer())
                for (Winding x : w.windings().size() > 1
                        ? w.windings().subList(1, w.windings().size())
                        : w.windings()) {
                    String from = p.nets().getOrDefault(x.from(), "");
                    String to = p.nets().getOrDefault(x.to(), "");
                    double usual = line * sound.alternating(from, to);
                    if (usual > FAINT) flux = Math.max(flux, now.alternating(from, to) / usual);
                }
        return Math.min(1, flux * flux);
    }

    static double watts(double voltAmperes) {
        return WATTS * KILOGRAMS * CUBES * Math.pow(SECTION * Math.sqrt(voltAmperes), 1.5);
    }
}
