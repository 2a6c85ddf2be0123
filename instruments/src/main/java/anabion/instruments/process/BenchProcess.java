package anabion.instruments.process;

import anabion.instruments.InstrumentException;
import anabion.instruments.simulated.Main;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;

/** A simulated bench that runs as a process of its own, and ends with the one that started it. */
public final class BenchProcess implements AutoCloseable {
    private static final int ENDS_MS = 2000;

    private final Process process;
    private final Path chassis;
    private final String address;

    private BenchProcess(Process process, Path chassis, String address) {
        this.process = process;
        this.chassis = chassis;
        this.address = address;
    }

    /**
     * Starts one, and waits until it can be spoken to.
     *
     * @param chassis of the set, as its file has it
     * @param condition decides what is wrong with it: a seed, {@code sound}, or the name of a demo set
     * @param speed seconds of the set in one of the clock, above 0
     * @throws InstrumentException if it does not start
     */
    public static BenchProcess start(String chassis, String condition, double speed) {
        try {
            Path file = Files.createTempFile("anabion-bench", ".json");
            Files.writeString(file, chassis);
            List<String> command = new ArrayList<>(program());
            command.addAll(List.of(file.toString(), condition, String.valueOf(speed)));
            Process process = new ProcessBuilder(command)
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            String said = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))
                    .readLine();
            BenchProcess bench = new BenchProcess(process, file, said == null ? "" : said.replaceFirst("^bench ", ""));
            if (!bench.address.isEmpty()) return bench;
            bench.close();
            throw failed(null);
        } catch (IOException e) {
            throw failed(e);
        }
    }

    private static InstrumentException failed(IOException cause) {
        return new InstrumentException(
                InstrumentException.Kind.GONE,
                "The simulated bench did not start",
                "Start one with anabion bench-sim, and connect its address",
                cause);
    }

    /** This Java with this program's classes; in an installed image, which has no Java to call, its own launcher. */
    private static List<String> program() {
        Optional<Path> image =
                Optional.ofNullable(System.getProperty("jpackage.app-path")).map(Path::of);
        if (image.isPresent())
            return List.of(image.get().resolveSibling("anabion-bench").toString());
        return List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-cp",
                System.getProperty("java.class.path"),
                Main.class.getName());
    }

    /** Where it can be spoken to, as {@code host:port}. */
    public String address() {
        return address;
    }

    /** Whether it still runs. */
    public boolean runs() {
        return process.isAlive();
    }

    @Override
    public void close() {
        process.destroy();
        try {
            if (!process.waitFor(ENDS_MS, TimeUnit.MILLISECONDS)) process.destroyForcibly();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        try {
            Files.deleteIfExists(chassis);
        } catch (IOException e) {
            chassis.toFile().deleteOnExit();
        }
    }
}
