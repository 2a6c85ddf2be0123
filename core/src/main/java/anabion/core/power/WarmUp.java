package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.device.model.CathodeWarmUp;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

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
        Cathodes cathodes = Cathodes.of(chassis);
        double heat = setting.line() / chassis.supply().volts();
        List<Moment> all = new ArrayList<>();
        for (double seconds : SECONDS) {
            OperatingPoint o = engine.solve(chassis, setting.withTrims(trims(setting, cathodes.shares(heat, seconds))));
            if (!o.converged()) continue;
            Map<String, Double> volts = new HashMap<>();
            rails.forEach(r -> volts.put(r.net(), r.volts(o)));
            all.add(new Moment(seconds, volts));
        }
        return new WarmUp(all);
    }

    private static Map<String, Double> trims(Setting setting, Map<String, Double> emissions) {
        Map<String, Double> trims = new HashMap<>(setting.trims());
        emissions.forEach((tube, share) -> trims.merge(tube, share, (a, b) -> a * b));
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
