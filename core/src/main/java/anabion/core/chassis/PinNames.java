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

    /** A section's letter, with a digit behind it or none, ends a function. */
    private static final String SECTIONS = "THPDR";

    private static final Set<String> INPUTS = Set.of("g1", "g3", "b", "gate");
    private static final Set<String> OUTPUTS = Set.of("a", "c", "drain");
    private static final Set<String> CATHODES = Set.of("k", "e", "source");

    private PinNames() {}

    /** The plain functions of a pin, sections taken off: {@code g2+g4H} gives g2 and g4. */
    public static List<String> plain(String function) {
        if (function.indexOf('+') < 0) return function.isEmpty() ? List.of() : List.of(one(function));
        List<String> names = new ArrayList<>();
        for (String f : function.split("\\+")) if (!f.isEmpty()) names.add(one(f));
        return names;
    }

    private static String one(String f) {
        return f.equals("f-") || f.equals("fm") ? "f" : f.substring(0, sectionStart(f));
    }

    /** Where the letter of a section stands; behind the end where there is none. */
    private static int sectionStart(String f) {
        int at = f.length() - 1;
        if (at > 0 && isDigit(f.charAt(at))) at--;
        boolean section = at > 0
                && SECTIONS.indexOf(f.charAt(at)) >= 0
                && (isDigit(f.charAt(at - 1)) || (f.charAt(at - 1) >= 'a' && f.charAt(at - 1) <= 'z'));
        return section ? at : f.length();
    }

    private static boolean isDigit(char c) {
        return c >= '0' && c <= '9';
    }

    /** The section a pin belongs to: {@code T}, {@code H}, {@code T2}; empty for the tube as a whole. */
    public static String section(String function) {
        return function.substring(sectionStart(function));
    }

    /** Whether a pin's function is the wanted one, looking into combined ones ({@code k+g3}). */
    public static boolean is(String function, String wanted) {
        return plain(function).contains(wanted);
    }

    /** A plate: of an amplifier or of a rectifier. */
    public static boolean isPlate(String function) {
        return plain(function).stream().anyMatch(f -> isNumbered(f, 'a'));
    }

    /** A diode's plate within a tube of several systems. */
    public static boolean isDiode(String function) {
        return plain(function).stream().anyMatch(f -> isNumbered(f, 'd'));
    }

    /** Where a signal goes in: a control grid, a base, a gate. */
    public static boolean isInput(String function) {
        return plain(function).stream().anyMatch(INPUTS::contains);
    }

    /** Where a signal comes out: a plate, a collector, a drain. */
    public static boolean isOutput(String function) {
        return isPlate(function) || plain(function).stream().anyMatch(OUTPUTS::contains);
    }

    /** A cathode, an emitter, a source. */
    public static boolean isCathode(String function) {
        return plain(function).stream().anyMatch(CATHODES::contains);
    }

    private static boolean isNumbered(String f, char letter) {
        return f.charAt(0) == letter && (f.length() == 1 || (f.length() == 2 && isDigit(f.charAt(1))));
    }

    /** Whether a pin is an end or a tap of a heater or filament. */
    public static boolean isHeater(String function) {
        return plain(function).stream().anyMatch(f -> f.equals("h") || f.equals("f") || f.equals("hm"));
    }

    /** Whether a pin is joined to nothing inside. */
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
