package anabion.core.simulation;

import anabion.core.chassis.Chassis;
import anabion.core.device.model.LampLaw;
import anabion.core.rectifier.Cycle;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A set on a variac, with or without a lamp in series.
 *
 * <p>Method: at each line voltage the lamp is a resistance, and the set's effective mains current through it heats it to one; the two
 * are brought together by repeated substitution, beginning at the last step's lamp. So the lamp is followed upward from cold, as at
 * the bench, and where it could also glow brightly it stays dim until it must. It fails to settle only at the jump itself, and says so.
 */
public final class PowerUp {
    private static final int ROUNDS = 30;
    private static final double CLOSE = 2e-3;
    private static final double DAMPING = 0.6;

    private PowerUp() {}

    /**
     * One step of the variac.
     *
     * @param line volts of the variac
     * @param set volts left for the set
     * @param watts taken from the line, lamp included
     * @param glow of the lamp, 0 dark to 1 as at its rated volts; 0 without one
     * @param supply the first rectifier's cycle; empty while it gives nothing
     */
    public record Step(double line, double set, double watts, double glow, Optional<Cycle> supply, boolean settled) {}

    /**
     * @param line the highest line volts
     * @param steps in so many equal steps
     * @param lampWatts rated watts of the lamp at the chassis's nominal volts; 0 for none
     */
    public static List<Step> run(Chassis chassis, Setting setting, double line, int steps, double lampWatts) {
        Simulator engine = new Simulator();
        double nominal = chassis.supply().volts() > 0 ? chassis.supply().volts() : line;
        Optional<LampLaw> lamp =
                lampWatts > 0 ? Optional.of(new LampLaw(nominal, lampWatts / nominal, LampLaw.LAMP)) : Optional.empty();
        double ohms = lamp.map(l -> l.ohms(0)).orElse(0.0);
        List<Step> all = new ArrayList<>();
        for (int n = 1; n <= steps; n++) {
            double volts = line * n / steps;
            Trial t = trial(engine, chassis, setting.withLine(volts), ohms);
            boolean settled = lamp.isEmpty();
            for (int r = 0; r < ROUNDS && !settled; r++) {
                double wanted = lamp.orElseThrow().ohms(t.amperes() * ohms);
                settled = Math.abs(wanted - ohms) < CLOSE * ohms;
                ohms += DAMPING * (wanted - ohms);
                t = trial(engine, chassis, setting.withLine(volts), ohms);
            }
            double across = t.amperes() * ohms;
            double glow = lamp.map(l -> l.glow(across)).orElse(0.0);
            all.add(new Step(volts, t.set(), t.watts(), glow, t.supply(), settled && t.converged()));
        }
        return all;
    }

    private record Trial(double amperes, double set, double watts, Optional<Cycle> supply, boolean converged) {}

    private static Trial trial(Simulator engine, Chassis chassis, Setting setting, double ohms) {
        OperatingPoint o = engine.prepare(chassis, setting, ohms).solve();
        Optional<Cycle> supply = o.supplies().values().stream().findFirst();
        return new Trial(
                o.mainsAmperes(),
                Math.max(0, setting.line() - o.mainsAmperes() * ohms),
                o.wattsFromMains(),
                supply.filter(c -> c.amperes() > 1e-6),
                o.converged());
    }
}
