package anabion.core.circuit;

import anabion.core.numeric.Phasor;

/**
 * A bipolar transistor as small signals see it: Giacoletto's hybrid-pi circuit (1954), with the base's own resistance before it and the
 * emitter's behind it. What a collector feeds back to its base through their capacitance can be left out, as where a stage is neutralised.
 *
 * @param slopes inside the two resistances
 * @param diffusion farads from the inner base to the inner emitter
 * @param feedback farads from collector to inner base
 * @param baseOhms before the inner base
 * @param emitterOhms behind the inner emitter
 * @param neutralised whether what the feedback brings to the base is cancelled; it loads both ends all the same
 */
public record HybridPi(
        Slopes slopes, double diffusion, double feedback, double baseOhms, double emitterOhms, boolean neutralised) {

    /**
     * Slopes of a transistor's currents, in siemens, by volts against the emitter.
     *
     * @param input of the base's current by the base's volts
     * @param reverse of the base's current by the collector's volts
     * @param forward of the collector's current by the base's volts
     * @param output of the collector's current by the collector's volts
     */
    public record Slopes(double input, double reverse, double forward, double output) {}

    /**
     * Admittances against the emitter's terminal, rows and columns base and collector, in siemens. Series resistances enter one after
     * the other in closed form, so that nothing is divided by but 1 + a sum; it fails where that sum is −1, which no passive input has.
     *
     * @param w radians per second
     */
    public Phasor[][] admittances(double w) {
        Phasor in = new Phasor(slopes.input(), w * (diffusion + feedback));
        Phasor back = neutralised ? new Phasor(0, 0) : new Phasor(slopes.reverse(), -w * feedback);
        Phasor forward = new Phasor(slopes.forward(), -w * feedback);
        Phasor out = new Phasor(slopes.output(), w * feedback);
        Phasor less = in.times(baseOhms).plus(new Phasor(1, 0));
        out = out.minus(back.times(forward).times(baseOhms).over(less));
        in = in.over(less);
        back = back.over(less);
        forward = forward.over(less);
        Phasor share = in.times(out).minus(back.times(forward)).times(emitterOhms);
        Phasor sum = in.plus(back).plus(forward).plus(out).times(emitterOhms).plus(new Phasor(1, 0));
        return new Phasor[][] {
            {in.plus(share).over(sum), back.minus(share).over(sum)},
            {forward.minus(share).over(sum), out.plus(share).over(sum)}
        };
    }
}
