package anabion.instruments;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.ProtocolException;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import javax.net.SocketFactory;

/** One connection to an instrument: a command goes out, one line comes back, bounded in length and in time as a whole. Of use until the first failure. */
final class ScpiConnection implements AutoCloseable {
    static final int TIMEOUT_MS = 3000;
    /** Characters of the longest answer: names of instruments have some eighty. */
    static final int LONGEST = 256;

    private final Socket socket;
    private final InputStream in;

    private ScpiConnection(Socket socket) throws IOException {
        this.socket = socket;
        this.in = socket.getInputStream();
    }

    static ScpiConnection to(InetSocketAddress address, SocketFactory sockets) throws IOException {
        Socket socket = sockets.createSocket();
        try {
            socket.connect(address, TIMEOUT_MS);
            return new ScpiConnection(socket);
        } catch (IOException e) {
            closeQuietly(socket);
            throw e;
        }
    }

    /** Whether something has come that nobody asked for. */
    boolean chatters() throws IOException {
        return in.available() > 0;
    }

    /**
     * The answer to a command, without its line end.
     *
     * @throws SocketTimeoutException if it is not whole in time, however it trickles in
     * @throws ProtocolException if it is longer than an answer can be
     * @throws IOException if the connection is lost
     */
    String ask(String command) throws IOException {
        socket.getOutputStream().write((command + "\n").getBytes(StandardCharsets.US_ASCII));
        socket.getOutputStream().flush();
        long end = System.nanoTime() + TIMEOUT_MS * 1_000_000L;
        StringBuilder line = new StringBuilder();
        while (true) {
            long left = (end - System.nanoTime()) / 1_000_000;
            if (left <= 0) throw new SocketTimeoutException("no whole answer in time");
            socket.setSoTimeout((int) left);
            int c = in.read();
            if (c < 0) throw new IOException("closed");
            if (c == '\n') return line.toString().strip();
            if (line.length() >= LONGEST) throw new ProtocolException("an answer without an end");
            line.append((char) c);
        }
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
