package anabion.core.command;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import java.time.Duration;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class InstrumentLineTest {
    private static Entry line(String text) {
        return ProbeParser.parse(text, false);
    }

    @ParameterizedTest
    @CsvSource({
        "connect 192.0.2.7, meter, 192.0.2.7",
        "connect Wattmeter 192.0.2.8:5025, wattmeter, 192.0.2.8:5025",
        "connect output meter /dev/ttyUSB0@9600, output-meter, /dev/ttyUSB0@9600",
        "connect generator COM3, generator, COM3",
        "connect bench, , ''",
        "connect bench 127.0.0.1:40123, , 127.0.0.1:40123"
    })
    void whoIsConnectedWhere(String text, String role, String address) {
        assertThat(line(text)).isEqualTo(new Entry.Connect(Optional.ofNullable(role), address));
    }

    @Test
    void variacAndStream() {
        assertThat(line("turn 115")).isEqualTo(new Entry.Turn(OptionalDouble.of(115)));
        assertThat(line("turn")).isEqualTo(new Entry.Turn(OptionalDouble.empty()));
        assertThat(line("stream 5s")).isEqualTo(new Entry.Stream(Optional.of(Duration.ofSeconds(5))));
        assertThat(line("stream 2 min")).isEqualTo(new Entry.Stream(Optional.of(Duration.ofMinutes(2))));
        assertThat(line("stream")).isEqualTo(new Entry.Stream(Optional.of(Duration.ofSeconds(5))));
        assertThat(line("stream off")).isEqualTo(new Entry.Stream(Optional.empty()));
        assertThat(line("disconnect output meter")).isEqualTo(new Entry.Disconnect(Optional.of("output-meter")));
        assertThat(line("disconnect")).isEqualTo(new Entry.Disconnect(Optional.empty()));
    }

    @Test
    void eyesAndEars() {
        assertThat(line("tester c14")).isEqualTo(new Entry.Tester("C14"));
        assertThat(line("look")).isEqualTo(new Entry.Sense(Entry.Sense.What.LOOK, Duration.ZERO));
        assertThat(line("listen")).isEqualTo(new Entry.Sense(Entry.Sense.What.LISTEN, Duration.ZERO));
        assertThat(line("pause 1,5 min")).isEqualTo(new Entry.Sense(Entry.Sense.What.PAUSE, Duration.ofSeconds(90)));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "connect",
                "turn -5",
                "turn 5000",
                "turn up",
                "stream 0s",
                "stream 2h",
                "stream often",
                "pause",
                "pause 99999999999999999999s",
                "tester",
                "tester C14 C15",
                "look here"
            })
    void whatMakesNoSenseIsRefused(String text) {
        assertThatThrownBy(() -> line(text)).isInstanceOf(InputException.class);
    }
}
