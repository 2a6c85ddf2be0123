package anabion.core.device;

import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Types by their numbers: the shipped ones, and over them a workshop's own. */
public final class DeviceLibrary {
    private static final List<String> FILES = List.of("tubes.json", "semiconductors.json");
    private static final DeviceLibrary STANDARD = load();
    private final Map<String, DeviceType> types;
    private final Map<String, DeviceType> names;

    private DeviceLibrary(Map<String, DeviceType> types, Map<String, DeviceType> names) {
        this.types = Collections.unmodifiableMap(types);
        this.names = Collections.unmodifiableMap(names);
    }

    public static DeviceLibrary standard() {
        return STANDARD;
    }

    /** A type by any of its numbers. */
    public Optional<DeviceType> find(String name) {
        return Optional.ofNullable(names.get(name.toUpperCase(Locale.ROOT)));
    }

    public Collection<DeviceType> all() {
        return types.values();
    }

    /** These types and, before any of the same number, those of a workshop's own. */
    public DeviceLibrary with(Collection<DeviceType> own) {
        if (own.isEmpty()) return this;
        Map<String, DeviceType> more = new LinkedHashMap<>(types);
        Map<String, DeviceType> called = new LinkedHashMap<>(names);
        for (DeviceType t : own) {
            more.put(t.name(), t);
            called.put(t.name(), t);
            t.also().forEach(other -> called.put(other, t));
        }
        return new DeviceLibrary(more, called);
    }

    /** A type that is not, or not so, in the shipped library. */
    public Optional<DeviceType> own(String name) {
        return find(name).filter(t -> STANDARD.find(name).filter(t::equals).isEmpty());
    }

    private static DeviceLibrary load() {
        Map<String, DeviceType> types = new LinkedHashMap<>();
        Map<String, DeviceType> names = new LinkedHashMap<>();
        for (String file : FILES) {
            try (InputStream in = DeviceLibrary.class.getResourceAsStream("/anabion/" + file)) {
                for (Fields row : Fields.of(TreeReader.read(in), "").objects("types")) {
                    DeviceType type = TypeCodec.read(row);
                    types.put(type.name(), type);
                    enter(names, type.name(), type, row);
                    for (String other : type.also()) enter(names, other, type, row);
                }
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return new DeviceLibrary(types, names);
    }

    private static void enter(Map<String, DeviceType> names, String name, DeviceType type, Fields row) {
        if (names.put(name, type) != null) throw row.trouble("name", name + " stands twice", "keep one row");
    }
}
