package anabion.core.diagnosis.prediction;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import anabion.core.job.Outcome;
import anabion.core.signal.Loudness;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What ears make of decibels. */
class AudibilityModelTest {
    private static final Loudness SOUND = new Loudness(Map.of("af V1", 20.0), Set.of(), -40, false, false, false);

    private static double[] odds(double change, double hum, boolean distorted) {
        return AudibilityModel.odds(
                SOUND,
                new Loudness(Map.of("af V1", 20.0 + change), Set.of(), -40 + hum, distorted, false, false),
                "af V1");
    }

    private static Outcome likeliest(double[] odds) {
        int best = 0;
        for (int n = 1; n < odds.length; n++) if (odds[n] > odds[best]) best = n;
        return Outcome.values()[best];
    }

    @ParameterizedTest
    @CsvSource({"0, LOUD", "-3, LOUD", "-15, WEAK", "-60, NOTHING", "6, LOUD"})
    void aChangeOfLoudnessIsCalledByItsName(double change, Outcome called) {
        assertThat(likeliest(odds(change, 0, false))).isEqualTo(called);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-200, -31, -12, -8, -1, 0, 10})
    void theOddsSumToOneAndNothingIsImpossible(double change) {
        for (double hum : new double[] {-30, 0, 20})
            for (boolean distorted : new boolean[] {false, true}) {
                double[] odds = odds(change, hum, distorted);
                assertThat(Arrays.stream(odds).sum()).isCloseTo(1, within(1e-9));
                assertThat(Arrays.stream(odds).allMatch(p -> p > 0.01 && p < 1)).isTrue();
            }
    }

    /** A set that is said to crackle has been heard to play: what silences it is less likely. */
    @Test
    void whoNamesACrackleHasHeardItPlay() {
        int crackle = Outcome.CRACKLE.ordinal();
        assertThat(odds(0, 0, false)[crackle]).isGreaterThan(3 * odds(-60, 0, false)[crackle]);
        assertThat(odds(-15, 0, false)[crackle]).isLessThan(odds(-3, 0, false)[crackle]);
    }

    /** The quieter, the less often loud and the more often nothing. */
    @Test
    void quieterIsNeverCalledLouder() {
        double loud = 1;
        double nothing = 0;
        for (double change = 5; change > -60; change -= 1) {
            double[] odds = odds(change, 0, false);
            assertThat(odds[Outcome.LOUD.ordinal()]).isLessThanOrEqualTo(loud + 1e-12);
            assertThat(odds[Outcome.NOTHING.ordinal()]).isGreaterThanOrEqualTo(nothing - 1e-12);
            loud = odds[Outcome.LOUD.ordinal()];
            nothing = odds[Outcome.NOTHING.ordinal()];
        }
    }

    @Test
    void humAndDistortionAreNamedButASilentSetDoesNotDistort() {
        assertThat(likeliest(odds(-2, 25, false))).isEqualTo(Outcome.HUM);
        assertThat(likeliest(odds(-2, 0, true))).isEqualTo(Outcome.DISTORTED);
        assertThat(likeliest(odds(-80, 0, true))).isEqualTo(Outcome.NOTHING);
    }

    /** A set that always distorted is not said to distort now. */
    @Test
    void whatASoundSetDoesTooIsNotNamed() {
        Loudness usual = new Loudness(Map.of("af V1", 20.0), Set.of(), -40, true, false, false);
        assertThat(likeliest(AudibilityModel.odds(usual, usual, "af V1"))).isEqualTo(Outcome.LOUD);
    }

    @Test
    void ofAnUnknownBandEverythingIsEvenlyLikely() {
        assertThat(AudibilityModel.unknown())
                .hasSize(Outcome.values().length)
                .containsOnly(AudibilityModel.unknown()[0]);
        assertThat(AudibilityModel.mean(new double[] {0, 1}, new double[] {1, 0}))
                .containsExactly(0.5, 0.5);
    }

    private static Loudness path(double point, double aerial) {
        Map<String, Double> decibels = new LinkedHashMap<>();
        decibels.put("if V2.1", point);
        decibels.put("rf AE", aerial);
        return new Loudness(decibels, Set.of(), -80, false, false, false);
    }

    /** A tracer hears what the aerial's signal has become; what lies behind it does not matter, and behind silence it knows nothing. */
    @Test
    void aTracerHearsOnlyWhatLiesBeforeIt() {
        Loudness sound = path(20, 60);
        int loud = Outcome.LOUD.ordinal();
        int nothing = Outcome.NOTHING.ordinal();
        assertThat(AudibilityModel.traced(sound, sound, "if V2.1")[loud]).isGreaterThan(0.8);
        assertThat(AudibilityModel.traced(sound, path(-60, -20), "if V2.1")[loud])
                .as("lost behind it")
                .isGreaterThan(0.8);
        assertThat(AudibilityModel.traced(sound, path(20, -20), "if V2.1")[nothing])
                .as("lost before it")
                .isGreaterThan(0.8);
        double[] silent = AudibilityModel.traced(sound, path(-300, -300), "if V2.1");
        assertThat(silent[loud]).isBetween(0.3, 0.6);
        assertThat(silent[nothing]).isBetween(0.3, 0.6);
        assertThat(Arrays.stream(silent).sum()).isCloseTo(1, within(1e-9));
    }
}
