package anabion.core.rectifier;

import anabion.core.numeric.LruCache;
import java.util.Arrays;

/** Mean current of a rectifier against the mean volts of its reservoir, and its steady cycles: from a {@link CycleTable}. */
public final class Characteristic {
    /** Steps of the grid on which changed rectifiers are compared, from nothing to the open volts, and for how many of these it is kept. */
    private static final int GRID = 64;

    private static final int CHANGES = 64;

    private final Rectifier rectifier;
    private final Finder steady;
    private final double siemens;
    private final CycleTable table;
    private final double offset;
    private final LruCache<Rectifier, double[]> grids = new LruCache<>(CHANGES);
    /** The last one asked for: all the trims of a solved set ask for the same. */
    private Footing footing;

    /** @param siemens how fast the load's current follows the ripple: the filter resistors at the reservoir; 0 for a steady load */
    public Characteristic(Rectifier rectifier, double siemens) {
        this.rectifier = rectifier;
        this.siemens = siemens;
        this.offset = 0;
        this.steady = Finder.of(rectifier);
        this.table = new CycleTable(rectifier, steady, siemens);
    }

    private Characteristic(Characteristic base, Rectifier rectifier, double offset) {
        this.rectifier = rectifier;
        this.siemens = base.siemens;
        this.offset = offset;
        this.steady = Finder.of(rectifier);
        this.table = base.table;
    }

    /**
     * The characteristic of a rectifier that differs a little, near some volts of the reservoir: this one, raised by what one cycle
     * of each under the same load says. Sixteen times quicker than a table of its own, and exact at that point to first order.
     */
    public Characteristic towards(Rectifier changed, double near) {
        if (changed.equals(rectifier)) return this;
        if (footing == null || footing.near != near) footing = footing(near);
        return new Characteristic(this, changed, offset + raised(changed, footing));
    }

    /**
     * As {@link #towards}, between points of a grid of reservoir volts that are computed once: for the many states of a set whose faults lie behind its
     * rectifier, and which load it each a little differently.
     */
    public Characteristic towardsTabled(Rectifier changed, double near) {
        if (changed.equals(rectifier)) return this;
        double[] raises = grids.get(changed, () -> filledWith(Double.NaN, GRID + 1));
        double step = rectifier.open() / GRID;
        int below = (int) Math.max(0, Math.min(GRID - 1, near / step));
        double share = near / step - below;
        double raised =
                (1 - share) * raised(raises, below, changed, step) + share * raised(raises, below + 1, changed, step);
        return new Characteristic(this, changed, offset + raised);
    }

    private double raised(double[] raises, int n, Rectifier changed, double step) {
        if (Double.isNaN(raises[n])) raises[n] = raised(changed, footing(n * step));
        return raises[n];
    }

    private static double[] filledWith(double value, int n) {
        double[] all = new double[n];
        Arrays.fill(all, value);
        return all;
    }

    /** Amperes by which a changed rectifier gives more at the volts of a footing. */
    private static double raised(Rectifier changed, Footing at) {
        Cycle after = Finder.of(changed).cycle(at.load, at.near);
        return (after.amperes() - at.cycle.amperes()) - at.slope * (after.volts() - at.cycle.volts());
    }

    /** Where this one stands at some volts: its cycle under the load that draws what it gives there, and its slope. */
    private record Footing(double near, Load load, Cycle cycle, double slope) {}

    private Footing footing(double near) {
        Load load = load(near);
        double h = 1e-3 * Math.max(1, Math.abs(near));
        double slope = (amperes(near + h) - amperes(near - h)) / (2 * h);
        return new Footing(near, load, steady.cycle(load, near), slope);
    }

    /** The load that draws what it gives at some volts. */
    private Load load(double volts) {
        double current = Math.max(amperes(volts), 1e-9);
        double g = Math.max(siemens, current / Math.max(volts, 1e-3));
        return new Load(g, volts - current / g);
    }

    /** Mean amperes at mean volts. */
    public double amperes(double volts) {
        return offset + table.amperes(volts);
    }

    /** The steady cycle at mean volts: from the table where that is its own and holds them, else a cycle computed for itself. */
    public Cycle cycle(double volts) {
        return table.isOf(rectifier) && table.holds(volts) ? table.cycle(volts) : steady.cycle(load(volts), volts);
    }
}
