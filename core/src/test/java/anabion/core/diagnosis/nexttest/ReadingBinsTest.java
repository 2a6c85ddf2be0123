package anabion.core.diagnosis.nexttest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.diagnosis.prediction.GaussianPrediction;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What a reading leaves open of two causes that are as likely as each other: one bit before it. */
class ReadingBinsTest {
    private static final double[] SOUND = {100, 2};
    private static final double[] EVEN = {0.5, 0.5};
    private static final int[] APART = {0, 1};

    private static double left(double[] one, double[] other) {
        return new ReadingBins(new double[][] {one, other}, SOUND).left(EVEN, APART);
    }

    @Test
    void farApartNothingIsLeft() {
        assertThat(left(new double[] {100, 2}, new double[] {150, 2})).isCloseTo(0, within(1e-3));
    }

    @Test
    void alikeAllIsLeft() {
        assertThat(left(new double[] {90, 2}, new double[] {90, 2})).isCloseTo(1, within(1e-9));
    }

    /** Cut into intervals it is what the integral over both bells (Simpson's rule) is, but for tails that are left out. */
    @ParameterizedTest
    @ValueSource(doubles = {0.5, 1, 2, 3})
    void betweenItIsTheIntegral(double deviations) {
        double sigma = 0.2;
        double expected = 0;
        int steps = 4000;
        double from = -8;
        double width = (16 + deviations) / steps;
        for (int n = 0; n <= steps; n++) {
            double x = from + n * width;
            double a = GaussianPrediction.density(x, 1) / 2;
            double b = GaussianPrediction.density(x - deviations, 1) / 2;
            double open = -a * log2(a / (a + b)) - b * log2(b / (a + b));
            expected += open * (n == 0 || n == steps ? 1 : n % 2 == 1 ? 4 : 2) * width / 3;
        }
        assertThat(left(new double[] {100, sigma}, new double[] {100 + deviations * sigma, sigma}))
                .isCloseTo(expected, within(0.04));
    }

    /** Of what is not foreseen at all a reading tells nothing, and severities of one cause need not be told apart. */
    @Test
    void whatIsNotForeseenStaysOpen() {
        double[] unsettled = {Double.NaN, Double.NaN};
        assertThat(left(unsettled, unsettled)).isCloseTo(1, within(1e-9));
        assertThat(new ReadingBins(new double[][] {{100, 2}, {150, 2}}, SOUND).left(EVEN, new int[] {0, 0}))
                .isCloseTo(0, within(1e-12));
    }

    private static double log2(double x) {
        return Math.log(x) / Math.log(2);
    }
}
