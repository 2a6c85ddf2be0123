package anabion.core.diagnosis;

import anabion.core.circuit.DenseLu;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What one hypothesis foresees once readings are there: a plate that read low makes the next pin of that tube lie low too, and the doubt about both
 * is smaller than it was.
 *
 * <p>Method: the conditional normal distribution. With C the covariance of the readings as the hypothesis foresees them, d their distance from it and c the
 * covariance of a further reading with them, the mean moves by c·C⁻¹·d and the variance falls by c·C⁻¹·c. A reading that the hypothesis can only
 * take for a slip of the probe says nothing and is left out.
 */
final class Given {
    private final List<Foreseen> readings = new ArrayList<>();
    private final DenseLu covariance;
    private final double[] solved;

    /** Empty where the circuit of the hypothesis does not settle. */
    static Optional<Given> of(Forecasts forecasts, Hypothesis h, List<Observation> evidence) {
        List<Observation.Measured> measured = Observation.measured(evidence);
        return forecasts.all(h, measured).map(f -> new Given(f, Forecasts.scaled(measured)));
    }

    /** @param read in the order of the readings foreseen, in their scale */
    Given(List<Foreseen> foreseen, double[] read) {
        List<Double> off = new ArrayList<>();
        for (int i = 0; i < read.length; i++) {
            Foreseen f = foreseen.get(i);
            if (!f.allows(read[i])) continue;
            readings.add(f);
            off.add(read[i] - f.value());
        }
        int n = readings.size();
        covariance = new DenseLu(n);
        System.arraycopy(Likelihood.covariance(readings), 0, covariance.matrix(), 0, n * n);
        covariance.factor();
        solved = off.stream().mapToDouble(d -> d).toArray();
        covariance.solve(solved);
    }

    /** Where between its least severity, 0, and its greatest, 1, the readings put a fault; in the middle where they do not tell. */
    double severity(int fault) {
        double deviations = 0;
        for (int i = 0; i < solved.length; i++) deviations += readings.get(i).severe(fault) * solved[i];
        return Math.max(0, Math.min(1, 0.5 + Span.SEVERITY * deviations));
    }

    /** Middle and standard deviation of a further reading. */
    double[] outlook(Foreseen next) {
        int n = readings.size();
        double[] shared = new double[n];
        double middle = next.value();
        for (int i = 0; i < n; i++) {
            shared[i] = next.shared(readings.get(i));
            middle += shared[i] * solved[i];
        }
        double[] known = shared.clone();
        covariance.solve(known);
        double variance = next.deviation() * next.deviation();
        for (int i = 0; i < n; i++) variance -= shared[i] * known[i];
        // never below what the meter itself leaves open
        return new double[] {middle, Math.sqrt(Math.max(variance, next.noise() * next.noise()))};
    }
}
