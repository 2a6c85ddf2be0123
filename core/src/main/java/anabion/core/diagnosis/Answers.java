package anabion.core.diagnosis;

/**
 * How the answers to one probe share out the odds of causes, which are put in one after the other.
 *
 * <p>Method: the entropy over causes that an answer leaves, on the mean over answers, is that over causes and answers together less that over
 * answers alone (the chain rule), so that no table of both is needed.
 */
final class Answers {
    private final double[] all;
    private final double[] ofCause;
    private int inHand = -1;
    private double together;
    private int from = Integer.MAX_VALUE;
    private int to = -1;

    /** @param answers that the probe can give */
    Answers(int answers) {
        all = new double[answers];
        ofCause = new double[answers];
    }

    /**
     * Adds to the odds that a cause is true and gives this answer.
     *
     * @param cause what is added of one cause comes in a row
     */
    void put(int cause, int answer, double odds) {
        if (cause != inHand) next();
        inHand = cause;
        ofCause[answer] += odds;
        from = Math.min(from, answer);
        to = Math.max(to, answer);
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

    /** Bits over causes that the probe leaves to be expected, when all have been put in. */
    double left() {
        next();
        double answers = 0;
        for (double p : all) answers += surprise(p);
        return (together - answers) / Math.log(2);
    }

    /** The part of an outcome in an entropy, in nats. */
    private static double surprise(double odds) {
        return odds > 1e-12 ? -odds * Math.log(odds) : 0;
    }
}
