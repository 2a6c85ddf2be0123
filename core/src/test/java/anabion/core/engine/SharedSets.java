package anabion.core.engine;

import anabion.core.chassis.Chassis;
import anabion.core.format.ChassisCodec;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** The demo sets, read from where the workshop keeps them. */
public final class SharedSets {
    private SharedSets() {}

    public static Chassis named(String name) {
        Path file = Path.of("..", "workshop", "src", "main", "resources", "anabion", "demo", name + ".json");
        try (InputStream in = Files.newInputStream(file)) {
            return ChassisCodec.read(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
