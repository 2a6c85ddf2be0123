package anabion.cli;

import anabion.core.json.TreeWriter;
import java.util.Map;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import picocli.CommandLine.Spec.Target;

/** Says a command's answer, in words or as one JSON object. */
final class Output {
    @Option(names = "--json", description = "one JSON object")
    private boolean json;

    @Spec(Target.MIXEE)
    private CommandSpec spec;

    void say(Map<String, Object> tree, String plain) {
        spec.commandLine().getOut().print(json ? TreeWriter.text(tree) : plain);
        spec.commandLine().getOut().flush();
    }
}
