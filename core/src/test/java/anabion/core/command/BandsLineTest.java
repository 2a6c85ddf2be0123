package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.TuningRange;
import anabion.core.error.InputException;
import anabion.core.testing.SharedSets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Bands as they are typed, with the range of their dial. */
class BandsLineTest {
    private final Chassis set = SharedSets.named("concerto");

    @ParameterizedTest
    @CsvSource({
        "MW 520-1620,520e3,1620e3,MW 520-1620",
        "LW 150 – 285 kHz,150e3,285e3,LW 150-285",
        "SW 5.9-18,5.9e6,18e6,SW 5.9-18",
        "FM 87.5-108,87.5e6,108e6,FM 87.5-108",
        "MW 0.52-1.62 MHz,520e3,1620e3,MW 520-1620",
        "SW 1 3100-9500k,3.1e6,9.5e6,SW 1 3.1-9.5"
    })
    void aRangeIsReadAndWritten(String line, double low, double high, String text) {
        Chassis with = BandsLine.parse(set, line);
        assertThat(with.bands()).singleElement().satisfies(b -> assertThat(b.dial())
                .contains(new TuningRange(low, high)));
        assertThat(BandsLine.text(with)).isEqualTo(text);
        assertThat(BandsLine.parse(with, text).bands()).isEqualTo(with.bands());
    }

    @Test
    void bandsKeepTheirIdAndStagesAndWithoutARangeTheUsualOneHolds() {
        Chassis again = BandsLine.parse(set, "MW, FM 87.5-104, Pick-up, SW 16-50 m");
        Band mw = again.band("MW").orElseThrow();
        assertThat(mw.id()).isEqualTo(set.band("MW").orElseThrow().id());
        assertThat(mw.stages()).isEqualTo(set.band("MW").orElseThrow().stages());
        assertThat(mw.dial()).isEmpty();
        assertThat(mw.range()).isEqualTo(TuningRange.usual(BandKind.AM, "MW"));
        assertThat(again.band("FM").orElseThrow().range().high()).isEqualTo(104e6);
        assertThat(again.band("SW 16-50 m")).as("metres are a name").isPresent();
        assertThat(BandsLine.parse(set, BandsLine.text(set)).bands()).isEqualTo(set.bands());
    }

    @ParameterizedTest
    @ValueSource(strings = {"MW 1620-520", "MW 520-520", "LW 15-28 kHz", "FM 87.5-1080"})
    void aRangeThatIsNoneIsRefused(String line) {
        assertThatThrownBy(() -> BandsLine.parse(set, line))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("lower to a higher");
    }
}
