package anabion.core.diagnosis.nexttest;

/**
 * What a reading leaves open of the cause.
 *
 * <p>Method: all that can be read is cut into intervals, about the meter's error wide where sound sets lie and ever wider away from them; each
 * hypothesis puts its odds into them by a normal distribution. May be computed on any thread.
 */
public final class ReadingBins {
    private static final int NUMBER = 32;
    /** The least spread, in intervals: what lies in the middle of one touches its neighbours. */
    private static final double LEAST = 0.4;
    /** Standard deviations beyond which nothing is put. */
    private static final double FAR = 2.5;

    /** On a scale that is straight about what a sound set shows, as far as sound sets differ, and logarithmic beyond: middles and deviations. */
    private final double[] middles;

    private final double[] deviations;
    private final double least;
    private final double width;

    /**
     * @param outlooks of each hypothesis middle and deviation; not a number where nothing is known of it
     * @param sound the same of a sound set
     */
    public ReadingBins(double[][] outlooks, double[] sound) {
        boolean known = !Double.isNaN(sound[0]);
        double middle = known ? sound[0] : 0;
        double unit = known ? sound[1] : 1;
        middles = new double[outlooks.length];
        deviations = new double[outlooks.length];
        double from = Double.POSITIVE_INFINITY;
        double to = Double.NEGATIVE_INFINITY;
        for (int h = 0; h < outlooks.length; h++) {
            double x = (outlooks[h][0] - middle) / unit;
            double root = Math.sqrt(x * x + 1);
            middles[h] = Math.signum(x) * Math.log(Math.abs(x) + root);
            deviations[h] = outlooks[h][1] / (unit * root);
            if (Double.isNaN(x)) continue;
            from = Math.min(from, middles[h] - 2 * deviations[h]);
            to = Math.max(to, middles[h] + 2 * deviations[h]);
        }
        least = from;
        width = Math.max(1e-9, (to - from) / NUMBER);
    }

    /**
     * Expected entropy, in bits.
     *
     * @param odds of each hypothesis
     * @param cause its number; those of one cause follow each other
     */
    public double left(double[] odds, int[] cause) {
        OutcomeEntropy answers = new OutcomeEntropy(NUMBER);
        double[] bell = new double[NUMBER];
        for (int h = 0; h < odds.length; h++) {
            if (Double.isNaN(middles[h])) {
                for (int n = 0; n < NUMBER; n++) answers.put(cause[h], n, odds[h] / NUMBER);
                continue;
            }
            double x = (middles[h] - least) / width;
            double sigma = Math.max(LEAST, deviations[h] / width);
            int from = Math.min((int) Math.max(0, Math.floor(x - FAR * sigma)), NUMBER - 1);
            int to = Math.max(from, (int) Math.min(NUMBER - 1.0, Math.floor(x + FAR * sigma)));
            double sum = bell(bell, from, to, x, sigma);
            answers.put(cause[h], from, to, bell, odds[h] / sum);
        }
        return answers.left();
    }

    /** At even steps the ratio of neighbours falls by a constant factor. */
    private static double bell(double[] bell, int from, int to, double x, double sigma) {
        double z = (from + 0.5 - x) / sigma;
        double step = 1 / sigma;
        double now = Math.exp(-z * z / 2);
        double ratio = Math.exp(-step * (z + step / 2));
        double falls = Math.exp(-step * step);
        double sum = 0;
        for (int n = from; n <= to; n++) {
            bell[n] = now;
            sum += now;
            now *= ratio;
            ratio *= falls;
        }
        return sum;
    }
}
