package anabion.core.power;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SeriesLampTest {
    @ParameterizedTest
    @CsvSource({"42, 100", "30, 75", "60, 150", "80, 200", "10, 25"})
    void oneOfTwoToThreeTimesTheSetsWattsIsAdvised(double set, double lamp) {
        assertThat(SeriesLamp.forSet(230, set).rated()).isEqualTo(lamp);
    }

    @Test
    void atItsRatedCurrentItHasItsRatedVoltsAndShinesBrightly() {
        SeriesLamp lamp = SeriesLamp.of(230, 100);
        assertThat(lamp.across(100 / 230.0)).isCloseTo(230, within(0.5));
        assertThat(lamp.glow(230)).isEqualTo(SeriesLamp.Glow.BRIGHT);
        assertThat(lamp.glow(10)).isEqualTo(SeriesLamp.Glow.DARK);
    }

    /** Cold it has a good tenth of its hot ohms. */
    @Test
    void coldItLetsNearlyEverythingThrough() {
        SeriesLamp lamp = SeriesLamp.of(230, 100);
        double cold = lamp.across(0.01) / 0.01;
        assertThat(cold).isBetween(529 / 16.0, 529 / 10.0);
    }

    @Test
    void twoInParallelTakeTwiceTheCurrentAndTwoInSeriesTwiceTheVolts() {
        double one = SeriesLamp.of(115, 60).across(0.3);
        assertThat(new SeriesLamp(115, 60, 2, false).across(0.6)).isCloseTo(one, within(0.01));
        assertThat(new SeriesLamp(115, 60, 2, true).across(0.3)).isCloseTo(2 * one, within(0.01));
    }

    @Property
    void moreCurrentIsMoreVoltsAndNeverLessGlow(
            @ForAll @DoubleRange(min = 0.01, max = 0.4) double amperes,
            @ForAll @DoubleRange(min = 1.01, max = 2) double more) {
        SeriesLamp lamp = SeriesLamp.of(230, 100);
        double less = lamp.across(amperes);
        double greater = lamp.across(amperes * more);
        assertThat(greater).isGreaterThan(less);
        assertThat(lamp.glow(greater)).isGreaterThanOrEqualTo(lamp.glow(less));
        assertThat(lamp.steps(greater)).isGreaterThanOrEqualTo(lamp.steps(less));
    }

    @ParameterizedTest
    @CsvSource({"100, 1, false, 100W", "60, 2, false, 2x60W", "100, 3, true, 3x100W series"})
    void whatTheLogSaysIsReadBack(double watts, int count, boolean chained, String text) {
        SeriesLamp lamp = new SeriesLamp(230, watts, count, chained);
        assertThat(lamp.text()).isEqualTo(text);
        assertThat(SeriesLamp.written(text, 230)).contains(lamp);
        assertThat(SeriesLamp.written("a candle", 230)).isEqualTo(Optional.empty());
    }
}
