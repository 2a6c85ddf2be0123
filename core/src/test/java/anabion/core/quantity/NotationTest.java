package anabion.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import anabion.core.error.InputException;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class NotationTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "6k8 | OHM | 6800",
                "M47 | OHM | 470e3",
                "2M2 | OHM | 2.2e6",
                "K27 | OHM | 270",
                "R33 | OHM | 0.33",
                "4K7J | OHM | 4700",
                "0R22 | OHM | 0.22",
                "47 ohms | OHM | 47",
                "47Ω | OHM | 47",
                "4,7k | OHM | 4700",
                "1.5 meg | OHM | 1.5e6",
                "220kΩ | OHM | 220e3",
                "3k3p | FARAD | 3.3e-9",
                "4n7 | FARAD | 4.7e-9",
                "n47 | FARAD | 0.47e-9",
                "2µ2 | FARAD | 2.2e-6",
                ".05 mfd | FARAD | 50e-9",
                "50 mmf | FARAD | 50e-12",
                "33 uuf | FARAD | 33e-12",
                "33 µµF | FARAD | 33e-12",
                ".1 MFD | FARAD | 100e-9",
                "250 MMFD | FARAD | 250e-12",
                "0,047 µF | FARAD | 47e-9",
                "100n | FARAD | 100e-9",
                "10p | FARAD | 10e-12",
                "8 mfd | FARAD | 8e-6",
                "2mH | HENRY | 2e-3",
                "190uH | HENRY | 190e-6",
                "14 H | HENRY | 14",
                "455kc | HERTZ | 455e3",
                "10.7 Mc/s | HERTZ | 10.7e6",
                "465 kHz | HERTZ | 465e3",
                "6.3V | VOLT | 6.3",
                "1.6kV | VOLT | 1600",
                "300 mA | AMPERE | 0.3",
                "0.15A | AMPERE | 0.15",
                "5 W | WATT | 5",
                "50 Hz | HERTZ | 50"
            })
    void readsEverySpellingOfTheTrade(String text, Unit unit, double value) {
        Decoded d = Notation.decode(text);
        assertThat(d.unit()).isEqualTo(unit);
        assertThat(d.value()).isCloseTo(value, within(value * 1e-9));
    }

    @Test
    void centimetresOfCapacitanceFollowFromTheSpeedOfLight() {
        assertThat(Notation.decode("500 cm").value()).isCloseTo(556.3e-12, within(0.1e-12));
        assertThat(Notation.decode("1cm").value()).isCloseTo(1.11265e-12, within(1e-17));
    }

    @ParameterizedTest
    @CsvSource({
        "50@12, 50e-6, 12",
        ".1/400, 100e-9, 400",
        "25@25V, 25e-6, 25",
        "8 mfd 450v, 8e-6, 450",
        ".005/1.6kV, 5e-9, 1600"
    })
    void readsRatingsBehindCapacitors(String text, double farads, double volts) {
        Decoded d = Notation.decode(text);
        assertThat(d.unit()).isEqualTo(Unit.FARAD);
        assertThat(d.value()).isCloseTo(farads, within(farads * 1e-9));
        assertThat(d.rating()).hasValueSatisfying(r -> {
            assertThat(r.unit()).isEqualTo(Unit.VOLT);
            assertThat(r.value()).isCloseTo(volts, within(1e-9));
        });
    }

    @Test
    void readsWattsAndToleranceBehindResistors() {
        Decoded d = Notation.decode("220k 1/2W 10%");
        assertThat(d.value()).isEqualTo(220e3);
        assertThat(d.rating()).contains(new Quantity(0.5, Unit.WATT));
        assertThat(d.tolerance()).hasValue(0.1);
        assertThat(Notation.decode("4K7J").tolerance()).hasValue(0.05);
        assertThat(Notation.decode(".1µF 400V ±20%").tolerance()).hasValue(0.2);
    }

    @Test
    void readsSections() {
        assertThat(Notation.decode("20+20/350").sections()).containsExactly(20e-6, 20e-6);
        assertThat(Notation.decode("16+32 µF 450V").sections()).containsExactly(16e-6, 32e-6);
        assertThat(Notation.decode("2x50/350").sections()).containsExactly(50e-6, 50e-6);
        assertThat(Notation.decode("430+430 pF").sections()).containsExactly(430e-12, 430e-12);
        assertThat(Notation.decode("8+16+25@450").sections()).hasSize(3);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1,000 | OHM | 1000 | 1",
                "5m | OHM | 5e6 | 5e-3",
                "1M | OHM | 1e6 | 1e3",
                "100M | OHM | 100e3 | 100e6",
                "10mF | FARAD | 10e-6 | 10e-3",
                ".05 | FARAD | 0.05e-6 | 0.05"
            })
    void showsAmbiguityInsteadOfHidingIt(String text, Unit unit, double value, double other) {
        Decoded d = Notation.decode(text);
        assertThat(d.unit()).isEqualTo(unit);
        assertThat(d.value()).isCloseTo(value, within(value * 1e-9));
        assertThat(d.alternatives()).anySatisfy(a -> {
            assertThat(a.quantity().value()).isCloseTo(other, within(other * 1e-9));
            assertThat(a.reason()).isNotBlank();
        });
    }

    @Test
    void aPrintedThreeFigureCodeIsOfferedAsOne() {
        assertThat(Notation.decode("104").alternatives())
                .extracting(a -> Figures.si(a.quantity()))
                .contains("100 kΩ", "100 nF");
    }

    @Test
    void thousandsWithMoreThanOneGroupAreCertain() {
        assertThat(Notation.decode("1,000,000 ohms").alternatives()).isEmpty();
        assertThat(Notation.decode("1,000,000 ohms").value()).isEqualTo(1e6);
    }

    @Test
    void aKnownUnitSettlesWhatABareNumberMeans() {
        assertThat(Notation.decode("0.05", Unit.FARAD).value()).isCloseTo(50e-9, within(1e-18));
        assertThat(Notation.decode("4700", Unit.FARAD).value()).isCloseTo(4.7e-9, within(1e-18));
        assertThat(Notation.decode("220", Unit.OHM).alternatives()).isEmpty();
        assertThat(Notation.decode("2k2", Unit.FARAD).value()).isCloseTo(2.2e-9, within(1e-18));
        assertThat(Notation.exact("182", Unit.VOLT)).isEqualTo(182);
    }

    @Test
    void aGuessThatWouldDoHarmIsRefused() {
        assertThatThrownBy(() -> Notation.exact("1,000", Unit.VOLT))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("1 kV")
                .hasMessageContaining("1 V");
    }

    @Test
    void anotherUnitThanTheOneNeededIsRefused() {
        assertThatThrownBy(() -> Notation.decode("10 mfd", Unit.OHM))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("capacitor");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "12q | character 3",
                "10.7.3 | character 5",
                "k | character 1",
                "6k8 zz | character 5",
                "+5 | character 1",
                "20+/350 | character 4",
                "5 % x | character 3"
            })
    void errorsPointAtTheCharacter(String text, String where) {
        assertThatThrownBy(() -> Notation.decode(text)).isInstanceOfSatisfying(InputException.class, e -> {
            assertThat(e.where()).contains(where);
            assertThat(e.remedy()).isNotBlank();
        });
    }

    @Test
    void nothingIsAnError() {
        for (String text : List.of("", "   "))
            assertThatThrownBy(() -> Notation.decode(text)).isInstanceOf(InputException.class);
    }

    /** A meter of today writes M for mega, whatever old lists do. */
    @ParameterizedTest
    @CsvSource({"10M, 1e7", "30M, 3e7", "2M2, 2.2e6", "33k, 33e3", "4.7, 4.7", "open, 1e9", "OPEN, 1e9"})
    void whatAnOhmmeterShowsIsNotAmbiguous(String text, double ohms) {
        assertThat(Notation.metered(text)).isCloseTo(ohms, within(ohms * 1e-9));
    }

    @ParameterizedTest
    @ValueSource(strings = {"-5", "−33k", "fish", "", "5V"})
    void whatIsNoResistanceIsSaid(String text) {
        assertThatThrownBy(() -> Notation.metered(text)).isInstanceOf(InputException.class);
    }

    /** Odds that are not quite certain are not said to be. */
    @ParameterizedTest
    @CsvSource({"1, 100 %", "0.996, > 99 %", "0.994, 99 %", "0.5, 50 %", "0.004, < 1 %", "0, 0 %"})
    void oddsAreNeverRoundedToCertainty(double odds, String said) {
        assertThat(Figures.odds(odds)).isEqualTo(said);
    }
}
