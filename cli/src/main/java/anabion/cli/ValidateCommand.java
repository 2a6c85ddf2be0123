package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.json.TreeWriter;
import anabion.core.signal.CircuitCheck;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.archive.SetArchive;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code validate FILE}: whether a chassis file or set archive is sound. */
@Command(name = "validate", mixinStandardHelpOptions = true, description = "Check a chassis file or set archive.")
final class ValidateCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE")
    private Path file;

    @Option(names = "--json", description = "one JSON object")
    private boolean json;

    private final Words words = new Words(Vocabulary.STANDARD);

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws Exception {
        SetArchive.Unpacked unpacked = SetArchive.open(file);
        Chassis c = unpacked.set().chassis();
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("valid", true);
        all.put("name", c.name());
        all.put("parts", c.parts().size());
        all.put("stages", c.stages().size());
        all.put("bands", c.bands().size());
        all.put("chartRows", c.chart().map(x -> x.rows().size()).orElse(0));
        all.put("readings", unpacked.set().readings().size());
        all.put("photos", unpacked.set().photos().size());
        List<String> unknown = CircuitCheck.unknownTypes(c).stream()
                .map(r -> words.say(r.words()))
                .toList();
        all.put("unknownTypes", unknown);
        if (json) spec.commandLine().getOut().print(TreeWriter.text(all));
        else
            spec.commandLine()
                    .getOut()
                    .println(c.name() + (unknown.isEmpty() ? ": sound, " : ": ") + all.get("parts") + " parts, "
                            + all.get("chartRows") + " charted points");
        if (!json) unknown.forEach(spec.commandLine().getOut()::println);
        spec.commandLine().getOut().flush();
        return unknown.isEmpty() ? Main.FINE : Main.FINDING;
    }
}
