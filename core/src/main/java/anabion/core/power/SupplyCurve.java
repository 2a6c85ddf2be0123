package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.Overload;
import anabion.core.simulation.dc.SupplyDraw;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/**
 * What a set takes and gives at every line, in the state that a setting names.
 *
 * <p>Method: the whole set is solved at evenly spaced volts between nothing and {@value #TOP} times its nominal line; between them volts, amperes and watts run
 * straight. All of it goes by the volts at the set, so one curve serves with any lamp: the lamp's drop follows from the set's current alone, and what the variac
 * must give is their sum (lamp and set nearly in phase, which for heaters and rectifiers is right within a few per cent).
 */
public final class SupplyCurve {
    /** Highest line of a curve, in nominal lines. */
    static final double TOP = 1.125;

    private static final int POINTS = 18;

    private final List<SupplyPoint> points;
    private final Map<SeriesLamp, double[]> dials = new ConcurrentHashMap<>();

    private SupplyCurve(List<SupplyPoint> points) {
        this.points = List.copyOf(points);
    }

    /**
     * Solves a set; where it does not settle the curve runs on between its neighbours.
     *
     * @param rails to follow, since a faulty set may have lost some of its own
     * @param iron what a transformer's takes at the nominal line, whatever is wrong with the rest
     */
    public static SupplyCurve of(Simulator engine, Chassis chassis, Setting setting, List<Rail> rails, double iron) {
        List<SupplyPoint> all = new ArrayList<>();
        Map<String, Double> none = new HashMap<>();
        rails.forEach(r -> none.put(r.net(), 0.0));
        all.add(new SupplyPoint(0, 0, 0, none, none, List.of()));
        double nominal = chassis.supply().volts();
        for (int n = 1; n <= POINTS; n++) {
            double volts = TOP * nominal * n / POINTS;
            OperatingPoint o = engine.solve(chassis, setting.withLine(volts));
            if (o.converged()) all.add(point(chassis, volts, o, rails).with(iron * Math.pow(volts / nominal, 2)));
        }
        return new SupplyCurve(all);
    }

    /**
     * What a set takes and gives where it was solved, without a transformer's iron.
     *
     * @param volts at the set
     * @param rails to tell of
     */
    public static SupplyPoint point(Chassis chassis, double volts, OperatingPoint o, List<Rail> rails) {
        Map<String, Double> all = new HashMap<>();
        rails.forEach(r -> all.put(r.net(), r.volts(o)));
        Map<String, Double> ripples = new HashMap<>();
        o.ripples().forEach((net, r) -> {
            if (all.containsKey(net)) ripples.put(net, r.volts() / OperatingPoint.SAWTOOTH);
        });
        SupplyDraw draw = SupplyDraw.of(chassis, volts, o);
        return new SupplyPoint(volts, draw.amperes(), draw.watts(), all, ripples, Overload.of(chassis, o));
    }

    /** Those that were solved, from nothing upwards. */
    public List<SupplyPoint> points() {
        return points;
    }

    /** Whether the set settled anywhere. */
    public boolean known() {
        return points.size() > 2;
    }

    /** @param volts at the set; beyond the curve its last piece runs on */
    public SupplyPoint at(double volts) {
        int k = 1;
        while (k < points.size() - 1 && points.get(k).volts() < volts) k++;
        SupplyPoint a = points.get(k - 1);
        SupplyPoint b = points.get(k);
        double share = (volts - a.volts()) / (b.volts() - a.volts());
        Map<String, Double> rails = new HashMap<>();
        Map<String, Double> ripples = new HashMap<>();
        a.rails().keySet().forEach(r -> {
            rails.put(r, mix(a.rail(r), b.rail(r), share));
            ripples.put(r, Math.max(0, mix(a.ripple(r), b.ripple(r), share)));
        });
        return new SupplyPoint(
                volts,
                Math.max(0, mix(a.amperes(), b.amperes(), share)),
                Math.max(0, mix(a.watts(), b.watts(), share)),
                rails,
                ripples,
                b.overloads());
    }

    private static double mix(double a, double b, double share) {
        return a + share * (b - a);
    }

    /** The set where the variac gives so many volts, behind a lamp: both rise together, and between the points that were solved they run straight. */
    public SupplyPoint atDial(double dial, Optional<SeriesLamp> lamp) {
        if (lamp.isEmpty()) return at(dial);
        double[] scale = dials.computeIfAbsent(lamp.get(), this::dials);
        int k = 1;
        while (k < scale.length - 1 && scale[k] < dial) k++;
        double share = (dial - scale[k - 1]) / Math.max(scale[k] - scale[k - 1], 1e-9);
        return at(mix(points.get(k - 1).volts(), points.get(k).volts(), share));
    }

    /** What the variac gives at every point that was solved. */
    private double[] dials(SeriesLamp lamp) {
        return points.stream()
                .mapToDouble(p -> p.volts() + lamp.across(p.amperes()))
                .toArray();
    }

    /**
     * The least volts at the set at which a rail stands so high.
     *
     * @param volts of the rail, above zero, whichever its pole
     * @return infinite where it never does
     */
    public double reaches(String rail, double volts) {
        for (int k = 1; k < points.size() && volts > 0; k++) {
            double before = Math.abs(points.get(k - 1).rail(rail));
            double here = Math.abs(points.get(k).rail(rail));
            if (here < volts) continue;
            double share = here > before ? Math.max(0, (volts - before) / (here - before)) : 1;
            return mix(points.get(k - 1).volts(), points.get(k).volts(), share);
        }
        return Double.POSITIVE_INFINITY;
    }
}
