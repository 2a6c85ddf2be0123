package anabion.instruments.scpi;

import java.io.IOException;
import java.net.ProtocolException;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;

/** One connection to an instrument: a command goes out, one line comes back, bounded in length and in time as a whole. Of use until the first failure. */
final class ScpiConnection implements AutoCloseable {
    static final int TIMEOUT_MS = 3000;
    /** Characters of the longest answer: names of instruments have some eighty. */
    static final int LONGEST = 256;

    private final Link link;

    ScpiConnection(Link link) {
        this.link = link;
    }

    /** Whether something has come that nobody asked for. */
    boolean chatters() throws IOException {
        return link.waiting() > 0;
    }

    /** @throws IOException if the connection is lost */
    void send(String command) throws IOException {
        link.send((command + "\n").getBytes(StandardCharsets.US_ASCII));
    }

    /**
     * The answer to a command, without its line end.
     *
     * @throws SocketTimeoutException if it is not whole in time, however it trickles in
     * @throws ProtocolException if it is longer than an answer can be
     * @throws IOException if the connection is lost
     */
    String ask(String command) throws IOException {
        send(command);
        return line();
    }

    /** The next line. Throws as {@link #ask}. */
    String line() throws IOException {
        long end = System.nanoTime() + TIMEOUT_MS * 1_000_000L;
        StringBuilder line = new StringBuilder();
        while (true) {
            long left = (end - System.nanoTime()) / 1_000_000;
            if (left <= 0) throw new SocketTimeoutException("no whole answer in time");
            int c = link.receive((int) left);
            if (c < 0) throw new IOException("closed");
            if (c == '\n') return line.toString().strip();
            if (line.length() >= LONGEST) throw new ProtocolException("an answer without an end");
            line.append((char) c);
        }
    }

    @Override
    public void close() {
        link.close();
    }
}
