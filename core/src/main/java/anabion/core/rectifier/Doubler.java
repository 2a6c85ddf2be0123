package anabion.core.rectifier;

/**
 * Finds steady cycles of a doubler with a common line (Greinacher, 1921): a capacitor from the source to the plate of the rectifier
 * that fills the reservoir, and a second rectifier that keeps that plate from going negative.
 *
 * <p>Method: with u across the capacitor, e the source and v the reservoir, C₁·du/dt = i₁(−e − u) − i₂(e + u − v) and
 * C₂·dv/dt = i₂ − i_load(v), by backward Euler with {@link #STEPS} steps a cycle, each solved by Newton's method in both; the start of
 * the cycle by {@link Shooting}. Backward Euler damps the ripple by about 1 % at this step.
 */
final class Doubler implements Finder {
    private static final int STEPS = 500;
    private static final int NEWTON = 25;

    private final Rectifier rectifier;
    private final Curve fills;
    private final Curve clamps;
    private final double[] source = new double[STEPS + 1];

    Doubler(Rectifier rectifier) {
        this.rectifier = rectifier;
        Path first = rectifier.paths().get(0);
        fills = new Curve(first.whole(), 1.5 * rectifier.open());
        clamps = new Curve(rectifier.paths().get(1).whole(), 1.5 * rectifier.open());
        for (int n = 0; n <= STEPS; n++)
            source[n] = Math.abs(first.volts()) * rectifier.wave().at((double) n / STEPS);
    }

    @Override
    public Cycle cycle(Load load, double guess) {
        Pass pass = new Pass(load);
        boolean settled = new Shooting(pass::miss, new double[] {1, 1}).settles(new double[] {guess / 2, guess});
        return pass.tally.cycle(STEPS, -1, settled);
    }

    private final class Pass {
        private final Load load;
        private final double charge = 1 / rectifier.hertz() / STEPS / rectifier.pump();
        private final double fill = 1 / rectifier.hertz() / STEPS / Math.max(rectifier.farads(), Steady.STRAY);
        private Tally tally = new Tally();
        private double u;
        private double v;

        Pass(Load load) {
            this.load = load;
        }

        double[] miss(double[] start) {
            tally = new Tally();
            u = start[0];
            v = start[1];
            for (int n = 1; n <= STEPS; n++) {
                step(source[n]);
                double plate = source[n] + u;
                tally.step(v, v, load.amperes(v));
                tally.path(true, fills.amperes(plate - v), source[n], v - plate);
                tally.path(false, clamps.amperes(-plate), -source[n], plate);
            }
            return new double[] {u - start[0], v - start[1]};
        }

        private void step(double e) {
            double fromU = u;
            double fromV = v;
            for (int r = 0; r < NEWTON; r++) {
                double in = fills.amperes(e + u - v);
                double back = clamps.amperes(-e - u);
                double gIn = slope(fills, e + u - v, in);
                double gBack = slope(clamps, -e - u, back);
                double gLoad = load.amperes(v) > 0 ? load.siemens() : 0;
                double f = u - fromU - charge * (back - in);
                double g = v - fromV - fill * (in - load.amperes(v));
                double a = 1 + charge * (gIn + gBack);
                double b = -charge * gIn;
                double c = -fill * gIn;
                double d = 1 + fill * (gIn + gLoad);
                double det = a * d - b * c;
                double du = -(d * f - b * g) / det;
                double dv = -(a * g - c * f) / det;
                u += du;
                v += dv;
                if (Math.abs(du) + Math.abs(dv) < 1e-8 * (1 + Math.abs(v))) return;
            }
        }

        private static double slope(Curve curve, double at, double there) {
            double h = 1e-4 * (1 + Math.abs(at));
            return (curve.amperes(at + h) - there) / h;
        }
    }
}
