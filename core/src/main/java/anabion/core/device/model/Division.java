package anabion.core.device.model;

/**
 * How the space current divides between plate and screen: the plate takes β = β₀·(2/π)·atan((U_a/v)^1.5) of it, U_a the plate's volts
 * above the cathode, and the screen the rest. Near its full volts the plate's share hardly moves; as the plate falls below the
 * knee v the screen takes over, up to the whole current when the plate is cut off from its supply.
 *
 * @param most β₀, below one
 * @param knee v in volts
 */
public record Division(double most, double knee) {
    private static final double EDGE = 0.2;

    /**
     * The plate's share of the space current.
     *
     * @param volts of the plate above the cathode
     * @return from 0 to β₀
     */
    public double plate(double volts) {
        double u = Smooth.positive(volts, EDGE) / knee;
        return most * 2 / Math.PI * Math.atan(u * Math.sqrt(u));
    }

    String deck(String volts) {
        return SpiceSyntax.number(most * 2 / Math.PI) + "*atan(pow(" + Smooth.positive(volts, EDGE) + "/"
                + SpiceSyntax.number(knee) + ",1.5))";
    }
}
