package anabion.instruments;

import anabion.core.error.InputException;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Where an instrument is. */
public sealed interface Address {
    /**
     * On the network.
     *
     * @param host name or address
     * @param channel which of several instruments at one address; empty where there is one
     */
    record Network(String host, int port, Optional<String> channel) implements Address {
        @Override
        public String text() {
            String shown = host.contains(":") ? "[" + host + "]" : host;
            return shown + ":" + port + channel.map(c -> "/" + c).orElse("");
        }

        @Override
        public Network on(String name) {
            return new Network(host, port, Optional.of(name));
        }
    }

    /**
     * On a serial line: eight bits, no parity, one stop bit.
     *
     * @param device as the system names it
     * @param baud bits per second
     */
    record Serial(String device, int baud) implements Address {
        @Override
        public String text() {
            return device + "@" + baud;
        }

        @Override
        public Serial on(String name) {
            return this;
        }
    }

    /** The port of instruments that speak SCPI over a raw socket. */
    int USUAL_PORT = 5025;

    int USUAL_BAUD = 9600;

    Pattern NETWORK =
            Pattern.compile("(\\[[0-9A-Fa-f:.%]+]|[^:/\\[\\]@\\s]+)(?::(\\d{1,5}))?(?:/([A-Za-z][A-Za-z0-9-]*))?");
    Pattern SERIAL = Pattern.compile("(?:serial:)?(/dev/\\S+?|COM\\d{1,3})(?:@(\\d{2,7}))?", Pattern.CASE_INSENSITIVE);

    /** As it is typed and remembered. */
    String text();

    /** One of several instruments there. */
    Address on(String name);

    /**
     * {@code 192.0.2.7}, {@code meter.example:5025}, {@code [2001:db8::7]:5025}, {@code 127.0.0.1:40123/wattmeter}, {@code /dev/ttyUSB0@9600},
     * {@code COM3@19200}.
     *
     * @throws InputException if it is none
     */
    static Address parse(String text) {
        String said = text.strip();
        Matcher serial = SERIAL.matcher(said);
        if (serial.matches()) {
            int baud = serial.group(2) == null ? USUAL_BAUD : Integer.parseInt(serial.group(2));
            return new Serial(serial.group(1), baud);
        }
        Matcher network = NETWORK.matcher(said);
        int port = !network.matches() ? -1 : network.group(2) == null ? USUAL_PORT : Integer.parseInt(network.group(2));
        if (port < 1 || port > 65535)
            throw InputException.at("\"" + said + "\"")
                    .because("this is no address of an instrument")
                    .so("type it like connect 192.0.2.7:5025, or connect /dev/ttyUSB0@9600");
        String host = network.group(1).replaceAll("[\\[\\]]", "");
        return new Network(host, port, Optional.ofNullable(network.group(3)).map(c -> c.toLowerCase(Locale.ROOT)));
    }
}
