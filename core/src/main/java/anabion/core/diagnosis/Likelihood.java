package anabion.core.diagnosis;

import anabion.core.circuit.DenseLu;
import java.util.List;

/**
 * How well a hypothesis explains readings, taken together.
 *
 * <p>Method: the readings are jointly Gaussian about the prediction. What makes specimens differ (parts, tubes, line) and the unknown severity
 * move several readings at once, volts and ohms alike, so that the covariance is S·Sᵀ with a column of S for each; the meter's own error stands on the diagonal. A slip
 * of the probe (a reading from somewhere else altogether) is marginalised: none, one, or two, each reading with the odds {@link #SLIP}. With
 * P the inverse of the covariance, leaving out reading i takes (P·d)ᵢ²/Pᵢᵢ from the square and adds log Pᵢᵢ to the determinant (Schur complement), so
 * one inverse serves all. It fails where two slips fall together; then "something else" gains.
 */
final class Likelihood {
    /** Odds that a reading was taken at the wrong place or misread. */
    static final double SLIP = 0.02;
    /** Share of the readings that an unlisted fault leaves alone. */
    private static final double LEFT_ALONE = 0.6;

    private static final double ROOT = Math.log(2 * Math.PI);

    private Likelihood() {}

    /**
     * Natural logarithm of the likelihood of all readings.
     *
     * @param slips density of each reading, had it been taken at the wrong place
     */
    static double of(double[] read, List<Foreseen> foreseen, double[] slips) {
        int n = read.length;
        if (n == 0) return 0;
        double[] off = new double[n];
        for (int i = 0; i < n; i++) off[i] = read[i] - foreseen.get(i).value();
        double[] inverse = new double[n * n];
        double logDeterminant = invert(covariance(foreseen), n, inverse);
        double[] solved = new double[n];
        double square = 0;
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) solved[i] += inverse[i * n + j] * off[j];
            square += off[i] * solved[i];
        }
        double sum = n * Math.log(1 - SLIP) - 0.5 * (square + logDeterminant + n * ROOT);
        int worst = 0;
        double best = Double.NEGATIVE_INFINITY;
        double[] one = new double[n];
        for (int i = 0; i < n; i++) {
            double own = inverse[i * n + i];
            double rest = square - solved[i] * solved[i] / own + logDeterminant + Math.log(own) + (n - 1) * ROOT;
            one[i] = (n - 1) * Math.log(1 - SLIP) + Math.log(SLIP * slips[i]) - 0.5 * rest;
            sum = logSum(sum, one[i]);
            if (one[i] > best) {
                best = one[i];
                worst = i;
            }
        }
        return logSum(sum, second(n, worst, best, inverse, solved, slips));
    }

    /** A second slip beside the likeliest first one: the same step again, on what the first left. */
    private static double second(int n, int gone, double log, double[] inverse, double[] solved, double[] slips) {
        double sum = Double.NEGATIVE_INFINITY;
        double pivot = inverse[gone * n + gone];
        for (int i = 0; i < n; i++) {
            if (i == gone) continue;
            double tied = inverse[i * n + gone] / pivot;
            double own = inverse[i * n + i] - tied * inverse[i * n + gone];
            double off = solved[i] - tied * solved[gone];
            double gain = 0.5 * (off * off / own - Math.log(own) + ROOT);
            sum = logSum(sum, log + gain + Math.log(SLIP / (1 - SLIP) * slips[i]));
        }
        return sum;
    }

    static double[] covariance(List<Foreseen> all) {
        int n = all.size();
        double[] matrix = new double[n * n];
        for (int i = 0; i < n; i++)
            for (int j = i; j < n; j++) {
                double own = i == j ? all.get(i).noise() * all.get(i).noise() : 0;
                double sum = own + all.get(i).shared(all.get(j));
                matrix[i * n + j] = sum;
                matrix[j * n + i] = sum;
            }
        return matrix;
    }

    /** Fills in the inverse; returns the logarithm of the determinant. The diagonal makes the matrix positive definite. */
    private static double invert(double[] matrix, int n, double[] inverse) {
        DenseLu lu = new DenseLu(n);
        System.arraycopy(matrix, 0, lu.matrix(), 0, n * n);
        lu.factor();
        double log = 0;
        for (int i = 0; i < n; i++) log += Math.log(Math.abs(lu.matrix()[i * n + i]));
        double[] column = new double[n];
        for (int j = 0; j < n; j++) {
            java.util.Arrays.fill(column, 0);
            column[j] = 1;
            lu.solve(column);
            for (int i = 0; i < n; i++) inverse[i * n + j] = column[i];
        }
        return log;
    }

    /**
     * Under a fault that is not on the list: some readings as in a sound set, the others anywhere.
     *
     * @param ranges width of all that each reading could have shown
     */
    static double other(double[] read, List<Foreseen> sound, double[] ranges) {
        double sum = 0;
        for (int i = 0; i < read.length; i++) {
            double near = sound.get(i).density(read[i]);
            sum += Math.log(LEFT_ALONE * near + (1 - LEFT_ALONE) / ranges[i]);
        }
        return sum;
    }

    static double logSum(double a, double b) {
        double most = Math.max(a, b);
        return most == Double.NEGATIVE_INFINITY ? most : most + Math.log(Math.exp(a - most) + Math.exp(b - most));
    }
}
