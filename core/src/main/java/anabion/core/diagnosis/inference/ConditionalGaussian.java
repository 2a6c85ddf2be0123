package anabion.core.diagnosis.inference;

import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.GaussianPrediction;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.diagnosis.prediction.SeverityInterval;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * What one hypothesis foresees once readings are there: a plate that read low makes the next pin of that tube lie low too, and the doubt about both
 * is smaller than it was.
 *
 * <p>Method: the conditional normal distribution. With C the covariance of the readings as the hypothesis foresees them, d their distance from it and c the
 * covariance of a further reading with them, the mean moves by c·C⁻¹·d and the variance falls by c·C⁻¹·c. C is kept as its Cholesky factor L, to which every
 * reading adds a row: L⁻¹·c, and the deviation that is left. A reading that the hypothesis can only take for a slip of the measurement says nothing and is left out.
 */
public final class ConditionalGaussian {
    private static final ConditionalGaussian NOTHING =
            new ConditionalGaussian(new GaussianPrediction[0], new double[0][], new double[0]);

    private final GaussianPrediction[] readings;
    private final double[][] rows;
    /** L⁻¹·d: how far each reading lies off what those before it made it, in deviations. */
    private final double[] off;

    private ConditionalGaussian(GaussianPrediction[] readings, double[][] rows, double[] off) {
        this.readings = readings;
        this.rows = rows;
        this.off = off;
    }

    /** Empty where the circuit of the hypothesis does not settle. */
    public static Optional<ConditionalGaussian> of(
            PredictionModel predictions, Hypothesis h, List<Observation> evidence) {
        List<Observation.Measured> measured = Observation.measured(evidence);
        return predictions.all(h, measured).map(f -> of(f, Observation.scaled(measured)));
    }

    /** @param read in the order of the readings foreseen, in their scale */
    public static ConditionalGaussian of(List<GaussianPrediction> foreseen, double[] read) {
        ConditionalGaussian given = NOTHING;
        for (int i = 0; i < read.length; i++) given = given.and(foreseen.get(i), read[i]);
        return given;
    }

    /** With one reading more. */
    public ConditionalGaussian and(GaussianPrediction next, double read) {
        if (!next.allows(read)) return this;
        int n = readings.length;
        double[] row = Arrays.copyOf(reduced(shared(next)), n + 1);
        row[n] = deviation(next, row);
        GaussianPrediction[] more = Arrays.copyOf(readings, n + 1);
        more[n] = next;
        double[][] factor = Arrays.copyOf(rows, n + 1);
        factor[n] = row;
        double[] farther = Arrays.copyOf(off, n + 1);
        farther[n] = (read - middle(next, row)) / row[n];
        return new ConditionalGaussian(more, factor, farther);
    }

    /** Middle and standard deviation of a further reading. */
    public double[] outlook(GaussianPrediction next) {
        double[] row = reduced(shared(next));
        return new double[] {middle(next, row), deviation(next, row)};
    }

    /** Where between its least severity, 0, and its greatest, 1, the readings put a fault; in the middle where they do not tell. */
    public double severity(int fault) {
        double[] moved =
                Arrays.stream(readings).mapToDouble(f -> f.severe(fault)).toArray();
        return Math.max(0, Math.min(1, 0.5 + SeverityInterval.SEVERITY * moves(reduced(moved))));
    }

    private double middle(GaussianPrediction next, double[] row) {
        return next.value() + moves(row);
    }

    /** By how much the readings move what has this in common with them. */
    private double moves(double[] row) {
        double sum = 0;
        for (int i = 0; i < off.length; i++) sum += row[i] * off[i];
        return sum;
    }

    private double deviation(GaussianPrediction next, double[] row) {
        double variance = next.variance();
        for (int i = 0; i < rows.length; i++) variance -= row[i] * row[i];
        // never below what the meter itself leaves open
        return Math.sqrt(Math.max(variance, next.noise() * next.noise()));
    }

    private double[] shared(GaussianPrediction next) {
        double[] shared = new double[readings.length];
        for (int i = 0; i < shared.length; i++) shared[i] = next.shared(readings[i]);
        return shared;
    }

    /** L⁻¹·c, in its place. */
    private double[] reduced(double[] c) {
        for (int i = 0; i < c.length; i++) {
            double[] row = rows[i];
            for (int j = 0; j < i; j++) c[i] -= row[j] * c[j];
            c[i] /= row[i];
        }
        return c;
    }
}
