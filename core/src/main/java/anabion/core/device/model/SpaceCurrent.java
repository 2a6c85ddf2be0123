package anabion.core.device.model;

import java.util.function.DoubleUnaryOperator;

/**
 * The current that a control grid lets through under the pull of one positive electrode (a triode's plate, a pentode's screen).
 *
 * <p>I = K·[(1 − w)·E(µ)^x + w·E(µ₂)^x₂] with E(µ) = (U/k)·ln(1 + exp(k·(1/µ + (V_g + c)/√(b + U²)))), U the electrode's volts above the
 * cathode. (Koren's soft form of the three-halves law; the second term, for remote cut-off types, is a part of the grid wound wider.) A grid whose pitch
 * changes all along shuts part by part: E^1.5·(E·µ/U)^(x − 1.5), which at no grid volts follows the three-halves law whatever x. The shift c stands for contact
 * potential and initial velocities.
 * Rises with both voltages. Fails to show secondary emission and initial velocities at large electrodes.
 *
 * @param perveance K, amperes per volt^x
 * @param mu amplification of the electrode by the grid
 * @param exponent x, 1.2 to 1.6
 * @param softness k; small is soft
 * @param corner b in volts squared, rounding at low electrode volts
 * @param remoteShare w, 0 for sharp cut-off
 * @param remoteMu µ₂ of the wide part of the grid
 * @param remoteExponent x₂
 * @param graded whether the pitch changes all along
 */
public record SpaceCurrent(
        double perveance,
        double mu,
        double exponent,
        double softness,
        double corner,
        double remoteShare,
        double remoteMu,
        double remoteExponent,
        boolean graded) {
    /** c in volts, usual for oxide cathodes: it makes I ~ E^1.5 agree with published points at high and low plate volts alike. */
    static final double SHIFT = 0.6;
    /** Volts against which half of the electrons turn back, and the spread of their speeds in volts. */
    private static final double RETARDING = 1;

    private static final double SPEED = 0.15;
    /** Rounds the law where the electrode turns negative, in volts. */
    private static final double EDGE = 0.5;

    /** Amperes at grid and electrode volts above the cathode. */
    public double amperes(double grid, double electrode) {
        return at(electrode).applyAsDouble(grid);
    }

    /** Amperes as a function of grid volts, at fixed electrode volts. */
    DoubleUnaryOperator at(double electrode) {
        double u = Smooth.positive(electrode, EDGE);
        double root = Math.sqrt(corner + u * u);
        double scale = perveance * reaching(electrode);
        return grid -> {
            double g = (grid + SHIFT) / root;
            double near = power(u, g, mu, exponent);
            if (remoteShare == 0) return scale * near;
            return scale * ((1 - remoteShare) * near + remoteShare * power(u, g, remoteMu, remoteExponent));
        };
    }

    /** Share of the electrons that still reach an electrode: against a volt or two none do, so one that floats settles there. */
    private static double reaching(double electrode) {
        return 1 / (1 + Math.exp(-(electrode + RETARDING) / SPEED));
    }

    private double power(double u, double g, double amplification, double x) {
        double e = u / softness * Smooth.softplus(softness * (1 / amplification + g));
        if (x == 1.5) return e * Math.sqrt(e);
        return graded ? e * Math.sqrt(e) * graded(e * amplification / u, x - 1.5) : Math.pow(e, x);
    }

    /** A power in steps of a half by roots and products, which take a fraction of the time. */
    private static double graded(double share, double x) {
        if (x == 1) return share;
        return x == 2.5 ? share * share * Math.sqrt(share) : Math.pow(share, x);
    }

    /** A grid of one pitch, with a perveance of one. */
    static SpaceCurrent sharp(double mu, double exponent, double softness, double corner) {
        return new SpaceCurrent(1, mu, exponent, softness, corner, 0, 0, exponent, false);
    }

    /** With a pitch that changes all along. */
    SpaceCurrent spread() {
        return new SpaceCurrent(perveance, mu, exponent, softness, corner, remoteShare, remoteMu, remoteExponent, true);
    }

    SpaceCurrent withWide(double share, double amplification, double x) {
        return new SpaceCurrent(perveance, mu, exponent, softness, corner, share, amplification, x, graded);
    }

    /** With another perveance. */
    public SpaceCurrent times(double factor) {
        return new SpaceCurrent(
                perveance * factor, mu, exponent, softness, corner, remoteShare, remoteMu, remoteExponent, graded);
    }

    String deck(String grid, String electrode) {
        String u = Smooth.positive(electrode, EDGE);
        String near = power(u, grid, mu, exponent);
        String scale = SpiceSyntax.number(perveance) + "/(1+exp(-max(((" + electrode + ")+" + RETARDING + ")/" + SPEED
                + ",-200)))";
        if (remoteShare == 0) return scale + "*" + near;
        return scale + "*(" + SpiceSyntax.number(1 - remoteShare) + "*" + near + "+" + SpiceSyntax.number(remoteShare)
                + "*" + power(u, grid, remoteMu, remoteExponent) + ")";
    }

    private String power(String u, String grid, double amplification, double x) {
        String root = "sqrt(" + SpiceSyntax.number(corner) + "+" + u + "*" + u + ")";
        String drive = SpiceSyntax.number(softness) + "*(" + SpiceSyntax.number(1 / amplification) + "+(" + grid + "+"
                + SHIFT + ")/" + root + ")";
        String e = u + "/" + SpiceSyntax.number(softness) + "*" + Smooth.softplus(drive);
        if (!graded || x == 1.5) return "pow(" + e + "," + SpiceSyntax.number(x) + ")";
        return "pow(" + e + ",1.5)*pow((" + e + ")*" + SpiceSyntax.number(amplification) + "/" + u + ","
                + SpiceSyntax.number(x - 1.5) + ")";
    }
}
