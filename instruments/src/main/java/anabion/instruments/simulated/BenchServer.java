package anabion.instruments.simulated;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;

/** Lets a bench be spoken to on the loopback address, and from nowhere else. */
final class BenchServer implements AutoCloseable {
    private static final int CONNECTIONS = 16;
    private static final int LONGEST = 1024;
    private static final int TICK_MS = 500;

    private final ServerSocket server;
    private final Bench bench;
    private final ExecutorService threads = Executors.newFixedThreadPool(CONNECTIONS, r -> {
        Thread t = new Thread(r, "bench connection");
        t.setDaemon(true);
        return t;
    });

    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(r -> {
        Thread t = new Thread(r, "bench clock");
        t.setDaemon(true);
        return t;
    });

    /**
     * @param port 0 for any that is free
     * @throws IOException if the port is taken
     */
    BenchServer(Bench bench, int port) throws IOException {
        this.bench = bench;
        this.server = new ServerSocket();
        server.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
    }

    int port() {
        return server.getLocalPort();
    }

    /** Serves until it is closed; time passes at the set whether anybody asks or not. */
    void run() {
        clock.scheduleWithFixedDelay(this::tick, TICK_MS, TICK_MS, TimeUnit.MILLISECONDS);
        while (!server.isClosed()) {
            try {
                Socket socket = server.accept();
                threads.execute(() -> serve(socket));
            } catch (IOException e) {
                return;
            }
        }
    }

    /** What cannot be computed is said to who asks for it. */
    private void tick() {
        try {
            bench.pass();
        } catch (ArithmeticException | IllegalStateException | NoSuchElementException e) {
            // the next tick tries again
        }
    }

    private void serve(Socket socket) {
        Commands commands = new Commands(bench);
        try (socket;
                BufferedReader in =
                        new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8))) {
            for (String line = line(in); line != null; line = line(in)) {
                Optional<String> answer = line.isBlank() ? Optional.empty() : commands.carryOut(line);
                if (answer.isPresent())
                    socket.getOutputStream().write((answer.get() + "\n").getBytes(StandardCharsets.UTF_8));
            }
        } catch (IOException e) {
            // whoever it was has gone
        }
    }

    /** A line of bounded length; null where there are no more, or it has no end. */
    private static String line(BufferedReader in) throws IOException {
        StringBuilder line = new StringBuilder();
        for (int c = in.read(); c >= 0; c = in.read()) {
            if (c == '\n') return line.toString();
            if (line.length() >= LONGEST) return null;
            line.append((char) c);
        }
        return null;
    }

    @Override
    public void close() throws IOException {
        server.close();
        threads.shutdownNow();
        clock.shutdownNow();
    }
}
