package anabion.instruments.simulated;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.diagnosis.hypothesis.FaultDraw;
import anabion.core.error.InputException;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.SplittableRandom;

/**
 * A bench to try instruments on, as a program of its own: one specimen of a set, with something wrong that only measurements tell.
 *
 * @param faults what is wrong; empty to have one drawn by the seed, as often as it happens
 * @param sound nothing is wrong, whatever the seed
 * @param seed decides specimen, instruments, and what is drawn
 * @param port 0 for any that is free
 * @param speed seconds of the set in one of the clock, above 0
 */
public record SimulatedBench(Chassis chassis, List<Fault> faults, boolean sound, long seed, int port, double speed) {
    public SimulatedBench {
        faults = List.copyOf(faults);
    }

    /** What is wrong with it. */
    List<Fault> wrong() {
        if (sound || !faults.isEmpty()) return faults;
        return List.of(FaultDraw.of(chassis, new Random(mixed())));
    }

    /** Seeds that people give are small and alike, and the first numbers drawn from such hardly differ. */
    private long mixed() {
        return new SplittableRandom(seed).nextLong();
    }

    /**
     * Serves until the program is ended, or its input ends.
     *
     * @param out gets the address, in one line
     * @param in whose end ends it; empty to serve for ever
     * @throws InputException if the set cannot be computed
     * @throws IOException if the port is taken
     */
    public void run(PrintWriter out, Optional<InputStream> in) throws IOException {
        Bench bench = new Bench(chassis, wrong(), mixed(), () -> System.nanoTime() / 1e9 * speed);
        try (BenchServer server = new BenchServer(bench, port)) {
            in.ifPresent(i -> until(i, server));
            out.println("bench 127.0.0.1:" + server.port());
            out.flush();
            server.run();
        }
    }

    private static void until(InputStream in, BenchServer server) {
        Thread watch = new Thread(
                () -> {
                    try (server) {
                        while (in.read() >= 0) {
                            // nothing is said there
                        }
                    } catch (IOException e) {
                        // its end, too
                    }
                },
                "input");
        watch.setDaemon(true);
        watch.start();
    }
}
