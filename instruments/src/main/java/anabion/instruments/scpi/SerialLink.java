package anabion.instruments.scpi;

import anabion.instruments.Address;
import com.fazecast.jSerialComm.SerialPort;
import com.fazecast.jSerialComm.SerialPortInvalidPortException;
import java.io.IOException;
import java.net.SocketTimeoutException;

/** Over a serial line: eight bits, no parity, one stop bit. */
final class SerialLink implements Link {
    private static final int BITS = 8;

    private final SerialPort port;
    private final byte[] one = new byte[1];

    private SerialLink(SerialPort port) {
        this.port = port;
    }

    static SerialLink to(Address.Serial address) throws IOException {
        SerialPort port;
        try {
            port = SerialPort.getCommPort(address.device());
        } catch (SerialPortInvalidPortException e) {
            throw new IOException("no such serial line: " + address.device(), e);
        }
        port.setComPortParameters(address.baud(), BITS, SerialPort.ONE_STOP_BIT, SerialPort.NO_PARITY);
        port.setComPortTimeouts(
                SerialPort.TIMEOUT_READ_SEMI_BLOCKING | SerialPort.TIMEOUT_WRITE_BLOCKING,
                ScpiConnection.TIMEOUT_MS,
                ScpiConnection.TIMEOUT_MS);
        if (!port.openPort()) throw new IOException("the serial line " + address.device() + " does not open");
        port.flushIOBuffers();
        return new SerialLink(port);
    }

    @Override
    public void send(byte[] bytes) throws IOException {
        if (port.writeBytes(bytes, bytes.length) != bytes.length) throw new IOException("the serial line is gone");
    }

    @Override
    public int receive(int millis) throws IOException {
        long end = System.nanoTime() + millis * 1_000_000L;
        port.setComPortTimeouts(
                SerialPort.TIMEOUT_READ_SEMI_BLOCKING | SerialPort.TIMEOUT_WRITE_BLOCKING,
                millis,
                ScpiConnection.TIMEOUT_MS);
        int n = port.readBytes(one, 1);
        if (n == 1) return one[0] & 0xFF;
        // a line that was pulled out gives up before its time
        if (n < 0 || System.nanoTime() < end) return -1;
        throw new SocketTimeoutException("no byte in time");
    }

    @Override
    public int waiting() throws IOException {
        int n = port.bytesAvailable();
        if (n < 0) throw new IOException("the serial line is gone");
        return n;
    }

    @Override
    public void close() {
        port.closePort();
    }
}
