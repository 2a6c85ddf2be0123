package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Chassis;
import anabion.core.diagnosis.evidence.Amperes;
import anabion.core.diagnosis.evidence.LogScale;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.simulation.dc.IronLoss;
import anabion.core.simulation.setting.Setting;
import java.util.Optional;
import java.util.function.Function;

/**
 * What a set takes from what feeds it in each of its states, in watts and amperes: what the circuit takes, and an estimate of a transformer's iron. Tubes, meter
 * and line move it each by its own share, of which no other reading has any.
 */
final class SupplyDrawModel {
    private static final double AMMETER = 0.03;
    /** A cheap meter, tubes and the line. */
    private static final double LOAD = 0.08;
    /** What iron takes to be magnetised runs across the rest, and is known by its order alone: a share of a transformer set's amperes. */
    private static final double MAGNETISING = 0.12;

    private static final double LEAST_WATTS = 0.7;
    private static final double LEAST_AMPERES = Math.pow(10, LogScale.AMPERES.least());
    /** Times what a sound set takes, of all that a reading can be. */
    private static final double MOST = 4;

    private static final double SMALLEST_WATTS = 5;

    private final Chassis chassis;
    private final Setting usual;
    private final Sources sources;
    private final FaultResponse sound;
    private final double iron;

    /** @param sound at its nominal line */
    SupplyDrawModel(Chassis chassis, Setting usual, FaultResponse sound, Sources sources) {
        this.chassis = chassis;
        this.usual = usual;
        this.sources = sources;
        this.sound = sound;
        this.iron = IronLoss.watts(chassis, usual.line() * sound.atRest().mainsAmperes());
    }

    /** Width of all that a reading can be, in watts or in decades of amperes. */
    double range(Measurement.Powered p) {
        return p instanceof Amperes
                ? LogScale.AMPERES.range()
                : MOST * Math.max(SMALLEST_WATTS, sound.draw().watts() + iron);
    }

    /**
     * What is read.
     *
     * @param p watts or amperes
     * @param shown a state solved near the line of the reading; the answer is empty where it does not settle
     */
    Optional<GaussianPrediction> foreseen(
            SeverityInterval ends, Measurement.Powered p, Function<FaultState, Optional<FaultResponse>> shown) {
        Optional<FaultResponse> from = shown.apply(ends.least());
        Optional<FaultResponse> to = shown.apply(ends.most());
        if (from.isEmpty() || to.isEmpty()) return Optional.empty();
        return Optional.of(
                p instanceof Measurement.Watts w
                        ? watts(ends, w, from.get(), to.get())
                        : amperes(ends, p, from.get(), to.get()));
    }

    /** A little off the line at which it was solved, by the square of the volts. */
    private GaussianPrediction watts(SeverityInterval ends, Measurement.Watts p, FaultResponse from, FaultResponse to) {
        double line = p.setting().line();
        double beside = iron(from, to) * Math.pow(line / usual.line(), 2);
        double a = from.draw().watts() * Math.pow(line / from.line(), 2);
        double b = to.draw().watts() * Math.pow(line / to.line(), 2);
        double middle = beside + (a + b) / 2;
        double read = Math.hypot(LOAD * middle, Math.hypot(LEAST_WATTS, p.spread()));
        return new GaussianPrediction(middle, severe(ends, b - a), Math.hypot(read, beside / 2));
    }

    /** As a logarithm; a little off the line at which it was solved, by the volts. Of a battery's amperes the circuit says what each part's tolerance does; of the mains' nobody asks. */
    private GaussianPrediction amperes(
            SeverityInterval ends, Measurement.Powered p, FaultResponse from, FaultResponse to) {
        double line = p.setting().line();
        double beside = iron(from, to) * line / Math.pow(usual.line(), 2);
        double a = beside + from.draw().amperes() * line / from.line();
        double b = beside + to.draw().amperes() * line / to.line();
        double least = LogScale.AMPERES.of(a);
        double most = LogScale.AMPERES.of(b);
        double middle = (least + most) / 2;
        double[] shares = severe(ends, most - least);
        Optional<double[]> one = from.drawSpread(chassis);
        Optional<double[]> other = to.drawSpread(chassis);
        boolean known = one.isPresent() && other.isPresent();
        if (known)
            for (int k = 0; k < one.get().length; k++)
                shares[k] += decades(
                        larger(one.get()[k] / Math.max(LEAST_AMPERES, a), other.get()[k] / Math.max(LEAST_AMPERES, b)));
        double taken = Math.pow(10, middle);
        double read = Math.hypot(known ? AMMETER : LOAD, LEAST_AMPERES / taken);
        double magnetised = beside > 0 ? Math.hypot(MAGNETISING, beside / 2 / taken) : 0;
        return new GaussianPrediction(middle, shares, decades(Math.hypot(read, magnetised)));
    }

    private static double larger(double one, double other) {
        return Math.abs(one) > Math.abs(other) ? one : other;
    }

    /** A small share as part of a decade. */
    private static double decades(double share) {
        return share / Math.log(10);
    }

    /** Watts of the iron at the nominal line: less where its windings have less, none where the line does not reach them. */
    private double iron(FaultResponse from, FaultResponse to) {
        return iron == 0 ? 0 : iron * (share(from) + share(to)) / 2;
    }

    private double share(FaultResponse state) {
        return IronLoss.share(chassis, state.atRest(), sound.atRest(), state.line() / usual.line());
    }

    private double[] severe(SeverityInterval ends, double moved) {
        double[] shares = sources.none();
        if (ends.graded()) shares[sources.severity()] = SeverityInterval.SEVERITY * moved;
        return shares;
    }
}
