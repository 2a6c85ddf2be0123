package anabion.core.device;

import anabion.core.tree.Fields;
import anabion.core.tree.TreeReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** The shipped types, by type number. */
public final class DeviceLibrary {
    private static final DeviceLibrary STANDARD = load();
    private final Map<String, DeviceType> types;

    private DeviceLibrary(Map<String, DeviceType> types) {
        this.types = Collections.unmodifiableMap(types);
    }

    public static DeviceLibrary standard() {
        return STANDARD;
    }

    public Optional<DeviceType> find(String name) {
        return Optional.ofNullable(types.get(name.toUpperCase(Locale.ROOT)));
    }

    public Collection<DeviceType> all() {
        return types.values();
    }

    private static DeviceLibrary load() {
        try (InputStream in = DeviceLibrary.class.getResourceAsStream("/anabion/devices.json")) {
            Map<String, DeviceType> types = new LinkedHashMap<>();
            for (Fields row : Fields.of(TreeReader.read(in), "").objects("types")) {
                DeviceType type = type(row);
                if (types.put(type.name(), type) != null)
                    throw row.trouble("name", "this type stands twice", "keep one row");
            }
            return new DeviceLibrary(types);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static DeviceType type(Fields row) {
        String base = row.text("base");
        Map<Integer, String> functions = new LinkedHashMap<>();
        row.texts("pins").forEach((pin, f) -> functions.put(Integer.parseInt(pin), f));
        return new DeviceType(
                row.text("name"),
                row.text("what"),
                Base.named(base).orElseThrow(() -> row.trouble("base", "\"" + base + "\" is no base", "see Base")),
                functions,
                row.number("heaterVolts", 0),
                row.number("heaterAmperes", 0),
                row.text("source"));
    }
}
