package anabion.benchmarks;

import anabion.workshop.Workshop;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/** From the start of Java, as the launcher starts it, to a window that can be used, with and without an archive of the loaded classes. */
final class Startup {
    private static final int RUNS = 5;
    private static final long LIMIT_SECONDS = 150;

    private Startup() {}

    static Map<String, Object> measure(Path root) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("anabion-startup");
        try (Workshop w = Workshop.open(folder, Clock.systemUTC())) {
            DemoWorkshop.fill(w);
        }
        window(root, folder, ""); // writes the archive, if there is none
        Map<String, Object> results = new LinkedHashMap<>();
        results.put("usable window, ms", usual(() -> usable(root, folder, "-Xshare:off")));
        results.put("usable window with class-data sharing, ms", usual(() -> usable(root, folder, "")));
        results.put("empty JavaFX window with class-data sharing, ms", usual(() -> empty(root, folder)));
        return results;
    }

    /** What the window holds after a minute's work on the heaviest set of the demo. */
    static Map<String, Object> memory(Path root) throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("anabion-memory");
        try (Workshop w = Workshop.open(folder, Clock.systemUTC())) {
            DemoWorkshop.fill(w);
        }
        return new LinkedHashMap<>(said(root, "work", folder, "", " MB"));
    }

    private interface Run {
        long milliseconds() throws IOException, InterruptedException;
    }

    /** The median of some runs. */
    private static long usual(Run run) throws IOException, InterruptedException {
        List<Long> times = new ArrayList<>();
        for (int i = 0; i < RUNS; i++) times.add(run.milliseconds());
        return times.stream().sorted().toList().get(RUNS / 2);
    }

    private static long usable(Path root, Path folder, String options) throws IOException, InterruptedException {
        return window(root, folder, options).getOrDefault("usable window", -1L);
    }

    private static long empty(Path root, Path folder) throws IOException, InterruptedException {
        return said(root, "empty", folder, "", " ms").getOrDefault("empty window", -1L);
    }

    /**
     * Runs the window on a workshop, returns what it measured, in milliseconds.
     *
     * @param options of Java, besides the launcher's
     */
    static Map<String, Long> window(Path root, Path folder, String options) throws IOException, InterruptedException {
        return said(root, "measure", folder, options, " ms");
    }

    /** @param unit with which the lines end that count */
    private static Map<String, Long> said(Path root, String command, Path folder, String options, String unit)
            throws IOException, InterruptedException {
        Path output = Files.createTempFile("anabion", ".out");
        ProcessBuilder launcher = new ProcessBuilder(root.resolve("anabion").toString(), command, folder.toString());
        launcher.environment().put("ANABION_JAVA_OPTIONS", options);
        Process process = launcher.redirectError(ProcessBuilder.Redirect.DISCARD)
                .redirectOutput(output.toFile())
                .start();
        if (!process.waitFor(LIMIT_SECONDS, TimeUnit.SECONDS))
            process.destroyForcibly().waitFor();
        String out = Files.readString(output, StandardCharsets.UTF_8);
        Files.delete(output);
        Map<String, Long> times = new LinkedHashMap<>();
        out.lines()
                .filter(l -> l.endsWith(unit))
                .forEach(l -> times.put(
                        l.substring(0, l.lastIndexOf(':')), Long.parseLong(l.replaceAll(".*: (\\d+)" + unit, "$1"))));
        return times;
    }
}
