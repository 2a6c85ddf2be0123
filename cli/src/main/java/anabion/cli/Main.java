package anabion.cli;

import anabion.core.error.InputException;
import anabion.core.json.TreeWriter;
import anabion.workshop.StorageException;
import java.io.IOException;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** Entry point of the headless commands. */
@Command(
        name = "anabion",
        synopsisSubcommandLabel = "COMMAND",
        description = "Commands without a window. Each takes --json and --help.")
public final class Main {
    static final int FINE = 0;
    static final int FINDING = 1;
    static final int BAD_INPUT = 2;
    static final int FAILURE = 3;

    private static final List<String> COMMANDS = List.of(
            "decode",
            "validate",
            "compare",
            "export",
            "solve",
            "ohms",
            "gains",
            "spread",
            "align",
            "track",
            "response",
            "supply",
            "power",
            "recap",
            "diagnose",
            "next",
            "bench-sim",
            "meter",
            "restore",
            "workshop",
            "search");

    private Main() {}

    public static void main(String[] args) {
        System.exit(run(args, utf8(System.out), utf8(System.err)));
    }

    private static PrintStream utf8(PrintStream stream) {
        return new PrintStream(stream, true, StandardCharsets.UTF_8);
    }

    /** Runs one command and returns its exit code. */
    public static int run(String[] args, PrintStream out, PrintStream err) {
        boolean json = Arrays.asList(args).contains("--json");
        CommandLine line = new CommandLine(new Main());
        // To describe a command takes picocli some 10 ms: where one is named, the others are left out.
        List<String> wanted = COMMANDS.contains(name(args)) ? List.of(args[0]) : COMMANDS;
        for (String w : wanted) line.addSubcommand(command(w));
        line.setCaseInsensitiveEnumValuesAllowed(true);
        line.registerConverter(Double.class, new PlainNumber());
        line.registerConverter(double.class, new PlainNumber());
        line.setOut(new PrintWriter(out, true, StandardCharsets.UTF_8));
        line.setErr(new PrintWriter(err, true, StandardCharsets.UTF_8));
        line.setParameterExceptionHandler((e, a) -> {
            complain(err, json, "command line", e.getMessage(), "see anabion " + name(a) + " --help");
            return BAD_INPUT;
        });
        line.setExecutionExceptionHandler((e, c, r) -> failed(e, err, json));
        if (args.length == 0 || args[0].equals("--help")) {
            line.usage(out);
            return args.length == 0 ? BAD_INPUT : FINE;
        }
        try {
            return line.execute(args);
        } catch (Error e) { // out of memory and the like: a failure of the program is never a finding
            return failed(e, err, json);
        }
    }

    private static Object command(String name) {
        return switch (name) {
            case "decode" -> new DecodeCommand();
            case "validate" -> new ValidateCommand();
            case "compare" -> new CompareCommand();
            case "export" -> new ExportCommand();
            case "solve" -> new SolveCommand();
            case "ohms" -> new OhmsCommand();
            case "gains" -> new GainsCommand();
            case "spread" -> new SpreadCommand();
            case "align" -> new AlignCommand();
            case "track" -> new TrackCommand();
            case "response" -> new ResponseCommand();
            case "supply" -> new SupplyCommand();
            case "power" -> new PowerCommand();
            case "recap" -> new RecapCommand();
            case "diagnose" -> new DiagnoseCommand();
            case "next" -> new NextCommand();
            case "bench-sim" -> new BenchSimCommand();
            case "meter" -> new MeterCommand();
            case "restore" -> new RestoreCommand();
            case "workshop" -> new WorkshopCommand();
            case "search" -> new SearchCommand();
            default -> throw new IllegalArgumentException(name);
        };
    }

    private static String name(String[] args) {
        return args.length == 0 || args[0].startsWith("-") ? "" : args[0];
    }

    private static int failed(Throwable e, PrintStream err, boolean json) {
        if (e instanceof InputException b) {
            complain(err, json, b.where(), b.what(), b.remedy());
            return BAD_INPUT;
        }
        if (e instanceof StorageException s) {
            complain(err, json, "disk", s.getMessage(), s.remedy());
            return BAD_INPUT;
        }
        if (e instanceof IOException) {
            complain(err, json, "file", String.valueOf(e), "check the file, the disk and their permissions");
            return BAD_INPUT;
        }
        complain(
                err,
                json,
                "program",
                String.valueOf(e),
                "this is a mistake in the program: report it with these words");
        if (!json) e.printStackTrace(err);
        return FAILURE;
    }

    private static void complain(PrintStream err, boolean json, String where, String what, String remedy) {
        if (json) {
            Map<String, Object> error = new LinkedHashMap<>();
            error.put("where", where);
            error.put("what", what);
            error.put("remedy", remedy);
            err.print(TreeWriter.text(Map.of("error", error)));
        } else {
            err.println("anabion: " + (where.isEmpty() ? "" : where + ": ") + what
                    + (remedy.isEmpty() ? "" : "\n  " + remedy));
        }
    }
}
