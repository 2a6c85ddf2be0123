package anabion.core.command;

import anabion.core.device.DeviceType;
import anabion.core.device.TypeCodec;
import anabion.core.device.model.Curves;
import anabion.core.error.InputException;
import anabion.core.json.Fields;
import anabion.core.json.TreeReader;
import anabion.core.json.TreeWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * Changes a type by one typed line, in the words of the library's rows:
 *
 * <pre>
 * heater 6.3 0.45          pin 5 a                 limit plateWatts 12 (0 takes it away)
 * mu 18    P mu 9.5        point 2 plate 250 grid -8.5 plateMilliamps 10.5 millisiemens 2.2
 * drop point 2             gain 60                 what output pentode      source my own tester
 * </pre>
 */
public final class TypeLine {
    private static final Set<String> OF_SECTION = Set.of("mu", "cutoff", "oscillator");
    private static final Set<String> OF_POINT = Set.of(
            "plate",
            "screen",
            "grid",
            "plateMilliamps",
            "screenMilliamps",
            "millisiemens",
            "leakOhms",
            "gridMilliamps");
    private static final Set<String> OF_SEMICONDUCTOR = Set.of(
            "gain",
            "atMilliamps",
            "leakMicroamps",
            "fullMilliamps",
            "pinchVolts",
            "transitionMegahertz",
            "feedbackPicofarads",
            "baseOhms");
    private static final Set<String> WORDS_OF_SEMICONDUCTOR = Set.of("material", "polarity");
    private static final Set<String> TEXTS = Set.of("what", "flag", "source", "base");

    private final Map<String, Object> row;
    private final List<String> words;

    private TypeLine(DeviceType type, String line) {
        this.row = TypeCodec.write(type);
        this.words = new ArrayList<>(Arrays.asList(line.strip().split("\\s+")));
    }

    /** A new type with the figures of a known one; its other numbers are left behind. */
    public static DeviceType like(String name, DeviceType pattern) {
        if (!name.matches("[0-9A-Za-z][0-9A-Za-z/-]{1,15}"))
            throw InputException.at("\"" + name + "\"")
                    .because("this is no type number")
                    .so("write it like 6AQ5, of letters and digits");
        Map<String, Object> row = TypeCodec.write(pattern);
        row.put("name", name.toUpperCase(Locale.ROOT));
        row.remove("also");
        return read(row);
    }

    /**
     * The type after the line.
     *
     * @throws InputException naming the word that cannot be carried out, or the figures that no tube can have
     */
    public static DeviceType edit(DeviceType type, String line) {
        TypeLine edit = new TypeLine(type, line);
        edit.carryOut();
        DeviceType changed = read(edit.row);
        Curves.check(changed);
        return changed;
    }

    private static DeviceType read(Map<String, Object> row) {
        byte[] json = TreeWriter.text(row).getBytes(StandardCharsets.UTF_8);
        try {
            return TypeCodec.read(Fields.of(TreeReader.read(new ByteArrayInputStream(json)), ""));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void carryOut() {
        String field = words.remove(0);
        if (TEXTS.contains(field)) row.put(field, String.join(" ", words));
        else if (field.equals("heater")) {
            row.put("heaterVolts", number("the heater's volts"));
            row.put("heaterAmperes", number("the heater's amperes"));
        } else if (field.equals("pin")) child("pins").put(word("the pin"), word("its function"));
        else if (field.equals("limit")) limit();
        else if (OF_SEMICONDUCTOR.contains(field) && row.containsKey("semiconductor"))
            child("semiconductor").put(field, number(field));
        else if (WORDS_OF_SEMICONDUCTOR.contains(field) && row.containsKey("semiconductor"))
            child("semiconductor").put(field, word(field));
        else section(field);
    }

    private void limit() {
        String name = word("the limit's name");
        double most = number(name);
        if (most == 0) child("limits").remove(name);
        else child("limits").put(name, most);
    }

    private void section(String first) {
        List<Map<String, Object>> all = sections();
        boolean named = all.stream().anyMatch(s -> s.get("section").equals(first) && !first.isEmpty());
        if (!named && all.size() > 1 && (OF_SECTION.contains(first) || first.equals("point") || first.equals("drop")))
            throw InputException.at(first)
                    .because("this tube has several systems")
                    .so("begin with " + String.join(" or ", names(all)));
        String field = named ? word("what to change") : first;
        Map<String, Object> section = named
                ? all.stream()
                        .filter(s -> s.get("section").equals(first))
                        .findFirst()
                        .orElseThrow()
                : all.isEmpty() ? Map.of() : all.get(0);
        if (section.isEmpty() || !(OF_SECTION.contains(field) || field.equals("point") || field.equals("drop")))
            throw InputException.at(field)
                    .because("no field of a type")
                    .so(
                            "type what, base, heater, pin, limit, mu, cutoff, point, drop point, flag, source or the name of a semiconductor's figure");
        if (field.equals("point")) point(points(section));
        else if (field.equals("drop")) drop(points(section));
        else section.put(field, field.equals("oscillator") ? word(field) : number(field));
    }

    private static List<String> names(List<Map<String, Object>> sections) {
        return sections.stream().map(s -> String.valueOf(s.get("section"))).toList();
    }

    private void point(List<Map<String, Object>> points) {
        int at = at(points.size() + 1);
        if (at == points.size()) points.add(new LinkedHashMap<>());
        while (!words.isEmpty()) {
            String name = word("a figure");
            if (!OF_POINT.contains(name))
                throw InputException.at(name)
                        .because("no figure of a point")
                        .so("type "
                                + String.join(", ", OF_POINT.stream().sorted().toList()));
            points.get(at).put(name, number(name));
        }
    }

    private void drop(List<Map<String, Object>> points) {
        if (!word("point").equals("point"))
            throw InputException.at("drop")
                    .because("only points can be dropped")
                    .so("type drop point 2");
        int at = at(points.size());
        if (points.size() == 1)
            throw InputException.at("point 1").because("the law rests on it").so("change its figures instead");
        points.remove(at);
    }

    private int at(int most) {
        double n = number("the point's number");
        if (n != Math.rint(n) || n < 1 || n > most)
            throw InputException.at("point").because("there is no such point").so("points count from 1 to " + most);
        return (int) n - 1;
    }

    @SuppressWarnings("unchecked")
    private Map<String, Object> child(String name) {
        Map<String, Object> copy = new LinkedHashMap<>((Map<String, Object>) row.getOrDefault(name, Map.of()));
        row.put(name, copy);
        return copy;
    }

    @SuppressWarnings("unchecked")
    private List<Map<String, Object>> sections() {
        return (List<Map<String, Object>>) row.getOrDefault("sections", List.of());
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> points(Map<String, Object> section) {
        List<Map<String, Object>> copy = new ArrayList<>((List<Map<String, Object>>) section.get("points"));
        section.put("points", copy);
        return copy;
    }

    private String word(String what) {
        if (words.isEmpty())
            throw InputException.at("").because(what + " is missing").so("type it behind");
        return words.remove(0);
    }

    private double number(String what) {
        String text = word(what).replace(',', '.');
        try {
            double value = Double.parseDouble(text);
            if (Double.isFinite(value)) return value;
        } catch (NumberFormatException e) {
            // said below
        }
        throw InputException.at("\"" + text + "\"")
                .because(what + " must be a number")
                .so("type it in digits");
    }
}
