package anabion.desktop;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;

/** Stands between the window and an instrument, and does with its answers what bad cables do. */
final class Relay implements AutoCloseable {
    /** What becomes of an answer to a question about volts. */
    enum Way {
        WELL,
        /** Later than anybody waits. */
        LATE,
        GARBLED,
        TWICE,
        /** The connection breaks, and nobody answers any more. */
        LOST
    }

    private static final long LATE_MS = 4000;

    private final ServerSocket server;
    private final int port;
    private final List<Socket> open = new CopyOnWriteArrayList<>();
    private volatile Way way = Way.WELL;

    /** @param port of the instrument on the loopback address */
    Relay(int port) throws IOException {
        this.port = port;
        this.server = new ServerSocket(0, 5, InetAddress.getLoopbackAddress());
        start(() -> {
            while (!server.isClosed()) accept();
        });
    }

    String address() {
        return "127.0.0.1:" + server.getLocalPort();
    }

    void goes(Way next) {
        way = next;
        if (next == Way.LOST) open.forEach(Relay::shut);
    }

    private static void start(Runnable work) {
        Thread t = new Thread(work, "relay");
        t.setDaemon(true);
        t.start();
    }

    private void accept() {
        try {
            Socket asking = server.accept();
            if (way == Way.LOST) {
                shut(asking);
                return;
            }
            Socket answering = new Socket(InetAddress.getLoopbackAddress(), port);
            open.addAll(List.of(asking, answering));
            start(() -> pass(asking, answering, false));
            start(() -> pass(answering, asking, true));
        } catch (IOException e) {
            // closed
        }
    }

    private void pass(Socket from, Socket to, boolean answers) {
        try (BufferedReader in =
                new BufferedReader(new InputStreamReader(from.getInputStream(), StandardCharsets.US_ASCII))) {
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                boolean reading = answers && line.matches("[-+]\\d.*");
                if (reading && way == Way.LATE) LockSupport.parkNanos(TimeUnit.MILLISECONDS.toNanos(LATE_MS));
                String said = reading && way == Way.GARBLED ? line.replace('.', '#') : line;
                if (reading && way == Way.TWICE) said = said + "\n" + said;
                to.getOutputStream().write((said + "\n").getBytes(StandardCharsets.US_ASCII));
            }
        } catch (IOException e) {
            // one of them has gone
        }
        shut(to);
    }

    private static void shut(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // it is gone either way
        }
    }

    @Override
    public void close() throws IOException {
        server.close();
        open.forEach(Relay::shut);
    }
}
