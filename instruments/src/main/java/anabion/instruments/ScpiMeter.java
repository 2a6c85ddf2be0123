package anabion.instruments;

import anabion.core.chassis.Measure;
import anabion.core.input.BadInput;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import javax.net.SocketFactory;

/** A meter that understands SCPI's {@code MEASure} queries over a raw socket. */
public final class ScpiMeter implements Meter {
    private static final int TIMEOUT_MS = 3000;
    private static final int USUAL_PORT = 5025;
    /** SCPI-99 answers 9.9E37 for plus and minus infinity: over the range. */
    private static final double OVERLOAD = 9.8e37;

    private final Socket socket;
    private final BufferedReader in;
    private final OutputStream out;
    private final String name;

    private ScpiMeter(Socket socket) throws IOException {
        this.socket = socket;
        this.in = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII));
        this.out = socket.getOutputStream();
        this.name = ask("*IDN?");
    }

    /**
     * Connects to {@code host} or {@code host:port}.
     *
     * @throws BadInput if the address is none
     * @throws MeterTrouble if nobody answers there
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
            throw BadInput.at("\"" + address + "\"")
                    .because("this is no address of a meter")
                    .so("type it like connect 192.0.2.7:5025");
        Optional<Socket> opened = Optional.empty();
        try {
            Socket socket = sockets.createSocket();
            opened = Optional.of(socket);
            socket.connect(new InetSocketAddress(parts[0], port), TIMEOUT_MS);
            socket.setSoTimeout(TIMEOUT_MS);
            return new ScpiMeter(socket);
        } catch (IOException e) {
            opened.ifPresent(ScpiMeter::closeQuietly);
            throw new MeterTrouble(
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
        String answer = "";
        try {
            answer = ask(command);
            double value = Double.parseDouble(answer);
            if (Math.abs(value) > OVERLOAD)
                throw new MeterTrouble("The meter is over its range", "Check the leads, or choose a larger range");
            return value;
        } catch (NumberFormatException e) {
            throw new MeterTrouble(
                    "The meter answered \"" + answer + "\" to " + command,
                    "Check that it is a meter that measures volts",
                    e);
        } catch (SocketTimeoutException e) {
            throw new MeterTrouble("The meter did not answer in time", "Try again, or type the reading", e);
        } catch (IOException e) {
            throw new MeterTrouble("The connection to the meter is lost", "Type connect and its address again", e);
        }
    }

    private String ask(String command) throws IOException {
        out.write((command + "\n").getBytes(StandardCharsets.US_ASCII));
        out.flush();
        String line = in.readLine();
        if (line == null) throw new IOException("closed");
        return line.strip();
    }

    @Override
    public void close() {
        closeQuietly(socket);
    }

    private static void closeQuietly(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // it is gone either way
        }
    }
}
