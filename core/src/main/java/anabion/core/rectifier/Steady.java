package anabion.core.rectifier;

import java.util.List;

/**
 * Finds steady cycles of a rectifier with its reservoir directly at it.
 *
 * <p>Method: C·dv/dt = Σ i_k(e_k(t) − v) − i_load(v), by the trapezoidal rule with {@link #STEPS} steps a cycle, each solved by
 * Newton's method; the reservoir's volts at the start of the cycle are found by shooting, with Newton's rule on how far the cycle
 * fails to close (Aprille and Trick, 1972): how the end follows the start is the product over the steps of (1 − h·g/2C) by (1 + h·g'/2C),
 * with the siemens before and after each. That product lies below one, so where Newton's rule goes astray the end itself is the better
 * start; a cycle that has not closed within {@link #ROUNDS} rounds says so. With 400 steps the ripple is within 1 % of 6400 steps as long as
 * a path's resistance times the reservoir is above a tenth of a millisecond.
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
        double missed = Double.POSITIVE_INFINITY;
        for (int n = 0; n < ROUNDS; n++) {
            double error = walk.go(start) - start;
            if (Math.abs(error) < 1e-6 * Math.max(1, Math.abs(start))) return walk.result(true);
            boolean astray = Math.abs(error) >= missed || walk.follows >= 1;
            start += astray ? error : error / (1 - walk.follows);
            missed = Math.abs(error);
        }
        return walk.result(false);
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
        private final double half = h / (2 * c);
        private final Load load;
        private final double[] given = new double[curves.length];
        private Tally tally = new Tally();
        /** Net current into the reservoir, and by how much it falls as the reservoir rises: where it was last looked at. */
        private double flow;

        private double siemens;
        /** By how much the end moves with the start. */
        private double follows;

        Walk(Load load) {
            this.load = load;
        }

        double go(double start) {
            tally = new Tally();
            follows = 1;
            double v = start;
            look(0, v);
            for (int n = 1; n <= steps; n++) {
                follows *= 1 - half * siemens;
                double next = step(n, v);
                follows /= 1 + half * siemens;
                note(n, (v + next) / 2, next);
                v = next;
            }
            return v;
        }

        private void look(int n, double v) {
            flow = -load.amperes(v);
            siemens = v > load.back() ? load.siemens() : 0;
            for (int k = 0; k < curves.length; k++) {
                double across = sources[k][n] - v;
                given[k] = across > BLOCKED ? curves[k].amperes(across) : 0;
                if (across <= BLOCKED) continue;
                flow += given[k];
                siemens += curves[k].siemens(across);
            }
        }

        private boolean blocked(int n, double v) {
            for (double[] source : sources) if (source[n] - v > BLOCKED) return false;
            return true;
        }

        /** The reservoir's volts after a step, at which all was looked at last. */
        private double step(int n, double v) {
            double known = v + half * flow;
            double discharged = (known + half * load.siemens() * load.back()) / (1 + half * load.siemens());
            if (discharged <= load.back() || !blocked(n, discharged)) return charged(n, known);
            look(n, discharged);
            return discharged;
        }

        /** Newton's method, kept between what is known to be too low and too high. */
        private double charged(int n, double known) {
            double x = known;
            double floor = Double.NEGATIVE_INFINITY;
            double ceiling = Double.POSITIVE_INFINITY;
            for (int r = 0; r < 30; r++) {
                look(n, x);
                double f = x - known - half * flow;
                if (Math.abs(f) < 1e-9 * (1 + Math.abs(x))) return x;
                if (f > 0) ceiling = Math.min(ceiling, x);
                else floor = Math.max(floor, x);
                double next = x - f / Math.max(1 + half * siemens, 1);
                boolean outside = next <= floor || next >= ceiling;
                boolean bounded = !Double.isInfinite(floor) && !Double.isInfinite(ceiling);
                x = outside && bounded ? (floor + ceiling) / 2 : next;
            }
            look(n, x);
            return x;
        }

        private void note(int n, double mean, double v) {
            tally.step(v, mean, load.amperes(v));
            for (int k = 0; k < curves.length; k++) {
                double e = sources[k][n];
                tally.path(k == 0, given[k], e, v - e);
            }
        }

        Cycle result(boolean settled) {
            return tally.cycle(STEPS, mirrored ? tally.high() + rectifier.open() : -1, settled);
        }
    }
}
