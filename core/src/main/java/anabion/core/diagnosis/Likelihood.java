package anabion.core.diagnosis;

import anabion.core.circuit.DenseLu;

/**
 * How well a prediction explains readings, taken together.
 *
 * <p>Method: the readings are jointly Gaussian about the prediction, with the covariance of sound specimens, the meter's own error, and one
 * direction more: a fault of another severity moves all readings along the same line, Δ = prediction − sound, so s²·Δ·Δᵀ is added. A slip of the
 * probe (a reading from somewhere else altogether) is marginalised: none, or any single one, each reading with the odds {@link #SLIP}.
 * It fails where two slips fall together; then "something else" gains.
 */
final class Likelihood {
    /** Odds that a reading was taken at the wrong place or misread. */
    static final double SLIP = 0.02;
    /** How far a severity may lie from the listed one, as a share of the whole change. */
    private static final double SEVERITY = 0.2;

    private static final double ROUNDING = 0.03;
    /** Share of the readings that an unlisted fault leaves alone. */
    private static final double LEFT_ALONE = 0.6;

    private final double[] read;
    private final double[] sound;
    private final double[][] spread;
    private final double[] meter;
    private final double[] range;

    /**
     * @param spread covariance of sound specimens
     * @param meter relative error of each reading; for ohms the deviation of the logarithm
     * @param range width of all that the reading could have shown
     */
    Likelihood(double[] read, double[] sound, double[][] spread, double[] meter, double[] range) {
        this.read = read;
        this.sound = sound;
        this.spread = spread;
        this.meter = meter;
        this.range = range;
    }

    /** Natural logarithm of the likelihood of all readings under a prediction. */
    double of(double[] predicted) {
        int n = read.length;
        double none = n * Math.log(1 - SLIP) + gaussian(predicted, -1);
        double sum = none;
        for (int out = 0; out < n; out++) {
            double one = (n - 1) * Math.log(1 - SLIP) + Math.log(SLIP / range[out]) + gaussian(predicted, out);
            sum = logSum(sum, one);
        }
        return sum;
    }

    /** Under a fault that is not on the list: some readings as in a sound set, the others anywhere. */
    double other() {
        double sum = 0;
        for (int i = 0; i < read.length; i++) {
            double sigma = Math.sqrt(spread[i][i] + own(sound, i));
            double z = (read[i] - sound[i]) / sigma;
            double near = Math.exp(-z * z / 2) / (sigma * Math.sqrt(2 * Math.PI));
            sum += Math.log(LEFT_ALONE * near + (1 - LEFT_ALONE) / range[i]);
        }
        return sum;
    }

    private double own(double[] predicted, int i) {
        double error = meter[i] * (range[i] > 50 ? Math.abs(predicted[i]) : 1) + (range[i] > 50 ? ROUNDING : 0);
        return error * error;
    }

    /** Standard deviation with which a prediction is compared with a reading. */
    double deviation(double[] predicted, int i) {
        double change = SEVERITY * (predicted[i] - sound[i]);
        return Math.sqrt(spread[i][i] + own(predicted, i) + change * change);
    }

    /** log N(read; predicted, Σ), one reading left out. */
    private double gaussian(double[] predicted, int out) {
        int n = read.length;
        int m = out < 0 ? n : n - 1;
        if (m == 0) return 0;
        DenseLu lu = new DenseLu(m);
        double[] off = new double[m];
        for (int i = 0, a = 0; i < n; i++) {
            if (i == out) continue;
            off[a] = read[i] - predicted[i];
            for (int j = 0, b = 0; j < n; j++) {
                if (j == out) continue;
                double change = SEVERITY * SEVERITY * (predicted[i] - sound[i]) * (predicted[j] - sound[j]);
                lu.matrix()[a * m + b] = spread[i][j] + change + (i == j ? own(predicted, i) : 0);
                b++;
            }
            a++;
        }
        double logDeterminant = logDeterminant(lu.matrix(), m);
        if (!lu.factor()) return Double.NEGATIVE_INFINITY;
        double[] solved = off.clone();
        lu.solve(solved);
        double square = 0;
        for (int i = 0; i < m; i++) square += off[i] * solved[i];
        return -0.5 * (square + logDeterminant + m * Math.log(2 * Math.PI));
    }

    /** By Cholesky's factors of a copy; the matrix is positive definite by its diagonal. */
    private static double logDeterminant(double[] matrix, int m) {
        double[] l = matrix.clone();
        double sum = 0;
        for (int j = 0; j < m; j++) {
            for (int k = 0; k < j; k++) l[j * m + j] -= l[j * m + k] * l[j * m + k];
            double d = Math.sqrt(Math.max(l[j * m + j], 1e-300));
            l[j * m + j] = d;
            sum += 2 * Math.log(d);
            for (int i = j + 1; i < m; i++) {
                for (int k = 0; k < j; k++) l[i * m + j] -= l[i * m + k] * l[j * m + k];
                l[i * m + j] /= d;
            }
        }
        return sum;
    }

    static double logSum(double a, double b) {
        double most = Math.max(a, b);
        return most == Double.NEGATIVE_INFINITY ? most : most + Math.log(Math.exp(a - most) + Math.exp(b - most));
    }
}
