package anabion.core.testing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Locale;
import java.util.concurrent.TimeUnit;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * A general-purpose circuit solver, another than our own. A run takes up to a minute, so its answers are kept beside the tests, each named by the hash of
 * its deck; a deck without an answer is solved here and its answer kept. The deep run solves all anew.
 */
public final class IndependentSolver {
    private static final Path KEPT = Path.of("src", "test", "resources", "anabion", "core", "solver");
    /** Enough of SHA-256 that no two decks meet. */
    private static final int DIGITS = 16;
    /** Volts of a node, a measured value, a row of a sweep: all else is about the run, and differs from one to the next. */
    private static final Pattern ANSWER =
            Pattern.compile("\\s*(n\\d+\\s+[-+\\d.e]+|\\w+\\s+=\\s+\\S+ .*|\\d+(\\s+[-+\\d.e]+){3})\\s*");

    /** One that is not part of a name. */
    private static final Pattern NUMBER = Pattern.compile("(?<![\\w.])\\d+\\.?\\d*(?:[eE][-+]?\\d+)?(?![\\w.])");

    private IndependentSolver() {}

    /**
     * What the solver says of a deck.
     *
     * @param name under which the answer is kept, unique among the tests
     */
    public static String answer(String name, String deck) throws IOException, InterruptedException {
        Path kept = KEPT.resolve(name + "." + hash(deck) + ".txt");
        if (Deep.on() || !Files.exists(kept)) keep(name, kept, solved(name, deck));
        return Files.readString(kept);
    }

    /** Comments do not count, nor do digits beyond those in which processors agree: a fitted law differs in its last ones from one machine to another. */
    private static String hash(String deck) {
        String counted = NUMBER.matcher(
                        deck.lines().filter(l -> !l.startsWith("*")).collect(Collectors.joining("\n")))
                .replaceAll(m -> String.format(Locale.ROOT, "%.4e", Double.parseDouble(m.group())));
        try {
            byte[] all = MessageDigest.getInstance("SHA-256").digest(counted.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(all).substring(0, DIGITS);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    private static String solved(String name, String deck) throws IOException, InterruptedException {
        if (Stream.of(System.getenv("PATH").split(":")).noneMatch(p -> Files.isExecutable(Path.of(p, "ngspice"))))
            fail("No answer is kept for the deck of " + name
                    + ", which has changed, and there is no solver here to give one:"
                    + " ./anabion solver installs it. Commit what it answers with what changed the deck.");
        Path file = Files.createTempFile("deck", ".cir");
        try {
            Files.writeString(file, deck);
            String out = run("-b", file.toString());
            String answer = out.lines()
                    .filter(l -> ANSWER.matcher(l).matches())
                    .map(String::strip)
                    .collect(Collectors.joining("\n"));
            assertThat(answer).as("%s", out).isNotEmpty();
            String version = run("--version")
                    .lines()
                    .filter(l -> l.contains("ngspice-"))
                    .findFirst()
                    .map(l -> l.replaceAll(".*(ngspice-\\S+).*", "$1"))
                    .orElseThrow();
            return "* " + name + ", answered by " + version + "\n" + answer + "\n";
        } finally {
            Files.delete(file);
        }
    }

    private static String run(String... words) throws IOException, InterruptedException {
        Path out = Files.createTempFile("solver", ".txt");
        try {
            Process p = new ProcessBuilder(Stream.concat(Stream.of("ngspice"), Stream.of(words))
                            .toList())
                    .redirectErrorStream(true)
                    .redirectOutput(out.toFile())
                    .start();
            assertThat(p.waitFor(300, TimeUnit.SECONDS)).isTrue();
            return Files.readString(out, StandardCharsets.ISO_8859_1);
        } finally {
            Files.delete(out);
        }
    }

    /** In the place of what was kept under this name. */
    private static void keep(String name, Path file, String answer) throws IOException {
        Files.createDirectories(KEPT);
        try (DirectoryStream<Path> before = Files.newDirectoryStream(KEPT, name + ".*.txt")) {
            for (Path old : before) Files.delete(old);
        }
        Files.writeString(file, answer);
    }
}
