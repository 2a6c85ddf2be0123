package anabion.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import anabion.core.testing.Deep;
import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Kills a writing program without warning at random moments: every acknowledged entry must be there after. */
class KillHarnessTest {
    @TempDir
    Path folder;

    static ProcessBuilder child(Path folder, long seed) {
        String java = Path.of(System.getProperty("java.home"), "bin", "java").toString();
        return new ProcessBuilder(
                java,
                "-XX:TieredStopAtLevel=1",
                "-Xshare:auto",
                "-cp",
                System.getProperty("surefire.test.class.path", System.getProperty("java.class.path")),
                KillChild.class.getName(),
                folder.toString(),
                String.valueOf(seed));
    }

    @Test
    void everyAcknowledgedEntrySurvivesAKill() throws Exception {
        int kills = Deep.times("kills of a writing program", 4, 100);
        Random random = new Random(7);
        int acknowledged = 0;
        for (int i = 0; i < kills; i++) {
            // a fresh folder every five kills, so that later ones also hit a database with a history of kills
            Path workshop = folder.resolve("w" + i / 5);
            Files.createDirectories(workshop);
            List<String> entries = killed(workshop, i, random);
            acknowledged += entries.size();
            check(workshop, entries);
        }
        assertThat(acknowledged).as("the kills must hit a working program").isGreaterThan(kills * 4);
    }

    /** Starts the child, kills it a moment after it acknowledged so many entries, and returns all it had acknowledged. */
    private static List<String> killed(Path workshop, int seed, Random random) throws Exception {
        Process child = child(workshop, seed)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        int wanted = random.nextInt(12);
        int moment = random.nextInt(20_000);
        List<String> entries = new ArrayList<>();
        try (BufferedReader out =
                new BufferedReader(new InputStreamReader(child.getInputStream(), StandardCharsets.UTF_8))) {
            assertThat(out.readLine()).isEqualTo("ready");
            Thread killer = new Thread(() -> {
                LockSupport.parkNanos(TimeUnit.MICROSECONDS.toNanos(moment));
                child.destroyForcibly();
            });
            if (wanted == 0) killer.start();
            for (String line = out.readLine(); line != null; line = out.readLine()) {
                entries.add(line);
                if (entries.size() == wanted) killer.start();
            }
        } catch (java.io.IOException e) {
            // the stream may break with the process
        }
        assertThat(child.waitFor(10, TimeUnit.SECONDS)).isTrue();
        return entries.stream()
                .filter(l -> l.matches("(reading|photo) [0-9a-f-]{36}"))
                .toList();
    }

    private static void check(Path workshop, List<String> entries) {
        try (Workshop w = Temp.open(workshop)) {
            assertThat(w.handle()
                            .createQuery("PRAGMA integrity_check")
                            .mapTo(String.class)
                            .one())
                    .isEqualTo("ok");
            SetRecord set = w.sets().get(KillChild.SET);
            Set<String> there =
                    set.readings().stream().map(r -> "reading " + r.id()).collect(Collectors.toSet());
            set.photos().forEach(p -> there.add("photo " + p.id()));
            assertThat(there).containsAll(entries);
            assertThat(set.photos())
                    .allSatisfy(p -> assertThat(Files.size(w.file(p))).isPositive());
            List<Summary> shelf = w.sets().summaries();
            assertThat(w.sets().outdated(Integer.MAX_VALUE))
                    .as("summaries that a kill left behind")
                    .isEmpty();
            assertThat(shelf).contains(Summary.of(set, w.predictors()));
            if (entries.isEmpty()) return;
            assertThat(w.sets().undo(set.id())).as("the history is whole too").isPresent();
            assertThat(w.sets().redo(set.id())).isPresent();
        }
    }
}
