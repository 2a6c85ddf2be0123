package anabion.core.diagnosis.inference;

import anabion.core.diagnosis.prediction.GaussianPrediction;
import java.util.List;

/**
 * How well a hypothesis explains readings, taken together.
 *
 * <p>Method: the readings are jointly Gaussian about the prediction. What makes specimens differ (parts, tubes, line) and the unknown severity
 * move several readings at once, volts and ohms alike, so that the covariance is S·Sᵀ with a column of S for each; the meter's own error stands on the diagonal. A slip
 * of the measurement (a reading from somewhere else altogether) is marginalised: none, one, or two, each reading with the odds {@link #SLIP}. With
 * P the inverse of the covariance, leaving out reading i takes (P·d)ᵢ²/Pᵢᵢ from the square and adds log Pᵢᵢ to the determinant (Schur complement), so
 * one inverse serves all. It fails where two slips fall together; then "something else" gains.
 */
public final class Likelihood {
    /** Odds that a reading was taken at the wrong place or misread. */
    public static final double SLIP = 0.02;
    /** Share of the readings that an unlisted fault leaves alone. */
    private static final double LEFT_ALONE = 0.6;

    private static final double ROOT = Math.log(2 * Math.PI);
    /** Correlation from which two readings count as those of one rail. */
    private static final double TOGETHER = 0.6;

    private static final double TWICE_ON_A_RAIL = 0.05;

    private Likelihood() {}

    /**
     * Natural logarithm of the likelihood of all readings.
     *
     * @param slips density of each reading, had it been taken at the wrong place
     */
    public static double of(double[] read, List<GaussianPrediction> foreseen, double[] slips) {
        int n = read.length;
        if (n == 0) return 0;
        double[] off = new double[n];
        for (int i = 0; i < n; i++) off[i] = read[i] - foreseen.get(i).value();
        double[] inverse = covariance(foreseen);
        double logDeterminant = invert(inverse, n);
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
        return logSum(sum, second(foreseen, worst, best, inverse, solved, slips));
    }

    /**
     * A second slip beside the likeliest first one: the same step again, on what the first left. Where two readings stand and fall together, as those of one rail do, and both are off, something is wrong there: that the probe
     * slipped twice is rarer by {@link #TWICE_ON_A_RAIL}.
     */
    private static double second(
            List<GaussianPrediction> foreseen,
            int gone,
            double log,
            double[] inverse,
            double[] solved,
            double[] slips) {
        int n = slips.length;
        double sum = Double.NEGATIVE_INFINITY;
        double pivot = inverse[gone * n + gone];
        for (int i = 0; i < n; i++) {
            if (i == gone) continue;
            double tied = inverse[i * n + gone] / pivot;
            double own = inverse[i * n + i] - tied * inverse[i * n + gone];
            double off = solved[i] - tied * solved[gone];
            double gain = 0.5 * (off * off / own - Math.log(own) + ROOT);
            double both = together(foreseen.get(i), foreseen.get(gone)) ? TWICE_ON_A_RAIL : 1;
            sum = logSum(sum, log + gain + Math.log(both * SLIP / (1 - SLIP) * slips[i]));
        }
        return sum;
    }

    private static boolean together(GaussianPrediction one, GaussianPrediction other) {
        return one.shared(other) > TOGETHER * one.deviation() * other.deviation();
    }

    /** Its lower triangle. */
    private static double[] covariance(List<GaussianPrediction> all) {
        int n = all.size();
        double[] matrix = new double[n * n];
        float[][] shares = all.stream().map(GaussianPrediction::shares).toArray(float[][]::new);
        int sources = n == 0 ? 0 : shares[0].length;
        double[] one = new double[n];
        for (int k = 0; k < sources; k++) {
            for (int i = 0; i < n; i++) one[i] = shares[i][k];
            for (int i = 0; i < n; i++) {
                double moved = one[i];
                // most sources move few readings
                if (moved != 0) for (int j = 0; j <= i; j++) matrix[i * n + j] += moved * one[j];
            }
        }
        for (int i = 0; i < n; i++)
            matrix[i * n + i] += all.get(i).noise() * all.get(i).noise();
        return matrix;
    }

    /**
     * Puts the inverse of a positive definite matrix in its place, by its Cholesky factor L: L⁻ᵀ·L⁻¹, a third of the work of a general inverse. The noise
     * on the diagonal makes a covariance positive definite.
     *
     * @param m of which the lower triangle is read
     * @return the logarithm of the determinant
     */
    public static double invert(double[] m, int n) {
        double log = factor(m, n);
        invertTriangle(m, n);
        for (int i = 0; i < n; i++)
            for (int j = 0; j <= i; j++) {
                double sum = 0;
                for (int k = i; k < n; k++) sum += m[k * n + i] * m[k * n + j];
                m[i * n + j] = sum;
                m[j * n + i] = sum;
            }
        return log;
    }

    private static double factor(double[] m, int n) {
        double log = 0;
        for (int i = 0; i < n; i++)
            for (int j = 0; j <= i; j++) {
                double sum = m[i * n + j];
                for (int k = 0; k < j; k++) sum -= m[i * n + k] * m[j * n + k];
                if (i > j) m[i * n + j] = sum / m[j * n + j];
                else {
                    m[i * n + i] = Math.sqrt(sum);
                    log += Math.log(sum);
                }
            }
        return log;
    }

    private static void invertTriangle(double[] m, int n) {
        for (int j = 0; j < n; j++) {
            m[j * n + j] = 1 / m[j * n + j];
            for (int i = j + 1; i < n; i++) {
                double sum = 0;
                for (int k = j; k < i; k++) sum -= m[i * n + k] * m[k * n + j];
                m[i * n + j] = sum / m[i * n + i];
            }
        }
    }

    /**
     * Under a fault that is not on the list: some readings as in a sound set, the others anywhere.
     *
     * @param ranges width of all that each reading could have shown
     */
    public static double other(double[] read, List<GaussianPrediction> sound, double[] ranges) {
        double sum = 0;
        for (int i = 0; i < read.length; i++) {
            double near = sound.get(i).density(read[i]);
            sum += Math.log(LEFT_ALONE * near + (1 - LEFT_ALONE) / ranges[i]);
        }
        return sum;
    }

    /** ln(eᵃ + eᵇ) without overflow; either may be minus infinity. */
    public static double logSum(double a, double b) {
        double most = Math.max(a, b);
        return most == Double.NEGATIVE_INFINITY ? most : most + Math.log(Math.exp(a - most) + Math.exp(b - most));
    }
}
