package anabion.core.circuit;

/**
 * Ohms between every two nets of a reciprocal circuit, as seen from its operating point: the half of J⁻¹ that belongs to the nets.
 *
 * <p>Currents through resistances, filaments and windings are reciprocal, so J⁻¹ is symmetric there, and its lower triangle says all: a twentieth of what the
 * equations hold that it was computed from. Immutable.
 */
public final class TransferResistances {
    private final int nets;
    private final double[] lower;

    TransferResistances(int nets, double[] lower) {
        this.nets = nets;
        this.lower = lower;
    }

    private double at(int a, int b) {
        if (a < 0 || b < 0) return 0;
        int row = Math.max(a, b);
        return lower[row * (row + 1) / 2 + Math.min(a, b)];
    }

    /**
     * Volts of every net while one ampere is driven into one of them and out of another.
     *
     * @param into a net's place, or {@link Circuit#REFERENCE}
     * @return in the order of the circuit's nets
     */
    public double[] driven(int into, int outOf) {
        double[] volts = new double[nets];
        for (int n = 0; n < nets; n++) volts[n] = at(n, into) - at(n, outOf);
        return volts;
    }
}
