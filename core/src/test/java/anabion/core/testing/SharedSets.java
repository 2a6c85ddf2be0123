package anabion.core.testing;

import anabion.core.chassis.Chassis;
import anabion.core.format.ChassisCodec;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
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
        try (InputStream in = SharedSets.class.getResourceAsStream("/anabion/demo/" + name + ".json")) {
            return ChassisCodec.read(in);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
