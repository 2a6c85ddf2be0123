package anabion.core.rectifier;

/**
 * Finds the state of two quantities from which a cycle comes back to itself: Newton's method on how far it misses, with slopes by
 * differences. (Shooting; Aprille and Trick, 1972.) It fails, and says so, where {@link #ROUNDS} rounds do not close the cycle.
 */
final class Shooting {
    private static final int ROUNDS = 30;
    private static final double CLOSE = 1e-6;

    /** Walks a cycle from a state and says by how much its end differs. */
    interface Walk {
        double[] miss(double[] start);
    }

    private final Walk walk;
    private final double[] least;

    /**
     * @param least change of each quantity that still counts
     */
    Shooting(Walk walk, double[] least) {
        this.walk = walk;
        this.least = least;
    }

    /** Whether the cycle closes; the last cycle walked is the one from the state found. */
    boolean settles(double[] start) {
        double[] x = start.clone();
        for (int n = 0; n < ROUNDS; n++) {
            double[] f = walk.miss(x.clone());
            if (Math.abs(f[0]) < CLOSE * scale(x, 0) && Math.abs(f[1]) < CLOSE * scale(x, 1)) return true;
            x = better(x, f);
        }
        double[] last = walk.miss(x);
        return Math.abs(last[0]) < CLOSE * scale(x, 0) && Math.abs(last[1]) < CLOSE * scale(x, 1);
    }

    private double scale(double[] x, int k) {
        return Math.max(least[k], Math.abs(x[k]));
    }

    private double[] better(double[] x, double[] f) {
        double d0 = 1e-4 * scale(x, 0);
        double d1 = 1e-4 * scale(x, 1);
        double[] a = walk.miss(new double[] {x[0] + d0, x[1]});
        double[] b = walk.miss(new double[] {x[0], x[1] + d1});
        double j00 = (a[0] - f[0]) / d0;
        double j10 = (a[1] - f[1]) / d0;
        double j01 = (b[0] - f[0]) / d1;
        double j11 = (b[1] - f[1]) / d1;
        double det = j00 * j11 - j01 * j10;
        if (Math.abs(det) < 1e-30) return new double[] {x[0] + f[0], x[1] + f[1]};
        return new double[] {
            Math.max(0, x[0] - (j11 * f[0] - j01 * f[1]) / det), Math.max(0, x[1] - (j00 * f[1] - j10 * f[0]) / det)
        };
    }
}
