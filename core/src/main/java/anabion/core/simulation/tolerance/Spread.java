package anabion.core.simulation.tolerance;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How far readings of sound specimens lie apart, and together: parts within their tolerances, tubes of one type, the line.
 *
 * @param readings in the order asked for
 */
public record Spread(List<Reading> readings) {
    /** Where a meter changes a reading by less than this share, its own spread does not matter. */
    private static final double LOADED = 1e-3;

    public Spread {
        readings = List.copyOf(readings);
    }

    /**
     * One reading.
     *
     * @param volts that the meter shows on the nominal set
     * @param shares by part, and for the line: volts by which one standard deviation of it moves the reading
     */
    public record Reading(String net, double volts, Map<String, Double> shares) {
        public Reading {
            shares = Map.copyOf(shares);
        }

        /** Standard deviation in volts. */
        public double deviation() {
            return Math.sqrt(shares.values().stream().mapToDouble(x -> x * x).sum());
        }

        /** With another reading of the same spread, in volts squared. */
        public double covariance(Reading other) {
            double sum = 0;
            for (Map.Entry<String, Double> e : shares.entrySet())
                sum += e.getValue() * other.shares().getOrDefault(e.getKey(), 0.0);
            return sum;
        }
    }

    /** From −1 to 1; 0 where a reading does not move at all. */
    public double correlation(int one, int other) {
        Reading a = readings.get(one);
        Reading b = readings.get(other);
        double both = a.deviation() * b.deviation();
        return both == 0 ? 0 : a.covariance(b) / both;
    }

    /**
     * Computes the spread of direct volts at some nets.
     *
     * @return empty if the set does not settle
     */
    public static Optional<Spread> of(
            Simulator engine, Chassis chassis, Setting setting, MeterSpec meter, List<String> nets) {
        Simulator.PreparedCircuit bench = engine.prepare(chassis, setting);
        OperatingPoint free = bench.solve();
        Optional<Sensitivity> unloaded = Sensitivity.about(engine, chassis, setting, free);
        if (unloaded.isEmpty()) return Optional.empty();
        List<Reading> all = new ArrayList<>();
        for (String net : nets) {
            double volts = free.volts(net).orElse(0);
            double ohms = meter.ohmsAt(volts);
            OperatingPoint loaded = net.equals(bench.circuit().reference()) ? free : bench.solveWithMeter(net, ohms);
            double read = loaded.volts(net).orElse(volts);
            Sensitivity s = unloaded.get();
            if (loaded.converged() && Math.abs(read - volts) > LOADED * Math.abs(volts))
                s = Sensitivity.about(engine, chassis, setting, loaded, net, ohms)
                        .orElse(s);
            Map<String, Double> shares = new LinkedHashMap<>();
            for (String part : s.parts()) shares.put(part, s.slope(net, part) * s.spread(part));
            all.add(new Reading(net, read, shares));
        }
        return Optional.of(new Spread(all));
    }
}
