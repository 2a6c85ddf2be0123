package anabion.benchmarks;

import anabion.core.tree.TreeWriter;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;

/** {@code bench NAME [--json]}: startup, workshop, judge or engine. */
public final class Main {
    private Main() {}

    public static void main(String[] args) throws Exception {
        Path root = Path.of(args[0]);
        String name = args.length > 1 ? args[1] : "";
        boolean json = Arrays.asList(args).contains("--json");
        Map<String, Object> results =
                switch (name) {
                    case "startup" -> Startup.measure(root);
                    case "workshop" -> WorkshopBench.measure();
                    case "judge" -> JudgeBench.measure();
                    case "engine" -> EngineBench.measure();
                    default -> Map.of();
                };
        if (results.isEmpty()) {
            System.err.println(
                    "anabion: there is no benchmark \"" + name + "\"\n  Use one of startup, workshop, judge, engine.");
            System.exit(2);
        }
        if (json) System.out.print(TreeWriter.text(results));
        else new LinkedHashMap<>(results).forEach((k, v) -> System.out.println(k + ": " + v));
    }
}
