package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.testing.LeftToDeep;
import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A power failure at each acknowledgement: of a killed program everything written survives in the page cache, of a machine without power only
 * what was forced. It takes half a minute a run, and the tracer of system calls.
 */
@LeftToDeep
class ForcedWritesTest {
    private static final int ENTRIES = 60;

    @TempDir
    Path folder;

    /** What was acknowledged before each moment at which the power fails, and what was lost of it. */
    private record Failures(int moments, List<String> lost) {}

    private Failures fail(KillChild.Forcing forcing) throws Exception {
        Path workshop = Files.createDirectory(folder.resolve("live"));
        Path log = folder.resolve("calls.log");
        List<String> command = new ArrayList<>(ForcedFilesModel.command(log));
        command.addAll(KillHarnessTest.child(workshop, 5).command());
        command.add(String.valueOf(ENTRIES));
        command.add(forcing.name());
        Process traced = new ProcessBuilder(command)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .redirectError(folder.resolve("errors.txt").toFile())
                .start();
        assertThat(traced.waitFor())
                .as(() -> read(folder.resolve("errors.txt")))
                .isZero();
        ForcedFilesModel model = new ForcedFilesModel(workshop);
        List<String> acknowledged = new ArrayList<>();
        List<String> lost = new ArrayList<>();
        int moments = 0;
        try (BufferedReader lines = Files.newBufferedReader(log)) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                for (String said : model.replay(line)) {
                    boolean entry = said.startsWith("reading ") || said.startsWith("photo ");
                    if (!entry && !said.equals("ready")) continue;
                    if (entry) acknowledged.add(said);
                    Path after = folder.resolve("after-" + moments++);
                    model.rebuild(after);
                    lost.addAll(missing(after, acknowledged));
                }
            }
        }
        return new Failures(moments, lost);
    }

    private static String read(Path file) {
        try {
            return Files.readString(file);
        } catch (IOException e) {
            return e.toString();
        }
    }

    private static List<String> missing(Path after, List<String> acknowledged) {
        Set<String> there = new HashSet<>();
        try (Workshop w = Temp.open(after)) {
            SetRecord set = w.sets().get(KillChild.SET);
            there.addAll(set.readings().stream().map(r -> "reading " + r.id()).collect(Collectors.toSet()));
            set.photos().stream()
                    .filter(p -> Files.isRegularFile(w.file(p)) && sized(w.file(p)))
                    .forEach(p -> there.add("photo " + p.id()));
        } catch (StorageException | anabion.core.error.InputException e) {
            return List.of("all: " + e.getMessage());
        }
        return acknowledged.stream().filter(a -> !there.contains(a)).toList();
    }

    private static boolean sized(Path file) {
        try {
            return Files.size(file) > 0;
        } catch (IOException e) {
            return false;
        }
    }

    @Test
    void nothingAcknowledgedIsLostWhenThePowerFails() throws Exception {
        Failures f = fail(KillChild.Forcing.ON);
        assertThat(f.moments()).isEqualTo(ENTRIES + 1);
        assertThat(f.lost()).isEmpty();
    }

    /** The harness itself: a database that forces nothing must be found out. */
    @Test
    void withoutForcingItIsLost() throws Exception {
        assertThat(fail(KillChild.Forcing.OFF).lost()).isNotEmpty();
    }
}
