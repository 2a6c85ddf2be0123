package anabion.core.diagnosis.nexttest;

/**
 * How the answers to one measurement share out the odds of causes, which are put in one after the other.
 *
 * <p>Method: the entropy over causes that an answer leaves, on the mean over answers, is that over causes and answers together less that over
 * answers alone (the chain rule), so that no table of both is needed.
 */
public final class OutcomeEntropy {
    private static final int BITS = 9;
    private static final double LN2 = Math.log(2);
    private static final double[] INVERSE = new double[1 << BITS];
    private static final double[] LOG = new double[1 << BITS];

    static {
        for (int n = 0; n < LOG.length; n++) {
            double middle = 1 + (n + 0.5) / LOG.length;
            INVERSE[n] = 1 / middle;
            LOG[n] = Math.log(middle);
        }
    }

    private final double[] all;
    private final double[] ofCause;
    private int inHand = -1;
    private double together;
    private int from = Integer.MAX_VALUE;
    private int to = -1;

    /** @param answers that the measurement can give */
    public OutcomeEntropy(int answers) {
        all = new double[answers];
        ofCause = new double[answers];
    }

    /**
     * Adds to the odds that a cause is true and gives this answer.
     *
     * @param cause what is added of one cause comes in a row
     */
    public void put(int cause, int answer, double odds) {
        if (cause != inHand) next();
        inHand = cause;
        ofCause[answer] += odds;
        from = Math.min(from, answer);
        to = Math.max(to, answer);
    }

    /**
     * Adds to the odds that a cause is true and gives one of some neighbouring answers.
     *
     * @param shares of its odds, by answer
     */
    public void put(int cause, int first, int last, double[] shares, double odds) {
        if (cause != inHand) next();
        inHand = cause;
        for (int n = first; n <= last; n++) ofCause[n] += odds * shares[n];
        from = Math.min(from, first);
        to = Math.max(to, last);
    }

    private void next() {
        for (int n = from; n <= to; n++) {
            together += surprise(ofCause[n]);
            all[n] += ofCause[n];
            ofCause[n] = 0;
        }
        from = Integer.MAX_VALUE;
        to = -1;
    }

    /** Bits over causes that the measurement leaves to be expected, when all have been put in. */
    public double left() {
        next();
        double answers = 0;
        for (double p : all) answers += surprise(p);
        return (together - answers) / LN2;
    }

    /** The part of an outcome in an entropy, in nats. */
    private static double surprise(double odds) {
        return odds > 1e-12 ? -odds * log(odds) : 0;
    }

    /**
     * Natural logarithm to twelve decimals, for hundreds of thousands in a ranking: exponent, a table of the leading {@link #BITS} of the mantissa, and
     * three terms of the series for the rest, which is below 2⁻¹⁰.
     *
     * @param x above the least normal number
     */
    public static double log(double x) {
        long bits = Double.doubleToRawLongBits(x);
        int at = (int) (bits >>> (52 - BITS)) & (LOG.length - 1);
        double mantissa = Double.longBitsToDouble((bits & 0xFFFFFFFFFFFFFL) | 0x3FF0000000000000L);
        double rest = mantissa * INVERSE[at] - 1;
        return ((bits >>> 52) - 1023) * LN2 + LOG[at] + rest * (1 - rest * (0.5 - rest / 3));
    }
}
