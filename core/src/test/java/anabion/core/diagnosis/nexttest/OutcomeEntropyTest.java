package anabion.core.diagnosis.nexttest;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class OutcomeEntropyTest {
    @Test
    void anAnswerThatOnlyOneCauseGivesLeavesNothing() {
        OutcomeEntropy answers = new OutcomeEntropy(4);
        for (int cause = 0; cause < 4; cause++) answers.put(cause, cause, 0.25);
        assertThat(answers.left()).isCloseTo(0, within(1e-12));
    }

    @Test
    void anAnswerThatAllGiveLeavesAll() {
        OutcomeEntropy answers = new OutcomeEntropy(2);
        for (int cause = 0; cause < 4; cause++) answers.put(cause, 1, 0.25);
        assertThat(answers.left()).isCloseTo(2, within(1e-12));
    }

    /** Half of the time the answer tells two causes apart, the other half it leaves the odds as they were. */
    @Test
    void halfAnAnswerLeavesHalf() {
        OutcomeEntropy answers = new OutcomeEntropy(3);
        answers.put(0, 0, 0.25);
        answers.put(0, 2, 0.25);
        answers.put(1, 1, 0.25);
        answers.put(1, 2, 0.25);
        assertThat(answers.left()).isCloseTo(0.5, within(1e-12));
    }

    /** The mean, over answers, of the entropy of what each leaves possible: as it is defined, from a table of both. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void itIsTheMeanEntropyOfWhatTheAnswersLeave(long seed) {
        Random random = new Random(seed);
        int causes = 2 + random.nextInt(6);
        int outcomes = 2 + random.nextInt(6);
        double[][] table = new double[causes][outcomes];
        double sum = 0;
        for (double[] row : table)
            for (int n = 0; n < outcomes; n++) {
                row[n] = random.nextBoolean() ? random.nextDouble() : 0;
                sum += row[n];
            }
        OutcomeEntropy answers = new OutcomeEntropy(outcomes);
        double[] whole = new double[outcomes];
        for (int c = 0; c < causes; c++)
            for (int n = 0; n < outcomes; n++) {
                table[c][n] /= sum;
                whole[n] += table[c][n];
                answers.put(c, n, table[c][n]);
            }
        double expected = 0;
        for (double[] row : table)
            for (int n = 0; n < outcomes; n++)
                if (row[n] > 0) expected -= row[n] * Math.log(row[n] / whole[n]) / Math.log(2);
        assertThat(answers.left()).isCloseTo(expected, within(1e-9)).isGreaterThanOrEqualTo(0);
    }

    /** Neighbouring answers put in at once are those put in one by one. */
    @Test
    void atOnceIsOneByOne() {
        double[] shares = {0.7, 0.2, 0.5, 0.3, 0.9};
        OutcomeEntropy atOnce = new OutcomeEntropy(shares.length);
        OutcomeEntropy single = new OutcomeEntropy(shares.length);
        for (int cause = 0; cause < 3; cause++) {
            atOnce.put(cause, cause, cause + 2, shares, 0.1);
            for (int n = cause; n <= cause + 2; n++) single.put(cause, n, 0.1 * shares[n]);
        }
        assertThat(atOnce.left()).isCloseTo(single.left(), within(1e-12)).isGreaterThan(0.1);
    }

    @Test
    void theLogarithmHoldsTwelveDecimals() {
        Random random = new Random(1);
        for (int n = 0; n < 100_000; n++) {
            double x = Math.exp(-30 * random.nextDouble());
            assertThat(OutcomeEntropy.log(x)).isCloseTo(Math.log(x), within(1e-12));
        }
        assertThat(OutcomeEntropy.log(1)).isCloseTo(0, within(1e-12));
    }
}
