package anabion.core.device;

import anabion.core.tree.Fields;
import anabion.core.tree.TreeReader;
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
import java.util.OptionalDouble;

/** The shipped types, by type number. */
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

    private static DeviceLibrary load() {
        Map<String, DeviceType> types = new LinkedHashMap<>();
        Map<String, DeviceType> names = new LinkedHashMap<>();
        for (String file : FILES) {
            try (InputStream in = DeviceLibrary.class.getResourceAsStream("/anabion/" + file)) {
                for (Fields row : Fields.of(TreeReader.read(in), "").objects("types")) {
                    DeviceType type = type(row);
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

    private static DeviceType type(Fields row) {
        String base = row.text("base");
        return new DeviceType(
                row.text("name"),
                row.strings("also"),
                row.text("what"),
                Base.named(base).orElseThrow(() -> row.trouble("base", "\"" + base + "\" is no base", "see Base")),
                row.texts("pins"),
                row.number("heaterVolts", 0),
                row.number("heaterAmperes", 0),
                row.list("sections", DeviceLibrary::section),
                row.maybeObject("limits").map(DeviceLibrary::limits).orElse(Map.of()),
                row.maybeObject("semiconductor").map(DeviceLibrary::semiconductor),
                row.text("flag", ""),
                row.text("source"));
    }

    private static Map<String, Double> limits(Fields row) {
        Map<String, Double> limits = new LinkedHashMap<>();
        for (String name : row.names()) limits.put(name, row.number(name, 0));
        return limits;
    }

    private static Section section(Fields row) {
        double cutoff = row.number("cutoff", 0);
        return new Section(
                row.text("section", ""),
                Section.Kind.valueOf(row.text("law").toUpperCase(Locale.ROOT)),
                row.number("mu", 0),
                cutoff == 0 ? OptionalDouble.empty() : OptionalDouble.of(cutoff),
                row.text("oscillator", ""),
                row.list("points", DeviceLibrary::point));
    }

    private static Section.Point point(Fields row) {
        return new Section.Point(
                row.number("plate", 0),
                row.number("screen", 0),
                row.number("grid", 0),
                row.number("plateMilliamps", 0),
                row.number("screenMilliamps", 0),
                row.number("millisiemens", 0),
                row.number("leakOhms", 0),
                row.number("gridMilliamps", 0));
    }

    private static Semiconductor semiconductor(Fields row) {
        return new Semiconductor(
                row.text("law"),
                row.text("material", "").equals("germanium"),
                row.text("polarity", "").equals("pnp"),
                row.number("gain", 0),
                row.number("atMilliamps", 0),
                row.number("leakMicroamps", 0),
                row.number("fullMilliamps", 0),
                row.number("pinchVolts", 0),
                row.number("transitionMegahertz", 0));
    }
}
