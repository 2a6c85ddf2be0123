package anabion.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class AnswersTest {
    @Test
    void anAnswerThatOnlyOneCauseGivesLeavesNothing() {
        Answers answers = new Answers(4);
        for (int cause = 0; cause < 4; cause++) answers.put(cause, cause, 0.25);
        assertThat(answers.left()).isCloseTo(0, within(1e-12));
    }

    @Test
    void anAnswerThatAllGiveLeavesAll() {
        Answers answers = new Answers(2);
        for (int cause = 0; cause < 4; cause++) answers.put(cause, 1, 0.25);
        assertThat(answers.left()).isCloseTo(2, within(1e-12));
    }

    /** Half of the time the answer tells two causes apart, the other half it leaves the odds as they were. */
    @Test
    void halfAnAnswerLeavesHalf() {
        Answers answers = new Answers(3);
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
        Answers answers = new Answers(outcomes);
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
}
