package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.device.DeviceType;
import anabion.core.device.model.CathodeWarmUp;
import anabion.core.device.model.Heated;
import anabion.core.simulation.fault.Sockets;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * The tubes of a set as they warm.
 *
 * @param kinds how each is heated, by its reference; none for a set without tubes
 * @param dropped share of the line that their chain drops in a resistor; 0 where a transformer or a battery heats
 */
record Cathodes(Map<String, CathodeWarmUp.Kind> kinds, double dropped) {
    /** A tube without any emission stops the solver: this much is none. */
    private static final double LEAST = 1e-12;

    private static final double STEP = 5;

    static Cathodes of(Chassis chassis) {
        Map<String, CathodeWarmUp.Kind> kinds = new LinkedHashMap<>();
        double sum = 0;
        for (Part p : chassis.parts()) {
            double volts = Sockets.type(p).map(DeviceType::heaterVolts).orElse(0.0);
            sum += volts;
            if (volts > 0) kinds.put(p.reference(), kind(Sockets.type(p).orElseThrow()));
        }
        boolean wound = chassis.parts().stream()
                .anyMatch(p -> p.component() instanceof Component.Windings w && w.isMainsTransformer());
        boolean chained = !wound && PlanKind.of(chassis).usesMains();
        return new Cathodes(
                kinds, chained ? Math.max(0, 1 - sum / chassis.supply().volts()) : 0);
    }

    private static CathodeWarmUp.Kind kind(DeviceType type) {
        if (type.directlyHeated()) return CathodeWarmUp.Kind.FILAMENT;
        return type.rectifies() ? CathodeWarmUp.Kind.LARGE_CATHODE : CathodeWarmUp.Kind.CATHODE;
    }

    /**
     * What each gives some time after switching on, as a share of what it gives in the end.
     *
     * @param heat share of their rated volts that the heaters have in the end
     */
    Map<String, Double> shares(double heat, double seconds) {
        Map<String, Double> all = new LinkedHashMap<>();
        kinds.forEach((tube, kind) -> all.put(tube, share(kind, heat, seconds)));
        return all;
    }

    private double share(CathodeWarmUp.Kind kind, double heat, double seconds) {
        return share(CathodeWarmUp.emission(kind, heat, dropped, seconds), heat);
    }

    /** An emission as a share of that in the end. */
    static double share(double emission, double heat) {
        return Math.max(LEAST, emission / Math.max(Heated.emission(heat), LEAST));
    }

    /** Seconds until the slowest gives a share of what it gives in the end, in steps of {@value #STEP}; {@code most} where it takes longer. */
    double seconds(double heat, double share, double most) {
        double seconds = 0;
        while (seconds < most && slowest(heat, seconds) < share) seconds += STEP;
        return seconds;
    }

    private double slowest(double heat, double seconds) {
        return kinds.values().stream()
                .distinct()
                .mapToDouble(k -> share(k, heat, seconds))
                .min()
                .orElse(1);
    }
}
