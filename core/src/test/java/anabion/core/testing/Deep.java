package anabion.core.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/**
 * What the plain test run leaves to {@code ./anabion test --deep}: it takes a sample, drawn by a fixed seed, where the deep one takes all.
 * Whatever is left is written to {@code target/left-to-deep.txt}, which the launcher shows at the end of a run.
 */
public final class Deep {
    private static final Path LEFT = Path.of("target", "left-to-deep.txt");

    private Deep() {}

    /** Whether this is the deep run. */
    public static boolean on() {
        return Boolean.getBoolean("anabion.deep");
    }

    /**
     * All in the deep run, else some.
     *
     * @param what it is that is left, in words; it seeds the draw, too
     * @param plain how many the plain run takes
     * @return in the order of the list
     */
    public static <T> List<T> some(String what, int plain, List<T> all) {
        if (on() || all.size() <= plain) return all;
        List<Integer> drawn = new ArrayList<>();
        for (int n = 0; n < all.size(); n++) drawn.add(n);
        Collections.shuffle(drawn, new Random(what.hashCode()));
        left(what + ": " + plain + " of " + all.size());
        return drawn.subList(0, plain).stream().sorted().map(all::get).toList();
    }

    /** How often something is done: so often in the plain run, so often in the deep one. */
    public static int times(String what, int plain, int deep) {
        if (on()) return deep;
        left(what + ": " + plain + " of " + deep);
        return plain;
    }

    static void left(String line) {
        try {
            Files.createDirectories(LEFT.getParent());
            Files.writeString(LEFT, line + "\n", StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
