package anabion.core.diagnosis;

/**
 * What one hypothesis shows at one probe that is answered by a number: volts, or the common logarithm of ohms.
 *
 * @param value its middle
 * @param shares how far one standard deviation of each source moves it: parts, tubes, line, and last the severity of the fault
 * @param noise standard deviation of the meter and of what is left out
 */
record Foreseen(double value, double[] shares, double noise) {
    /** Standard deviation of the reading by itself. */
    double deviation() {
        double sum = noise * noise;
        for (double s : shares) sum += s * s;
        return Math.sqrt(sum);
    }
}
