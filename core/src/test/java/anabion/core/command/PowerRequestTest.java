package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import anabion.core.job.Outcome;
import anabion.core.power.GateItem;
import anabion.core.power.PowerPicture;
import anabion.core.power.PowerReading.What;
import anabion.core.power.SeriesLamp;
import anabion.core.power.Sum;
import anabion.core.power.Warmth;
import anabion.core.power.WatchSign;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

class PowerRequestTest {
    private static PowerRequest parse(String line) {
        return PowerRequest.parse(line, 230, w -> w.equalsIgnoreCase("B1") || w.equalsIgnoreCase("B2"), true);
    }

    @ParameterizedTest
    @CsvSource({
        "196, RAIL, '', 196",
        "-24.5, RAIL, '', -24.5",
        "B2 81, RAIL, B2, 81",
        "3.2 AC, RIPPLE, '', 3.2",
        "B2 0.4~, RIPPLE, B2, 0.4",
        "21 W, WATTS, '', 21",
        "9.5W, WATTS, '', 9.5",
        "90 mA, AMPERES, '', 0.09",
        "'1,4 A', AMPERES, '', 1.4",
        "faint, GLOW, '', 1",
        "lit, DARK, '', 0"
    })
    void readingsAreRead(String line, What what, String net, double value) {
        assertThat(parse(line)).isEqualTo(new PowerRequest.Read(what, net, value));
    }

    /** Nine may be volts or milliamperes. */
    @Test
    void onBatteriesANumberWantsItsUnit() {
        assertThatThrownBy(() -> PowerRequest.parse("9", 9, w -> false, false))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("16 mA");
        assertThat(PowerRequest.parse("9 mA", 9, w -> false, false))
                .isEqualTo(new PowerRequest.Read(What.AMPERES, "", 0.009));
    }

    @Test
    void stagesLoadsAndPicturesAreNamed() {
        assertThat(parse("on")).isEqualTo(new PowerRequest.On(false));
        assertThat(parse("on all")).isEqualTo(new PowerRequest.On(true));
        assertThat(parse("load 5.6k")).isEqualTo(new PowerRequest.Load(5600));
        assertThat(parse("load")).isEqualTo(new PowerRequest.Reckon(new Sum.TestLoad()));
        assertThat(parse("warm")).isEqualTo(new PowerRequest.Feels(Warmth.WARM));
        assertThat(parse("show warm up")).isEqualTo(new PowerRequest.Show(PowerPicture.WARM_UP));
        assertThat(parse("heard Long wave nothing"))
                .isEqualTo(new PowerRequest.BandHeard("Long wave", Outcome.NOTHING));
        assertThat(parse("aerial 3 m of wire")).isEqualTo(new PowerRequest.Aerial("3 m of wire"));
        assertThat(parse("controls volume crackles")).isEqualTo(new PowerRequest.Controls("volume crackles"));
        assertThat(parse("bleeder 45 s")).isEqualTo(new PowerRequest.Reckon(new Sum.Bleeder(45)));
        for (String line : List.of(
                "on fire",
                "load 0",
                "load 5 V",
                "load -5k",
                "show me",
                "bleeder soon",
                "heard AM",
                "heard loud",
                "aerial",
                "controls")) assertThatThrownBy(() -> parse(line)).as(line).isInstanceOf(InputException.class);
    }

    @Test
    void lampsInHandAreRead() {
        assertThat(parse("lamp 100W")).isEqualTo(new PowerRequest.Lamp(Optional.of(SeriesLamp.of(230, 100))));
        assertThat(parse("lamp 2x60")).isEqualTo(new PowerRequest.Lamp(Optional.of(new SeriesLamp(230, 60, 2, false))));
        assertThat(parse("lamp 2 x 100 W series"))
                .isEqualTo(new PowerRequest.Lamp(Optional.of(new SeriesLamp(230, 100, 2, true))));
        assertThat(parse("lamp none")).isEqualTo(new PowerRequest.Lamp(Optional.empty()));
    }

    @ParameterizedTest
    @ValueSource(strings = {"lamp LED 10W", "lamp 11W fluorescent", "lamp energy saving 20W", "lamp 9W cfl"})
    void lampsWithoutAFilamentAreRefused(String line) {
        assertThatThrownBy(() -> parse(line))
                .isInstanceOf(InputException.class)
                .hasMessageContaining("no filament")
                .hasMessageContaining("tungsten");
    }

    @ParameterizedTest
    @ValueSource(strings = {"lamp 0W", "lamp 99999999999W", "lamp 0x60W", "lamp 999999999999x60", "lamp of my aunt"})
    void whatIsNoLampIsRefused(String line) {
        assertThatThrownBy(() -> parse(line)).isInstanceOf(InputException.class).hasMessageContaining("lamp 2x60W");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "B7 81",
                "banana",
                "12 parsec",
                "1.2.3",
                "set",
                "overrule loads",
                "cause F1",
                "ok soup",
                "set soup"
            })
    void whatIsNotUnderstoodIsRefusedWithWhatIs(String line) {
        assertThatThrownBy(() -> parse(line)).isInstanceOf(InputException.class);
    }

    @ParameterizedTest
    @EnumSource(WatchSign.class)
    void aSignIsOneLetterOrItsName(WatchSign sign) {
        assertThat(parse(String.valueOf(sign.key()))).isEqualTo(new PowerRequest.Sign(sign));
        assertThat(parse(sign.code().replace('-', ' '))).isEqualTo(new PowerRequest.Sign(sign));
    }

    @Test
    void conditionsAreSeenToOrSetAside() {
        assertThat(parse("ok")).isEqualTo(new PowerRequest.Met(List.of(), false));
        assertThat(parse("ok all")).isEqualTo(new PowerRequest.Met(List.of(), true));
        assertThat(parse("ok fuse, lamp"))
                .isEqualTo(new PowerRequest.Met(List.of(GateItem.Kind.FUSE, GateItem.Kind.LAMP), false));
        assertThat(parse("overrule loads the speaker is away"))
                .isEqualTo(new PowerRequest.Overrule(GateItem.Kind.LOADS, "the speaker is away"));
        assertThat(parse("cause F1 C18 was shorted")).isEqualTo(new PowerRequest.Cause("F1", "C18 was shorted"));
    }
}
