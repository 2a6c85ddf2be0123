package anabion.cli;

import anabion.core.json.TreeWriter;
import anabion.workshop.SearchIndex;
import anabion.workshop.Workshop;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code search TEXT}: where some words stand in a workshop. */
@Command(
        name = "search",
        mixinStandardHelpOptions = true,
        description = "Find words in the parts, notes, readings and owners of all sets of a workshop.")
final class SearchCommand implements Callable<Integer> {
    @Parameters(
            paramLabel = "TEXT",
            arity = "1..*",
            description = "words, or their beginnings; all of them must be there")
    private List<String> words;

    @Option(names = "--workshop", paramLabel = "FOLDER", description = "default: ~/anabion-workshop")
    private Path folder = Path.of(System.getProperty("user.home"), "anabion-workshop");

    @Option(names = "--json", description = "as JSON: hits[]{set,name,kind,at,text}")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        Workshop.finding(folder).ifPresent(e -> {
            throw e;
        });
        List<SearchIndex.Hit> hits;
        try (Workshop workshop = Workshop.open(folder, Clock.system(ZoneId.systemDefault()))) {
            SearchIndex index = workshop.search();
            for (UUID id : index.stale()) index.index(id);
            hits = index.find(String.join(" ", words));
        }
        var out = spec.commandLine().getOut();
        if (json)
            out.print(TreeWriter.text(
                    Map.of("hits", hits.stream().map(SearchCommand::tree).toList())));
        else for (SearchIndex.Hit h : hits) out.println(h.name() + "  " + h.kind() + "  " + h.at() + "  " + h.text());
        out.flush();
        return hits.isEmpty() ? Main.FINDING : Main.FINE;
    }

    private static Map<String, Object> tree(SearchIndex.Hit h) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("set", h.set().toString());
        all.put("name", h.name());
        all.put("kind", h.kind());
        all.put("at", h.at());
        all.put("text", h.text());
        return all;
    }
}
