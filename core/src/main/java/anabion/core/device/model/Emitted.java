package anabion.core.device.model;

/**
 * Current to an electrode that takes electrons without being positive: a grid, or the plate of a signal diode.
 *
 * <p>I = K·(s·ln(1 + exp((V + c)/s)))^1.5. Far below zero this is the exponential of electrons that leave the cathode at some 1000 K
 * (1.5/s = 1/0.087 V); above, the three-halves law. Contact potential and initial velocity shift it by c, so that a grid leak of
 * megohms finds its grid at −0.5 to −1 V.
 *
 * @param perveance K, amperes per volt^1.5
 * @param contact c in volts
 */
public record Emitted(double perveance, double contact) {
    private static final double SPREAD = 0.13;

    double amperes(double volts) {
        double v = SPREAD * Smooth.softplus((volts + contact) / SPREAD);
        return perveance * v * Math.sqrt(v);
    }

    Emitted times(double factor) {
        return new Emitted(perveance * factor, contact);
    }

    String deck(String volts) {
        return SpiceSyntax.number(perveance) + "*pow(" + SpiceSyntax.number(SPREAD) + "*"
                + Smooth.softplus("(" + volts + "+" + SpiceSyntax.number(contact) + ")/" + SpiceSyntax.number(SPREAD))
                + ",1.5)";
    }
}
