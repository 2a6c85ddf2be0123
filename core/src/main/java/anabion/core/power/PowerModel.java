package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.recap.Stresses;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.IronLoss;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a set shows on its way up: as it should be, and with each fault that is common at the first power-up. Everything goes by the volts at the set.
 *
 * @param nominal volts of the line
 * @param rectified whether its rails are rectifiers', not batteries' poles that are there at once
 * @param rails its rectified supplies, or its batteries, the highest first
 * @param iron watts of a transformer's at the nominal line
 * @param sound the set as it should be
 * @param cold the set before its tubes have warmed, its rectifier at work: the most that the rails may stand at
 * @param others with a fault each; those that do not settle are left out
 */
public record PowerModel(
        double nominal,
        boolean rectified,
        List<Rail> rails,
        double iron,
        SupplyCurve sound,
        SupplyCurve cold,
        WarmUp warmUp,
        List<Faulty> others) {
    /** The set with a fault. */
    public record Faulty(LookAlike what, SupplyCurve curve) {}

    public PowerModel {
        rails = List.copyOf(rails);
        others = List.copyOf(others);
    }

    /**
     * Without faults: quick.
     *
     * @throws InputException if what feeds the set is not entered, or its circuit does not settle
     */
    public static PowerModel sound(Chassis chassis) {
        return new Maker(chassis).sound();
    }

    /** With all common faults: a few seconds for a large set. Throws as {@link #sound}. */
    public static PowerModel of(Chassis chassis) {
        Maker maker = new Maker(chassis);
        return maker.with(maker.sound());
    }

    /** The rail that a meter hangs on: the highest. Empty for a set whose circuit gives none. */
    public Optional<Rail> rail() {
        return rails.stream().findFirst();
    }

    private static final class Maker {
        private final Simulator engine = new Simulator();
        private final Chassis chassis;
        private final Setting usual;
        private final OperatingPoint solved;

        Maker(Chassis chassis) {
            this.chassis = chassis;
            this.usual = Setting.fed(chassis);
            if (chassis.parts().isEmpty())
                throw InputException.at(chassis.name())
                        .because("its circuit is not entered, so nothing can be foreseen")
                        .so("enter its parts on the Study sheet");
            this.solved = engine.solve(chassis, usual);
            if (!solved.converged())
                throw InputException.at(chassis.name())
                        .because("its circuit does not settle even when sound")
                        .so("look at the checks of the Study sheet first");
        }

        PowerModel sound() {
            List<Rail> rails = Rail.of(chassis, solved);
            double iron = IronLoss.watts(chassis, usual.line() * solved.mainsAmperes());
            SupplyCurve well = SupplyCurve.of(engine, chassis, usual, rails, iron);
            SupplyCurve cold = SupplyCurve.of(engine, chassis, usual.withFaults(Stresses.cold(chassis)), rails, iron);
            return new PowerModel(
                    usual.line(),
                    !solved.supplies().isEmpty(),
                    rails,
                    iron,
                    well,
                    cold,
                    WarmUp.of(engine, chassis, usual, rails),
                    List.of());
        }

        PowerModel with(PowerModel sound) {
            List<Faulty> others = new ArrayList<>();
            for (LookAlike l : LookAlike.of(chassis, solved)) {
                SupplyCurve curve = SupplyCurve.of(
                        engine, chassis, usual.withFaults(List.of(l.fault())), sound.rails(), sound.iron());
                if (curve.known()) others.add(new Faulty(l, curve));
            }
            return new PowerModel(
                    sound.nominal(),
                    sound.rectified(),
                    sound.rails(),
                    sound.iron(),
                    sound.sound(),
                    sound.cold(),
                    sound.warmUp(),
                    others);
        }
    }
}
