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
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Types by their numbers: the shipped ones, and over them a workshop's own. */
public final class DeviceLibrary {
    private static final List<String> FILES = List.of("tubes.json", "semiconductors.json");
    /** American tubes ({@code 6V6GT}, {@code 5U4GB}, {@code 12AX7A}), European ones ({@code EL3N}, {@code ECC83S}), transistors ({@code BC547B}). */
    private static final List<Pattern> VERSIONS = List.of(
            Pattern.compile("(\\d{1,2}[A-Z]{1,3}\\d{1,2})(?:GT/?G|GT[ABXY]?|G[ABCY]?|MG?|LT|W[ABC]?|[ABCXY])"),
            Pattern.compile("(\\d{2}[A-Z]?)(?:G|S|A)"),
            Pattern.compile("([A-Z]{2,4}\\d{1,3})(?:[NGSFWHR]|RR)"),
            Pattern.compile("((?:[ABO][ACDFY]|OC|2N)\\d{2,4})[A-DKLN]"));

    private static final DeviceLibrary STANDARD = load();
    private final Map<String, DeviceType> types;
    private final Map<String, DeviceType> names;
    /** What was asked for before: every look at a tube asks. */
    private final Map<String, Optional<DeviceType>> found = new ConcurrentHashMap<>();

    private static final int MOST_FOUND = 2000;

    private DeviceLibrary(Map<String, DeviceType> types, Map<String, DeviceType> names) {
        this.types = Collections.unmodifiableMap(types);
        this.names = Collections.unmodifiableMap(names);
    }

    /** The shipped types. */
    public static DeviceLibrary standard() {
        return STANDARD;
    }

    /** A type by any of its numbers, as printed on the glass: with the letters of bulb, base and later versions behind it, with hyphens and blanks. */
    public Optional<DeviceType> find(String name) {
        if (found.size() > MOST_FOUND) found.clear();
        return found.computeIfAbsent(name, this::sought);
    }

    private Optional<DeviceType> sought(String name) {
        String plain = name.toUpperCase(Locale.ROOT).replaceAll("[\\s-]+", "");
        for (String wanted : List.of(name.toUpperCase(Locale.ROOT), plain)) {
            if (names.containsKey(wanted)) return Optional.of(names.get(wanted));
        }
        for (Pattern version : VERSIONS) {
            Matcher m = version.matcher(plain);
            if (m.matches() && names.containsKey(m.group(1))) return Optional.of(names.get(m.group(1)));
        }
        return Optional.empty();
    }

    /** In the order of the files; those of a workshop last. */
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
