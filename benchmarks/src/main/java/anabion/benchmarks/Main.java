package anabion.benchmarks;

import anabion.benchmarks.alignment.AlignmentBenchmark;
import anabion.benchmarks.diagnosis.DiagnosisBenchmark;
import anabion.benchmarks.diagnosis.EvidenceSet;
import anabion.benchmarks.diagnosis.ForeignBenchmark;
import anabion.benchmarks.diagnosis.ForeignCases;
import anabion.benchmarks.diagnosis.LineUpBenchmark;
import anabion.benchmarks.power.PowerBenchmark;
import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.json.TreeWriter;
import anabion.workshop.archive.SetArchive;
import anabion.workshop.demo.DemoWorkshop;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** {@code bench NAME [--json]}: startup, memory, workshop, judge, engine, power, alignment or diagnosis; {@code foreign} makes cases for the last. */
public final class Main {
    private Main() {}

    public static void main(String[] args) throws Exception {
        Path root = Path.of(args[0]);
        String name = args.length > 1 ? args[1] : "";
        boolean json = Arrays.asList(args).contains("--json");
        Map<String, Object> results =
                switch (name) {
                    case "startup" -> Startup.measure(root);
                    case "memory" -> Startup.memory(root);
                    case "workshop" -> WorkshopBenchmark.measure(root);
                    case "judge" -> JudgeBenchmark.measure();
                    case "engine" -> EngineBenchmark.measure();
                    case "power" ->
                        PowerBenchmark.measure(
                                (int) number(words(args), "--cases", 300), number(words(args), "--seed", 1));
                    case "alignment" ->
                        AlignmentBenchmark.measure(
                                (int) number(words(args), "--cases", words(args).contains("--quick") ? 30 : 500),
                                number(words(args), "--seed", 1));
                    case "diagnosis" -> diagnosis(words(args));
                    case "foreign" -> foreign(root, words(args));
                    default -> Map.of();
                };
        if (results.isEmpty()) {
            System.err.println("anabion: there is no benchmark \"" + name
                    + "\"\n  Use one of startup, memory, workshop, judge, engine, power, alignment, diagnosis.");
            System.exit(2);
        }
        if (json) System.out.print(TreeWriter.text(results));
        else new LinkedHashMap<>(results).forEach((k, v) -> System.out.println(k + ": " + v));
    }

    /** Makes the cases of {@code diagnosis --foreign} that are not there: {@code [--seed S]}. */
    private static Map<String, Object> foreign(Path root, List<String> words) throws IOException, InterruptedException {
        if (!ForeignCases.solverIsHere()) {
            System.err.println(
                    "anabion: the general solver that makes these cases is not here\n  ./anabion solver installs it.");
            System.exit(2);
        }
        return ForeignCases.make(
                root.resolve("benchmarks/src/main/resources/anabion/benchmarks/foreign"), number(words, "--seed", 1));
    }

    private static List<String> words(String[] args) {
        return Arrays.asList(args).subList(2, args.length);
    }

    /** {@code [--chassis FILE …] [--cases N] [--seed S] [--pairs] [--matched | --mismatched] [--missed] [--evidence-set FOLDER] | --foreign [--held] [--led] [--sets NAME …] [--missed] | --line-up [--missed]}. */
    private static Map<String, Object> diagnosis(List<String> words) throws IOException {
        try {
            if (words.contains("--line-up")) return LineUpBenchmark.measure(words.contains("--missed"));
            if (words.contains("--foreign"))
                return ForeignBenchmark.measure(
                        severalWords(words, "--sets"),
                        words.contains("--held"),
                        words.contains("--led"),
                        words.contains("--missed"));
            List<Path> files = several(words, "--chassis");
            Optional<String> made = option(words, "--evidence-set");
            if (made.isPresent()) return EvidenceSet.measure(files, Path.of(made.get()));
            List<Chassis> sets = new ArrayList<>();
            for (Path f : files) sets.add(SetArchive.open(f).set().chassis());
            if (sets.isEmpty())
                Stream.of("halcyon", "brae", "lark").map(DemoWorkshop::chassis).forEach(sets::add);
            return DiagnosisBenchmark.measure(
                    sets,
                    (int) number(words, "--cases", 300),
                    number(words, "--seed", 1),
                    !words.contains("--mismatched"),
                    !words.contains("--matched"),
                    words.contains("--pairs"),
                    words.contains("--missed"));
        } catch (InputException e) {
            System.err.println("anabion: " + e.getMessage());
            System.exit(2);
            return Map.of();
        }
    }

    /** All words behind one, up to the next option. */
    private static List<Path> several(List<String> words, String name) {
        return severalWords(words, name).stream().map(Path::of).toList();
    }

    private static List<String> severalWords(List<String> words, String name) {
        return words.stream()
                .skip(words.contains(name) ? words.indexOf(name) + 1 : words.size())
                .takeWhile(w -> !w.startsWith("--"))
                .toList();
    }

    private static Optional<String> option(List<String> words, String name) {
        int at = words.indexOf(name);
        return at < 0 || at + 1 >= words.size() ? Optional.empty() : Optional.of(words.get(at + 1));
    }

    private static long number(List<String> words, String name, long usual) {
        String text = option(words, name).orElse(String.valueOf(usual));
        if (text.matches("[1-9]\\d{0,8}")) return Long.parseLong(text);
        throw InputException.at(name + " " + text)
                .because("this is no whole number above zero")
                .so("write it like " + name + " " + usual);
    }
}
