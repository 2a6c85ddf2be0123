package anabion.instruments;

import anabion.core.chassis.Measure;
import anabion.core.error.InputException;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.ProtocolException;
import java.net.SocketTimeoutException;
import java.util.Optional;
import java.util.regex.Pattern;
import javax.net.SocketFactory;

/**
 * A meter that understands SCPI's {@code MEASure} queries over a raw socket. After an answer that failed, came late or was not asked for, the
 * connection is made anew, so that what is still on its way is never taken for the next reading.
 */
public final class ScpiMeter implements Meter {
    private static final int USUAL_PORT = 5025;
    /** SCPI-99 answers 9.9E37 for plus and minus infinity: over the range; 9.91E37 is its not-a-number. */
    private static final double OVERLOAD = 9.8e37;
    /** SCPI's numeric response data (IEEE 488.2 NR1, NR2 and NR3), and nothing else that Java would read as a number. */
    private static final Pattern NUMBER = Pattern.compile("[-+]?(\\d+\\.?\\d*|\\.\\d+)([eE][-+]?\\d{1,3})?");

    private final InetSocketAddress address;
    private final SocketFactory sockets;
    private final String name;
    private Optional<ScpiConnection> connection;

    private ScpiMeter(InetSocketAddress address, SocketFactory sockets) throws IOException {
        this.address = address;
        this.sockets = sockets;
        this.connection = Optional.of(ScpiConnection.to(address, sockets));
        this.name = ask("*IDN?");
    }

    /**
     * Connects to {@code host} or {@code host:port}.
     *
     * @throws InputException if the address is none
     * @throws MeterException if nobody answers there
     */
    public static ScpiMeter connect(String address) {
        return connect(address, SocketFactory.getDefault());
    }

    static ScpiMeter connect(String address, SocketFactory sockets) {
        String[] parts = address.strip().split(":", 2);
        int port = USUAL_PORT;
        try {
            if (parts.length > 1) port = Integer.parseInt(parts[1]);
        } catch (NumberFormatException e) {
            port = -1;
        }
        if (parts[0].isEmpty() || port < 1 || port > 65535)
            throw InputException.at("\"" + address + "\"")
                    .because("this is no address of a meter")
                    .so("type it like connect 192.0.2.7:5025");
        try {
            return new ScpiMeter(new InetSocketAddress(parts[0], port), sockets);
        } catch (IOException e) {
            throw new MeterException(
                    "No meter answers at " + address, "Check its address, its cable and that remote control is on", e);
        }
    }

    @Override
    public String name() {
        return name;
    }

    @Override
    public synchronized double read(Measure measure) {
        String command =
                switch (measure) {
                    case DC_VOLTS -> "MEAS:VOLT:DC?";
                    case AC_VOLTS -> "MEAS:VOLT:AC?";
                    case OHMS -> "MEAS:RES?";
                };
        try {
            String answer = ask(command);
            if (!NUMBER.matcher(answer).matches()) {
                close();
                throw new MeterException(
                        "The meter answered \"" + answer + "\" to " + command,
                        "Check that it is a meter that measures volts");
            }
            double value = Double.parseDouble(answer);
            if (Math.abs(value) > OVERLOAD)
                throw new MeterException("The meter is over its range", "Check the leads, or choose a larger range");
            return value;
        } catch (SocketTimeoutException e) {
            throw new MeterException("The meter did not answer in time", "Try again, or type the reading", e);
        } catch (ProtocolException e) {
            throw new MeterException(
                    "The meter's answer to " + command + " has no end",
                    "Check that it is a meter that measures volts",
                    e);
        } catch (IOException e) {
            throw new MeterException("The connection to the meter is lost", "Type connect and its address again", e);
        }
    }

    private String ask(String command) throws IOException {
        if (connection.isPresent() && connection.get().chatters()) close();
        if (connection.isEmpty()) connection = Optional.of(ScpiConnection.to(address, sockets));
        try {
            return connection.get().ask(command);
        } catch (IOException e) {
            close();
            throw e;
        }
    }

    @Override
    public synchronized void close() {
        connection.ifPresent(ScpiConnection::close);
        connection = Optional.empty();
    }
}
