package anabion.core.rectifier;

import java.util.List;

/**
 * Finds steady cycles of a rectifier with its reservoir directly at it.
 *
 * <p>Method: C·dv/dt = Σ i_k(e_k(t) − v) − i_load(v), by the trapezoidal rule with {@link #STEPS} steps a cycle, each solved by
 * Newton's method; the reservoir's volts at the start of the cycle are found by shooting, with the secant rule on how far the
 * cycle fails to close. (Aprille and Trick, 1972.) The map of start to end rises with a slope below one, so the rule converges; where it
 * has not within {@link #ROUNDS} rounds, the cycle says so. With 400 steps the ripple is within 1 % of 6400 steps as long as a path's
 * resistance times the reservoir is above a tenth of a millisecond.
 */
final class Steady implements Finder {
    private static final int STEPS = 400;
    private static final int ROUNDS = 40;
    /** Volts below which no path carries anything worth counting. */
    private static final double BLOCKED = -0.3;
    /** What is left when the reservoir is open: wiring and tubes. */
    static final double STRAY = 2e-8;

    private final Rectifier rectifier;
    private final boolean mirrored;
    private final int steps;
    private final Curve[] curves;
    private final double[][] sources;

    Steady(Rectifier rectifier) {
        this.rectifier = rectifier;
        List<Path> paths = rectifier.paths();
        mirrored = mirrored(paths);
        steps = mirrored ? STEPS / 2 : STEPS;
        int n = mirrored ? 1 : paths.size();
        curves = new Curve[n];
        sources = new double[n][steps + 1];
        for (int k = 0; k < n; k++) {
            curves[k] = new Curve(paths.get(k).whole(), 2.2 * rectifier.open());
            double volts =
                    mirrored ? Math.abs(paths.get(k).volts()) : paths.get(k).volts();
            for (int s = 0; s <= steps; s++)
                sources[k][s] = volts * rectifier.wave().at((double) s / STEPS);
        }
    }

    @Override
    public Cycle cycle(Load load, double guess) {
        Walk walk = new Walk(load);
        double start = guess;
        double error = walk.go(start) - start;
        double before = start;
        double errorBefore = error;
        start += error;
        boolean settled = Math.abs(error) < 1e-9;
        for (int n = 0; n < ROUNDS && !settled; n++) {
            error = walk.go(start) - start;
            settled = Math.abs(error) < 1e-6 * Math.max(1, Math.abs(start));
            double slope = (error - errorBefore) / (start - before);
            before = start;
            errorBefore = error;
            start += slope < -1e-9 ? -error / slope : error;
        }
        return walk.result(settled);
    }

    /** Two paths that take turns alike: half a cycle tells all. */
    private static boolean mirrored(List<Path> paths) {
        if (paths.size() != 2) return false;
        Path a = paths.get(0);
        Path b = paths.get(1);
        return Math.abs(a.volts() + b.volts()) < 1e-6 * Math.abs(a.volts())
                && Math.abs(a.ohms() - b.ohms()) < 1e-6 * Math.max(1, a.ohms())
                && a.law().equals(b.law());
    }

    /** One pass through a cycle, with what it meets on the way. */
    private final class Walk {
        private final double c = Math.max(rectifier.farads(), STRAY);
        private final double h = 1 / rectifier.hertz() / STEPS;
        private final Load load;
        private Tally tally = new Tally();

        Walk(Load load) {
            this.load = load;
        }

        double go(double start) {
            tally = new Tally();
            double v = start;
            double flow = flow(0, v);
            for (int n = 1; n <= steps; n++) {
                double next = step(n, v, flow);
                flow = flow(n, next);
                note(n, (v + next) / 2, next);
                v = next;
            }
            return v;
        }

        /** Net current into the reservoir. */
        private double flow(int n, double v) {
            double i = -load.amperes(v);
            for (int k = 0; k < curves.length; k++) if (conducts(k, n, v)) i += curves[k].amperes(sources[k][n] - v);
            return i;
        }

        /** By how much the net current falls as the reservoir rises. */
        private double siemens(int n, double v) {
            double g = v > load.back() ? load.siemens() : 0;
            for (int k = 0; k < curves.length; k++) if (conducts(k, n, v)) g += curves[k].siemens(sources[k][n] - v);
            return g;
        }

        private boolean conducts(int k, int n, double v) {
            return sources[k][n] - v > BLOCKED;
        }

        private boolean blocked(int n, double v) {
            for (int k = 0; k < curves.length; k++) if (conducts(k, n, v)) return false;
            return true;
        }

        private double step(int n, double v, double flow) {
            double half = h / (2 * c);
            double known = v + half * flow;
            double discharged = (known + half * load.siemens() * load.back()) / (1 + half * load.siemens());
            if (discharged > load.back() && blocked(n, discharged)) return discharged;
            return charged(n, known, half);
        }

        /** Newton's method, kept between what is known to be too low and too high. */
        private double charged(int n, double known, double half) {
            double x = known;
            double floor = Double.NEGATIVE_INFINITY;
            double ceiling = Double.POSITIVE_INFINITY;
            for (int r = 0; r < 30; r++) {
                double f = x - known - half * flow(n, x);
                if (Math.abs(f) < 1e-9 * (1 + Math.abs(x))) break;
                if (f > 0) ceiling = Math.min(ceiling, x);
                else floor = Math.max(floor, x);
                double slope = 1 + half * siemens(n, x);
                double next = x - f / Math.max(slope, 1);
                boolean outside = next <= floor || next >= ceiling;
                boolean bounded = !Double.isInfinite(floor) && !Double.isInfinite(ceiling);
                x = outside && bounded ? (floor + ceiling) / 2 : next;
            }
            return x;
        }

        private void note(int n, double mean, double v) {
            tally.step(v, mean, load.amperes(v));
            for (int k = 0; k < curves.length; k++) {
                double e = sources[k][n];
                tally.path(k == 0, conducts(k, n, v) ? curves[k].amperes(e - v) : 0, e, v - e);
            }
        }

        Cycle result(boolean settled) {
            return tally.cycle(STEPS, mirrored ? tally.high() + rectifier.open() : -1, settled);
        }
    }
}
