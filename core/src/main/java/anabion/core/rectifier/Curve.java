package anabion.core.rectifier;

import anabion.core.device.model.RectifierLaw;
import java.util.Arrays;

/**
 * A path's current against the volts across law and source resistance, tabulated: the steps of a cycle ask for it many thousand
 * times. Points lie closer toward zero, as squares; between them it is straight, within 1e-4 of the law above a volt.
 */
final class Curve {
    private static final int POINTS = 1024;
    /** Below zero the current falls by this power of e a volt. */
    private static final double EXPONENT = 20;

    private static final double STEP = 1e-4;
    private final double most;
    private final double[] amperes = new double[POINTS + 1];
    private final double[] siemens = new double[POINTS];
    private final RectifierLaw law;

    Curve(RectifierLaw law, double most) {
        this.law = law;
        this.most = most;
        Arrays.fill(amperes, Double.NaN);
        Arrays.fill(siemens, Double.NaN);
    }

    /** A point, computed when it is first asked for: one cycle needs a fraction of them. */
    private double point(int n) {
        if (Double.isNaN(amperes[n])) amperes[n] = law.amperes(volts(n));
        return amperes[n];
    }

    double amperes(double volts) {
        if (volts <= 0) return point(0) * Math.exp(EXPONENT * volts);
        if (volts >= most) return law.amperes(volts);
        int n = below(volts);
        return point(n) + slope(n) * (volts - volts(n));
    }

    /** Siemens at some volts: how steeply {@link #amperes} rises there. */
    double siemens(double volts) {
        if (volts <= 0) return EXPONENT * point(0) * Math.exp(EXPONENT * volts);
        if (volts >= most) return (law.amperes(volts * (1 + STEP)) - law.amperes(volts)) / (volts * STEP);
        return slope(below(volts));
    }

    /** The last point that is not above some volts within the table. */
    private int below(double volts) {
        return Math.min(POINTS - 1, (int) (POINTS * Math.sqrt(volts / most)));
    }

    private double volts(int n) {
        return most * n / POINTS * n / POINTS;
    }

    private double slope(int n) {
        if (Double.isNaN(siemens[n])) siemens[n] = (point(n + 1) - point(n)) / (volts(n + 1) - volts(n));
        return siemens[n];
    }
}
