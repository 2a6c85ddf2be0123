package anabion.core.chassis;

import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Pin functions taken apart: {@code k+g3} is a cathode joined to g3; {@code g1H} and {@code aT2} name a section behind. */
public final class PinNames {
    /** The functions that have a word of their own, beside numbered plates and diodes. */
    private static final Set<String> WITH_WORDS = Set.of(
            "a", "g1", "g2", "g3", "g4", "g5", "k", "h", "hm", "f", "d", "t", "s", "e", "b", "c", "gate", "drain",
            "source", "nc");

    private PinNames() {}

    /** The plain functions of a pin, sections taken off: {@code g2+g4H} gives g2 and g4. */
    public static List<String> plain(String function) {
        List<String> names = new ArrayList<>();
        for (String f : function.split("\\+")) {
            if (f.equals("f-") || f.equals("fm")) names.add("f");
            else if (!f.isEmpty()) names.add(f.replaceFirst("(?<=[a-z0-9])[THPDR]\\d?$", ""));
        }
        return names;
    }

    /** The section a pin belongs to: {@code T}, {@code H}, {@code T2}; empty for the tube as a whole. */
    public static String section(String function) {
        java.util.regex.Matcher m =
                java.util.regex.Pattern.compile("(?<=[a-z0-9])([THPDR]\\d?)$").matcher(function);
        return m.find() ? m.group(1) : "";
    }

    public static boolean is(String function, String wanted) {
        return plain(function).contains(wanted);
    }

    /** A plate: of an amplifier or of a rectifier. */
    public static boolean isPlate(String function) {
        return plain(function).stream().anyMatch(f -> f.matches("a\\d?"));
    }

    public static boolean isHeater(String function) {
        return plain(function).stream().anyMatch(f -> f.equals("h") || f.equals("f") || f.equals("hm"));
    }

    public static boolean isUnused(String function) {
        return function.equals("nc");
    }

    /** The pin of the same section with another function. */
    public static Optional<Point> sibling(Points points, Part device, Point pin, String wanted) {
        String section = section(pin.function());
        return points.pinsOf(device).stream()
                .filter(p -> is(p.function(), wanted))
                .filter(p -> section.isEmpty()
                        || section(p.function()).isEmpty()
                        || section(p.function()).equals(section))
                .findFirst();
    }

    /** Key of the word for a function: {@code pin.g1}; unknown functions have the key {@code pin.other}. */
    public static String key(String function) {
        List<String> plain = plain(function);
        if (plain.isEmpty()) return "pin.other";
        String first = plain.get(0).toLowerCase(Locale.ROOT);
        if (first.matches("a\\d")) return "pin.a";
        if (first.matches("d\\d")) return "pin.d";
        return WITH_WORDS.contains(first) ? "pin." + first : "pin.other";
    }

    /** Key of the word for a function of a device. */
    public static String key(Part device, String function) {
        return key(device.device().flatMap(Component.Device::known), function);
    }

    /** Key of the word for a function of a type: in a converter whose first grid oscillates, the third takes the signal. */
    public static String key(Optional<DeviceType> type, String function) {
        List<String> plain = plain(function);
        String first = plain.isEmpty() ? "" : plain.get(0);
        if (!first.equals("g1") && !first.equals("g3")) return key(function);
        boolean pentagrid = type.filter(t -> t.sections().stream()
                        .anyMatch(s -> s.kind() == Section.Kind.HEPTODE
                                && s.oscillator().equals("g1")))
                .isPresent();
        if (!pentagrid) return key(function);
        return first.equals("g1") ? "pin.g1.oscillator" : "pin.g3.signal";
    }
}
