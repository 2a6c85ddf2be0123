package anabion.cli;

import anabion.workshop.Restore;
import anabion.workshop.StorageException;
import anabion.workshop.Workshop;
import anabion.workshop.storage.Backup;
import java.nio.file.Path;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

/** {@code restore FOLDER [BACKUP]}: the backups of a workshop, and one put in its place. */
@Command(
        name = "restore",
        mixinStandardHelpOptions = true,
        description = "List the backups of a workshop, or put one in the place of its database.")
final class RestoreCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "FOLDER", description = "a workshop that is not open")
    private Path folder;

    @Parameters(index = "1", paramLabel = "BACKUP", arity = "0..1", description = "the name of one in the list")
    private Optional<String> backup;

    @Mixin
    private Output output;

    @Override
    public Integer call() {
        return backup.isPresent() ? restore(backup.get()) : list();
    }

    private int list() {
        Optional<StorageException> finding = Workshop.finding(folder);
        List<Backup> all = Restore.choices(folder);
        Map<String, Object> tree = new LinkedHashMap<>();
        finding.ifPresent(f -> tree.put("finding", f.getMessage()));
        tree.put("backups", all.stream().map(RestoreCommand::tree).toList());
        String lines = all.isEmpty()
                ? "no backups\n"
                : all.stream().map(RestoreCommand::line).collect(Collectors.joining());
        output.say(tree, finding.map(f -> f.getMessage() + "\n").orElse("") + lines);
        return finding.isPresent() ? Main.FINDING : Main.FINE;
    }

    private int restore(String name) {
        Optional<Path> kept = Restore.from(folder, name, Clock.systemUTC());
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("restored", name);
        kept.ifPresent(k -> tree.put("kept", k.toString()));
        output.say(
                tree,
                "restored " + name
                        + kept.map(k -> "; what was there before is in " + k).orElse("") + "\n");
        return Main.FINE;
    }

    private static Map<String, Object> tree(Backup b) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("name", b.name());
        tree.put("made", b.made());
        tree.put("state", state(b));
        tree.put("sets", b.sets());
        tree.put("readings", b.readings());
        return tree;
    }

    private static String line(Backup b) {
        String content = b.state() == Backup.State.SOUND ? b.sets() + " sets, " + b.readings() + " readings" : state(b);
        return b.name() + "  " + b.made().truncatedTo(ChronoUnit.SECONDS) + "  " + content + "\n";
    }

    private static String state(Backup b) {
        return b.state().name().toLowerCase(Locale.ROOT);
    }
}
