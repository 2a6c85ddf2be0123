package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.device.DeviceType;
import anabion.core.device.model.CathodeWarmUp;
import anabion.core.device.model.Heated;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * The rails of a set from switching on until it is warm. A silicon or directly heated rectifier is there before the tubes draw anything, and the rail overshoots;
 * an indirectly heated one comes with them, and it hardly does.
 *
 * <p>Method: reservoirs fill in a fraction of a second and cathodes warm in seconds, so each moment is a steady state of the set with so much emission in each
 * tube ({@link CathodeWarmUp}).
 *
 * @param moments in order of time
 */
public record WarmUp(List<Moment> moments) {
    private static final double[] SECONDS = {0.5, 1, 2, 4, 6, 8, 10, 12, 14, 16, 18, 20, 25, 30, 40, 60};
    /** A tube without any emission stops the solver: this much is none. */
    private static final double LEAST = 1e-12;
    /** From which share of its last volts a rail counts as settled. */
    private static final double SETTLED = 0.02;

    public WarmUp {
        moments = List.copyOf(moments);
    }

    /**
     * Some time after switching on.
     *
     * @param rails direct volts by net
     */
    public record Moment(double seconds, Map<String, Double> rails) {
        public Moment {
            rails = Map.copyOf(rails);
        }
    }

    /** @param setting warm, at the line at which the set is switched on */
    public static WarmUp of(Simulator engine, Chassis chassis, Setting setting, List<Rail> rails) {
        double dropped = dropped(chassis);
        List<Moment> all = new ArrayList<>();
        for (double seconds : SECONDS) {
            OperatingPoint o = engine.solve(chassis, setting.withTrims(emissions(chassis, setting, dropped, seconds)));
            if (!o.converged()) continue;
            Map<String, Double> volts = new HashMap<>();
            rails.forEach(r -> volts.put(r.net(), r.volts(o)));
            all.add(new Moment(seconds, volts));
        }
        return new WarmUp(all);
    }

    /** Share of the line that a heater chain drops in its resistor; 0 where a transformer heats. */
    private static double dropped(Chassis chassis) {
        boolean wound = chassis.parts().stream()
                .anyMatch(p -> p.component() instanceof Component.Windings w && w.isMainsTransformer());
        if (wound || !PlanKind.of(chassis).usesMains()) return 0;
        double sum = 0;
        for (Part p : chassis.parts())
            sum += Sockets.type(p).map(DeviceType::heaterVolts).orElse(0.0);
        return Math.max(0, 1 - sum / chassis.supply().volts());
    }

    private static Map<String, Double> emissions(Chassis chassis, Setting setting, double dropped, double seconds) {
        double heat = setting.line() / chassis.supply().volts();
        Map<String, Double> trims = new HashMap<>(setting.trims());
        for (Part p : chassis.parts()) {
            Optional<DeviceType> type = Sockets.type(p).filter(t -> t.heaterVolts() > 0);
            if (type.isEmpty()) continue;
            CathodeWarmUp.Kind kind = type.get().directlyHeated()
                    ? CathodeWarmUp.Kind.FILAMENT
                    : type.get().rectifies() ? CathodeWarmUp.Kind.LARGE_CATHODE : CathodeWarmUp.Kind.CATHODE;
            double last = Heated.emission(heat);
            double now = CathodeWarmUp.emission(kind, heat, dropped, seconds);
            trims.merge(p.reference(), Math.max(LEAST, now / Math.max(last, LEAST)), (a, b) -> a * b);
        }
        return trims;
    }

    /** The highest volts of a rail on its way. */
    public double peak(String rail) {
        return moments.stream()
                .mapToDouble(m -> Math.abs(m.rails().getOrDefault(rail, 0.0)))
                .max()
                .orElse(0);
    }

    /** Volts of a rail in the end. */
    public double settled(String rail) {
        return moments.isEmpty()
                ? 0
                : Math.abs(moments.get(moments.size() - 1).rails().getOrDefault(rail, 0.0));
    }

    /** Seconds after which a rail stays within {@value #SETTLED} of its last volts. */
    public double seconds(String rail) {
        double last = settled(rail);
        double at = 0;
        for (Moment m : moments)
            if (Math.abs(Math.abs(m.rails().getOrDefault(rail, 0.0)) - last) > SETTLED * last) at = m.seconds();
        return at;
    }
}
