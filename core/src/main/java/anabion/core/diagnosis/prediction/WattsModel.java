package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.IronLoss;
import java.util.Optional;
import java.util.function.Function;

/**
 * What a set takes from the mains in each of its states: what the circuit takes, and an estimate of a transformer's iron. Tubes, meter and line move it each
 * by its own share, of which no other reading has any.
 */
final class WattsModel {
    /** A cheap meter, tubes and the line. */
    private static final double LOAD = 0.08;

    private static final double LEAST = 0.7;
    /** Times a sound set's watts, of all that a reading can be. */
    private static final double MOST = 4;

    private static final double SMALLEST_SET = 5;

    private final Setting usual;
    private final Sources sources;
    private final double atRest;
    private final double iron;

    /** @param sound at its nominal line */
    WattsModel(Chassis chassis, Setting usual, OperatingPoint sound, Sources sources) {
        this.usual = usual;
        this.sources = sources;
        this.atRest = sound.wattsFromMains();
        this.iron = IronLoss.watts(chassis, usual.line() * sound.mainsAmperes());
    }

    /** Width of all that a reading can be, in watts. */
    double range() {
        return MOST * Math.max(SMALLEST_SET, atRest + iron);
    }

    /** @param shown a state solved near the line of the reading; the answer is empty where it does not settle */
    Optional<GaussianPrediction> foreseen(
            SeverityInterval ends, Measurement.Watts p, Function<FaultState, Optional<FaultResponse>> shown) {
        Optional<FaultResponse> from = shown.apply(ends.least());
        Optional<FaultResponse> to = shown.apply(ends.most());
        if (from.isEmpty() || to.isEmpty()) return Optional.empty();
        double line = p.setting().line();
        double beside = iron * Math.pow(line / usual.line(), 2);
        double a = watts(from.get(), line);
        double b = watts(to.get(), line);
        double[] shares = sources.none();
        if (ends.graded()) shares[sources.severity()] = SeverityInterval.SEVERITY * (b - a);
        double middle = beside + (a + b) / 2;
        double read = Math.hypot(LOAD * middle, Math.hypot(LEAST, p.spread()));
        double noise = Math.hypot(read, beside / 2);
        return Optional.of(new GaussianPrediction(middle, shares, noise));
    }

    /** A little off the line at which it was solved, by the square of the volts. */
    private static double watts(FaultResponse s, double line) {
        return s.atRest().wattsFromMains() * Math.pow(line / s.line(), 2);
    }
}
