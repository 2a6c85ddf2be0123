package anabion.core.engine;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** A general-purpose circuit solver, where it is installed. */
public final class IndependentSolver {
    private final Path folder;

    private IndependentSolver(Path folder) {
        this.folder = folder;
    }

    /** Skips the test where there is none. */
    public static IndependentSolver here(Path folder) {
        boolean there =
                Stream.of(System.getenv("PATH").split(":")).anyMatch(p -> Files.isExecutable(Path.of(p, "ngspice")));
        assumeTrue(there, "no independent solver here");
        return new IndependentSolver(folder);
    }

    public String run(String deck) throws IOException, InterruptedException {
        Path file = folder.resolve("deck.cir");
        Path out = folder.resolve("out.txt");
        Files.writeString(file, deck);
        Process p = new ProcessBuilder("ngspice", "-b", file.toString())
                .redirectErrorStream(true)
                .redirectOutput(out.toFile())
                .start();
        assertThat(p.waitFor(300, TimeUnit.SECONDS)).isTrue();
        return Files.readString(out, StandardCharsets.ISO_8859_1);
    }
}
