package anabion.core.testing;

import anabion.core.chassis.Chassis;
import anabion.core.format.ChassisCodec;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The demo sets, each read once from where the workshop keeps them: whoever changes one gets another. */
public final class SharedSets {
    private static final Map<String, Chassis> READ = new ConcurrentHashMap<>();

    private SharedSets() {}

    public static Chassis named(String name) {
        return READ.computeIfAbsent(name, SharedSets::read);
    }

    private static Chassis read(String name) {
        Path file = Path.of("..", "workshop", "src", "main", "resources", "anabion", "demo", name + ".json");
        try (InputStream in = Files.newInputStream(file)) {
            return ChassisCodec.read(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
