package anabion.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.error.InputException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SeriesAndBandsTest {
    @Test
    void seriesHaveTheirMembers() {
        assertThat(Series.E12.nearest(5000)).isCloseTo(4700, within(1e-6));
        assertThat(Series.E12.atOrAbove(4800)).isCloseTo(5600, within(1e-6));
        assertThat(Series.E6.atOrBelow(46e-9)).isCloseTo(33e-9, within(1e-15));
        assertThat(Series.E24.contains(5.1e3)).isTrue();
        assertThat(Series.E12.contains(5.1e3)).isFalse();
        assertThat(Series.E96.contains(1.02)).isTrue();
        assertThat(Series.E192.contains(9.20)).isTrue();
        assertThat(Series.E192.size()).isEqualTo(192);
        assertThat(Series.E12.atOrAbove(9.5)).isCloseTo(10, within(1e-9));
    }

    @Test
    void voltageRatingsStepUp() {
        assertThat(Series.electrolyticVolts(351)).startsWith(400.0);
        assertThat(Series.filmVolts(300)).startsWith(400.0);
        assertThat(Series.electrolyticVolts(600)).isEmpty();
    }

    @Test
    void nothingIsPreferredToNothing() {
        assertThatThrownBy(() -> Series.E12.nearest(0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Series.E12.atOrAbove(Double.POSITIVE_INFINITY))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({
        "yellow violet orange, 47e3, 0.2", "yellow violet orange silver, 47e3, 0.1", "red red gold gold, 2.2, 0.05",
        "brown black black red brown, 10e3, 0.01", "Grey Red Black Brown, 82, 0.01",
                "brown black silver gold, 0.1, 0.05"
    })
    void readsColourBands(String bands, double ohms, double tolerance) {
        assertThat(ColourBands.looksLike(bands)).isTrue();
        Decoded d = ColourBands.decode(bands);
        assertThat(d.value()).isCloseTo(ohms, within(ohms * 1e-9));
        assertThat(d.tolerance()).hasValue(tolerance);
    }

    @ParameterizedTest
    @CsvSource({
        "gold red red, other end",
        "red red, three to six",
        "red red red white, no tolerance",
        "red mauve red, no band colour"
    })
    void bandsThatCannotBeSaySo(String bands, String what) {
        assertThatThrownBy(() -> ColourBands.decode(bands))
                .isInstanceOf(InputException.class)
                .hasMessageContaining(what);
    }

    @Test
    void valuesAreNotTakenForColours() {
        assertThat(ColourBands.looksLike("6k8")).isFalse();
    }

    @Test
    void figuresAreForReading() {
        assertThat(Figures.si(Quantity.ohms(6800))).isEqualTo("6.8 kΩ");
        assertThat(Figures.si(Quantity.farads(50e-9))).isEqualTo("50 nF");
        assertThat(Figures.si(Quantity.farads(999.9e-9))).isEqualTo("1 µF");
        assertThat(Figures.si(Quantity.volts(-0.7))).isEqualTo("−700 mV");
        assertThat(Figures.si(Quantity.ohms(0))).isEqualTo("0 Ω");
        assertThat(Figures.old(Quantity.farads(50e-9))).isEqualTo("0.05 mfd");
        assertThat(Figures.old(Quantity.farads(100e-12))).isEqualTo("100 mmfd");
        assertThat(Figures.volts(-0.84)).isEqualTo("−0.84");
        assertThat(Figures.volts(16.42)).isEqualTo("16.4");
        assertThat(Figures.volts(231.4)).isEqualTo("231");
        assertThat(Figures.volts(0)).isEqualTo("0.0");
        assertThat(Figures.fixed(-0.0001, 1)).isEqualTo("0.0");
        assertThat(Figures.percent(0.078)).isEqualTo("8 %");
    }
}
