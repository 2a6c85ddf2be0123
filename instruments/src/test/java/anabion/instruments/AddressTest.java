package anabion.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import anabion.core.error.InputException;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AddressTest {
    @ParameterizedTest
    @CsvSource({
        "192.0.2.7, 192.0.2.7:5025",
        "meter.example:5555, meter.example:5555",
        "[2001:db8::7]:5025, [2001:db8::7]:5025",
        "[::1], [::1]:5025",
        "127.0.0.1:40123/Wattmeter, 127.0.0.1:40123/wattmeter",
        "/dev/ttyUSB0, /dev/ttyUSB0@9600",
        "serial:/dev/ttyACM0@115200, /dev/ttyACM0@115200",
        "COM3@19200, COM3@19200"
    })
    void placesAsPeopleTypeThem(String typed, String text) {
        Address address = Address.parse(" " + typed + " ");
        assertThat(address.text()).isEqualTo(text);
        assertThat(Address.parse(address.text())).as("what is remembered").isEqualTo(address);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", ":5025", "127.0.0.1:port", "127.0.0.1:70000", "two words", "[::1", "1:2:3", "host/with/two"})
    void whatIsNoneIsRefused(String typed) {
        assertThatThrownBy(() -> Address.parse(typed)).isInstanceOf(InputException.class);
    }
}
