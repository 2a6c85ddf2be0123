package anabion.core.coldcheck;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.recap.Stresses;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How the filters are emptied: V = V₀·e^(−t/RC).
 *
 * @param net the rail with the highest volts
 * @param volts it may stand at: high line, switched off before the tubes drew anything
 * @param farads of everything that stands that high
 * @param ohms of the bleeder
 * @param watts that it takes at first
 * @param seconds until {@link #SAFE} volts are left
 */
public record Discharge(String net, double volts, double farads, double ohms, double watts, double seconds) {
    /** Volts that may be touched. */
    public static final double SAFE = 30;
    /** Usual bleeder: quick, and cool enough to hold for the second it takes. */
    private static final double BLEEDER = 10e3;

    private static final double LARGE = 1e-6;

    /** Empty for a set without a rail above {@link #SAFE}. */
    public static Optional<Discharge> of(Chassis chassis) {
        OperatingPoint on = Stresses.coldStart(new Simulator(), chassis);
        if (!on.converged()) return Optional.empty();
        String rail = "";
        double most = 0;
        double farads = 0;
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Capacitor c)) continue;
            for (int n = 0; n < c.farads().size(); n++) {
                String net = p.nets().getOrDefault(String.valueOf(n + 1), "");
                OptionalDouble volts = on.volts(net);
                if (c.farads().get(n) < LARGE || volts.isEmpty() || Math.abs(volts.getAsDouble()) < SAFE) continue;
                farads += c.farads().get(n);
                if (Math.abs(volts.getAsDouble()) > most) {
                    most = Math.abs(volts.getAsDouble());
                    rail = net;
                }
            }
        }
        if (most <= SAFE) return Optional.empty();
        return Optional.of(new Discharge(
                rail, most, farads, BLEEDER, most * most / BLEEDER, BLEEDER * farads * Math.log(most / SAFE)));
    }
}
