package anabion.cli;

import anabion.core.error.InputException;
import anabion.workshop.SetRecord;
import anabion.workshop.Workshop;
import anabion.workshop.archive.WorkshopArchive;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code workshop FOLDER --to FILE | --from FILE}: a whole workshop as one archive, and back. */
@Command(
        name = "workshop",
        mixinStandardHelpOptions = true,
        description = "Write a whole workshop as one archive, or bring one into a workshop.")
final class WorkshopCommand implements Callable<Integer> {
    @Parameters(
            index = "0",
            paramLabel = "FOLDER",
            description = "a workshop that is not open; with --from it may be new")
    private Path folder;

    private static final class Way {
        @Option(
                names = "--to",
                required = true,
                paramLabel = "FILE",
                description = "write it; the file must not be there")
        private Path to;

        @Option(names = "--from", required = true, paramLabel = "FILE", description = "bring this archive in")
        private Path from;
    }

    @ArgGroup(multiplicity = "1")
    private Way way;

    @Mixin
    private Output output;

    @Override
    public Integer call() throws IOException {
        if (way.to != null && !Files.isDirectory(folder))
            throw InputException.at(folder.toString())
                    .because("there is no such folder")
                    .so("name the folder of a workshop");
        if (way.to != null && Files.exists(way.to))
            throw InputException.at(way.to.toString())
                    .because("there is something of this name already")
                    .so("name another file");
        if (way.from != null && !WorkshopArchive.isOne(way.from))
            throw InputException.at(way.from.toString())
                    .because("this is no archive of a workshop")
                    .so("choose one that was written with --to; a set's own archive is opened in the program");
        if (way.to != null)
            Workshop.finding(folder).ifPresent(e -> {
                throw e;
            });
        try (Workshop workshop = Workshop.open(folder, Clock.system(ZoneId.systemDefault()))) {
            return way.to != null ? out(workshop) : in(workshop);
        }
    }

    private int out(Workshop workshop) throws IOException {
        WorkshopArchive.Snapshot all = WorkshopArchive.Snapshot.of(workshop);
        WorkshopArchive.write(all, way.to);
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("file", way.to.toString());
        tree.put("sets", all.sets().size());
        output.say(tree, "wrote " + all.sets().size() + " sets to " + way.to + "\n");
        return Main.FINE;
    }

    private int in(Workshop workshop) throws IOException {
        WorkshopArchive.Added added = WorkshopArchive.addTo(workshop, way.from, "archive " + way.from.getFileName());
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("added", names(added.added()));
        tree.put("beside", names(added.beside()));
        tree.put("there", added.there());
        tree.put("types", added.types());
        tree.put("differing", added.differing());
        output.say(
                tree,
                "added " + added.added().size() + " sets, " + added.there() + " were there already"
                        + (added.beside().isEmpty()
                                ? ""
                                : "; beside another record: " + String.join(", ", names(added.beside())))
                        + (added.types().isEmpty() ? "" : "; own types: " + String.join(", ", added.types()))
                        + (added.differing().isEmpty()
                                ? ""
                                : "; types that differ here stay: " + String.join(", ", added.differing()))
                        + "\n");
        return Main.FINE;
    }

    private static List<String> names(List<SetRecord> sets) {
        return sets.stream().map(s -> s.chassis().name()).toList();
    }
}
