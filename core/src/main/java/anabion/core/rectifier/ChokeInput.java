package anabion.core.rectifier;

import java.util.List;

/**
 * Finds steady cycles of a rectifier that feeds its reservoir through a choke.
 *
 * <p>Method: L·di/dt = u − v − R·i with i = Σ i_k(e_k − u), and C·dv/dt = i − i_load(v), by backward Euler with {@link #STEPS} steps a
 * cycle; the rectifier's volts u are found in each step by bisection, since the whole falls with u. Current never flows back: above the
 * critical current it never stops, below it does, and the reservoir climbs from the mean of the half waves toward their peak. Choke
 * current and reservoir volts at the start of the cycle are found by {@link Shooting}. Backward Euler damps the
 * ripple by about 1 % at this step.
 */
final class ChokeInput implements Finder {
    private static final int STEPS = 500;

    private final Rectifier rectifier;
    private final List<Curve> curves;
    private final double[][] sources;

    ChokeInput(Rectifier rectifier) {
        this.rectifier = rectifier;
        List<Path> paths = rectifier.paths();
        curves = paths.stream()
                .map(p -> new Curve(p.whole(), 2.5 * rectifier.open()))
                .toList();
        sources = new double[paths.size()][STEPS + 1];
        for (int k = 0; k < paths.size(); k++)
            for (int n = 0; n <= STEPS; n++)
                sources[k][n] = paths.get(k).volts() * rectifier.wave().at((double) n / STEPS);
    }

    @Override
    public Cycle cycle(Load load, double guess) {
        Pass pass = new Pass(load);
        boolean settled =
                new Shooting(pass::miss, new double[] {0.01, 1}).settles(new double[] {load.amperes(guess), guess});
        return pass.result(settled);
    }

    private final class Pass {
        private final Load load;
        private final double h = 1 / rectifier.hertz() / STEPS;
        private Tally tally = new Tally();

        Pass(Load load) {
            this.load = load;
        }

        /** By how much current and volts miss their start after a cycle. */
        double[] miss(double[] start) {
            tally = new Tally();
            double i = start[0];
            double v = start[1];
            double c = Math.max(rectifier.farads(), Steady.STRAY);
            for (int n = 1; n <= STEPS; n++) {
                double u = volts(n, i, v);
                i = current(n, u);
                v = load.amperes(v) > 0
                        ? (v + h / c * (i + load.siemens() * load.back())) / (1 + h / c * load.siemens())
                        : v + h / c * i;
                note(n, u, v);
            }
            return new double[] {i - start[0], v - start[1]};
        }

        private double current(int n, double u) {
            double sumOfPaths = 0;
            for (int k = 0; k < curves.size(); k++) sumOfPaths += curves.get(k).amperes(sources[k][n] - u);
            return sumOfPaths;
        }

        /** The rectifier's output in the new step: (L/h + R)·i(u) + v − L/h·i_before − u falls with u. */
        private double volts(int n, double before, double v) {
            double inertia = rectifier.henries() / h;
            double floor = -2 * rectifier.open() - inertia * before;
            double ceiling = 2 * rectifier.open() + v;
            for (int r = 0; r < 50; r++) {
                double u = (floor + ceiling) / 2;
                double f = (inertia + rectifier.ohms()) * current(n, u) + v - inertia * before - u;
                if (f > 0) floor = u;
                else ceiling = u;
            }
            return (floor + ceiling) / 2;
        }

        private void note(int n, double u, double v) {
            tally.step(v, v, load.amperes(v));
            for (int k = 0; k < curves.size(); k++) {
                double e = sources[k][n];
                tally.path(k == 0, curves.get(k).amperes(e - u), e, u - e);
            }
        }

        Cycle result(boolean settled) {
            return tally.cycle(STEPS, -1, settled);
        }
    }
}
