package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.spice.SpiceNetlist;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The general solver, asked for the mean volts of all nets under other laws. */
final class ForeignSolver {
    static final String COMMAND = "ngspice";

    /** By then filters and bypasses have settled: the slowest, an AVC line, has a fifth of a second. */
    private static final int CYCLES = 40;

    private static final long SECONDS = 90;
    private static final Pattern NET = Pattern.compile("\\* net (\\S+) = (.*)");
    private static final Pattern MEAN = Pattern.compile("(?m)^mean_(\\w+)\\s+=\\s+(\\S+)");
    private static final Pattern NODE = Pattern.compile("(?m)^\\s*(n\\d+)\\s+([-+\\d.eE]+)\\s*$");

    private final ForeignLaws laws;

    ForeignSolver(ForeignLaws laws) {
        this.laws = laws;
    }

    /** Volts by net, without those of the mains alone; empty where the solver finds none. */
    Optional<Map<String, Double>> means(Chassis chassis, Setting setting) throws IOException, InterruptedException {
        String deck = SpiceNetlist.means(chassis, setting, laws, CYCLES);
        String answer = run(deck);
        Map<String, Double> nodes = new HashMap<>();
        Matcher m = (deck.contains(".tran ") ? MEAN : NODE).matcher(answer);
        while (m.find()) {
            try {
                nodes.put(m.group(1), Double.parseDouble(m.group(2)));
            } catch (NumberFormatException e) {
                return Optional.empty(); // a measure that failed
            }
        }
        Map<String, Double> nets = new HashMap<>();
        Matcher net = NET.matcher(deck);
        while (net.find()) {
            if (net.group(1).equals("0")) nets.put(net.group(2), 0.0);
            else if (nodes.containsKey(net.group(1))) nets.put(net.group(2), nodes.get(net.group(1)));
        }
        return nodes.isEmpty() ? Optional.empty() : Optional.of(nets);
    }

    private static String run(String deck) throws IOException, InterruptedException {
        Path in = Files.createTempFile("foreign", ".cir");
        Path out = Files.createTempFile("foreign", ".txt");
        try {
            Files.writeString(in, deck);
            Process p = new ProcessBuilder(COMMAND, "-b", in.toString())
                    .redirectErrorStream(true)
                    .redirectOutput(out.toFile())
                    .start();
            if (!p.waitFor(SECONDS, TimeUnit.SECONDS)) p.destroyForcibly().waitFor();
            return Files.readString(out, StandardCharsets.ISO_8859_1);
        } finally {
            Files.delete(in);
            Files.delete(out);
        }
    }
}
