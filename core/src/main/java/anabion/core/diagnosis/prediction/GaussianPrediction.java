package anabion.core.diagnosis.prediction;

/** What one hypothesis shows at one measurement that is answered by a number: volts, or the common logarithm of ohms. */
public final class GaussianPrediction {
    private static final double STRAINED = 4;

    private final double value;
    /** Thousands of these are kept: seven digits are more than any part is known to. */
    private final float[] shares;

    private final double noise;
    private final double variance;

    /**
     * @param value its middle
     * @param shares how far one standard deviation of each of the {@link Sources} moves it
     * @param noise standard deviation of the meter and of what is left out
     * @throws ArithmeticException if one of them is not a finite number: it would make every odds one that is none
     */
    public GaussianPrediction(double value, double[] shares, double noise) {
        this.value = value;
        this.shares = new float[shares.length];
        for (int k = 0; k < shares.length; k++) this.shares[k] = (float) shares[k];
        this.noise = noise;
        this.variance = noise * noise + shared(this);
        if (!Double.isFinite(value) || !Double.isFinite(variance))
            throw new ArithmeticException("nothing is foreseen by " + value + " with a variance of " + variance);
    }

    /** The reading foreseen, in the unit of its measurement. */
    public double value() {
        return value;
    }

    /** How far each of the {@link Sources} moves it. Not copied: thousands of these are asked for in every weighing. */
    public float[] shares() {
        return shares;
    }

    /** With what another fault does to the same reading added, as far as it differs from a sound set. */
    public GaussianPrediction and(GaussianPrediction other, GaussianPrediction sound) {
        double[] sum = new double[shares.length];
        for (int k = 0; k < sum.length; k++) sum[k] = (double) shares[k] + other.shares[k] - sound.shares[k];
        severe(sum, severe(0), other.severe(0));
        return new GaussianPrediction(value + other.value - sound.value, sum, Math.max(noise, other.noise));
    }

    /**
     * With a severity for each of two faults, where so far one moved both.
     *
     * @param one by how much one standard deviation of its severity moves the reading where the first fault is alone
     * @param other likewise the second; by what both move it together beyond that, or short of it, each has its share
     */
    public GaussianPrediction apart(double one, double other) {
        double alone = Math.abs(one) + Math.abs(other);
        if (alone == 0) return this;
        double besides = (severe(0) - one - other) / alone;
        double[] each = new double[shares.length];
        for (int k = 0; k < each.length; k++) each[k] = shares[k];
        severe(each, one + besides * Math.abs(one), other + besides * Math.abs(other));
        return new GaussianPrediction(value, each, noise);
    }

    private static void severe(double[] shares, double first, double second) {
        shares[shares.length - 1] = first;
        shares[shares.length - 2] = second;
    }

    /** By how much one standard deviation of a fault's severity moves it: of the only or first fault, 0, or of the second of two, 1. */
    public double severe(int fault) {
        return shares[shares.length - 1 - fault];
    }

    /** By how much electrolytics that have lain move it. */
    public double lain() {
        return shares[shares.length - 3];
    }

    /** Standard deviation of the meter and of what is left out. */
    public double noise() {
        return noise;
    }

    /** Covariance with another reading of the same set. */
    public double shared(GaussianPrediction other) {
        double sum = 0;
        for (int k = 0; k < shares.length; k++) sum += (double) shares[k] * other.shares[k];
        return sum;
    }

    /** Standard deviation of the reading by itself. */
    public double deviation() {
        return Math.sqrt(variance);
    }

    /** Variance of the reading by itself. */
    public double variance() {
        return variance;
    }

    /** Whether a reading can be chance: farther off than so many standard deviations it is a slip, or another fault's. */
    public boolean allows(double read) {
        return Math.abs(read - value) <= STRAINED * deviation();
    }

    /** Density of a reading by itself. */
    public double density(double read) {
        return density(read - value, deviation());
    }

    /** Density of the normal distribution so far off its middle. */
    public static double density(double off, double deviation) {
        double z = off / deviation;
        return Math.exp(-z * z / 2) / (deviation * Math.sqrt(2 * Math.PI));
    }
}
