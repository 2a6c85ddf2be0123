package anabion.core.command;

import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Component.Device;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.Point;
import anabion.core.chassis.Points;
import anabion.core.chassis.Provenance;
import anabion.core.chassis.RoleWords;
import anabion.core.chassis.Winding;
import anabion.core.device.DeviceLibrary;
import anabion.core.device.DeviceType;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.core.quantity.Decoded;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * One part as one quick line: {@code R12 220k V3.a B2}, {@code C14 .01/400 V3.7 V4.1 coupling}, {@code V4 6AQ5}. The kind
 * comes from the reference's letters; the words behind the nets are the role. Terminals may be named: {@code S2 MW/LW 1=A 2=B 3=C}. Windings and
 * contacts are written as in {@link LinkWords}.
 */
public final class WiringLine {
    private static final Pattern REFERENCE = Pattern.compile("([A-Za-z]{1,3})(\\d+[A-Za-z]?)");

    /** A capacitor from this on, in farads, is an electrolytic unless something else is said. */
    /** Farads below which capacitors tune, and pass a detector's carrier by. */
    private static final double LARGEST_TUNING = 2e-8;

    private static final double ELECTROLYTIC = 1e-6;

    private WiringLine() {}

    /** Whether a text begins like a wiring line: a reference and at least one more word. */
    public static boolean looksLike(String text) {
        String[] words = text.strip().split("\\s+", 2);
        return words.length == 2 && REFERENCE.matcher(words[0]).matches();
    }

    /**
     * Reads a line for a chassis. A part of the same reference keeps its id, role, make and note.
     *
     * @throws InputException naming the word that cannot be read
     */
    public static Part parse(String text, Chassis chassis) {
        return parse(text, chassis, DeviceLibrary.standard());
    }

    /** @param library where the pins of tubes and transistors are looked up */
    public static Part parse(String text, Chassis chassis, DeviceLibrary library) {
        List<String> words = new ArrayList<>(List.of(text.strip().split("\\s+")));
        Matcher ref = REFERENCE.matcher(words.get(0));
        if (!ref.matches()) {
            throw InputException.at("\"" + words.get(0) + "\"")
                    .because("a part begins with its reference")
                    .so("write it like R12 220k V3.7 B2");
        }
        String reference = words.remove(0).toUpperCase(Locale.ROOT);
        String letters = ref.group(1).toUpperCase(Locale.ROOT);
        if (words.isEmpty())
            throw InputException.at(reference)
                    .because("the value or type is missing")
                    .so("write it like R12 220k V3.7 B2");
        Optional<Part> before = chassis.part(reference);
        return letters.equals("V") || letters.equals("Q") || letters.equals("D")
                ? device(reference, letters, words, chassis, before, library)
                : passive(reference, letters, words, chassis, before);
    }

    private static Part device(
            String reference,
            String letters,
            List<String> words,
            Chassis chassis,
            Optional<Part> before,
            DeviceLibrary library) {
        String type = words.remove(0).toUpperCase(Locale.ROOT);
        Optional<DeviceType> own = library.own(type).or(() -> before.flatMap(Part::device)
                .filter(d -> d.type().equals(type))
                .flatMap(Device::own));
        Optional<DeviceType> known = own.or(() -> library.find(type));
        Map<String, String> functions = new LinkedHashMap<>();
        Map<String, String> nets = new LinkedHashMap<>();
        known.ifPresent(t -> t.functions().forEach((pin, f) -> {
            functions.put(pin, f);
            if (!f.equals("nc")) nets.put(pin, reference + "." + pin);
        }));
        before.ifPresent(p -> nets.putAll(carried(p, type, functions)));
        named(words, chassis).forEach((name, net) -> {
            String pin = known.isEmpty() || functions.containsKey(name)
                    ? name
                    : known.get().pinOf(name).orElse(name);
            nets.put(pin, net);
            if (!pin.matches("\\d+"))
                functions.putIfAbsent(pin, pin); // an electrode by name, where no library knows the pins
        });
        DeviceKind kind =
                letters.equals("V") ? DeviceKind.TUBE : letters.equals("Q") ? DeviceKind.TRANSISTOR : DeviceKind.DIODE;
        String base = known.map(t -> t.base().code()).orElse("");
        return finish(reference, new Device(kind, type, base, functions, own), nets, words, type, before);
    }

    /** The nets that a device of another type takes over: by electrode, whatever the pins' numbers. */
    private static Map<String, String> carried(Part before, String type, Map<String, String> functions) {
        Device old = before.device().orElse(null);
        if (old == null
                || old.type().equals(type)
                || functions.isEmpty()
                || old.functions().isEmpty()) return before.nets();
        Map<String, String> nets = new LinkedHashMap<>();
        Map<String, Deque<String>> byElectrode = new LinkedHashMap<>();
        old.functions().forEach((pin, f) -> {
            for (String electrode : PinNames.plain(f))
                if (before.nets().containsKey(pin))
                    byElectrode
                            .computeIfAbsent(electrode, e -> new ArrayDeque<>())
                            .add(before.nets().get(pin));
        });
        functions.forEach((pin, f) -> {
            for (String electrode : PinNames.plain(f)) {
                Deque<String> left = byElectrode.getOrDefault(electrode, new ArrayDeque<>());
                if (nets.containsKey(pin) || left.isEmpty()) continue;
                // the last one serves all further pins of the electrode
                nets.put(pin, left.size() > 1 ? left.poll() : left.peek());
            }
        });
        return nets;
    }

    private static Part passive(
            String reference, String letters, List<String> words, Chassis chassis, Optional<Part> before) {
        if (words.stream().anyMatch(LinkWords::links)) return linked(reference, letters, words, chassis, before);
        StringBuilder value = new StringBuilder(words.remove(0));
        while (!words.isEmpty() && continuesValue(words.get(0), letters))
            value.append(' ').append(words.remove(0));
        String printed = value.toString();
        Component component = kept(component(letters, printed), before.map(Part::component));
        int terminals = terminals(component);
        Map<String, String> nets = named(words, chassis);
        boolean byName = !nets.isEmpty();
        for (int i = 1; !byName && i <= terminals && !words.isEmpty(); i++)
            nets.put(String.valueOf(i), net(words.remove(0), chassis));
        if (nets.isEmpty()) before.ifPresent(p -> nets.putAll(p.nets()));
        return finish(reference, byRole(component, printed, words), nets, words, printed, before);
    }

    /** A bare number that can be two capacitors is the small one where the part's role asks for picofarads: a trimmer of 250 is not 250 µF. */
    private static Component byRole(Component component, String printed, List<String> role) {
        if (!(component instanceof Capacitor c) || c.farads().size() > 1) return component;
        boolean small = RoleWords.suggest(c, String.join(" ", role), printed)
                .filter(r -> r.role().isOfPicofarads())
                .isPresent();
        if (!small || c.farads().get(0) < LARGEST_TUNING) return component;
        return Notation.decode(printed, Unit.FARAD).alternatives().stream()
                .map(a -> a.quantity().value())
                .filter(v -> v < LARGEST_TUNING)
                .findFirst()
                .<Component>map(v -> new Capacitor(List.of(v), c.volts(), Optional.empty()))
                .orElse(component);
    }

    /** A part whose windings or contacts are written out. */
    private static Part linked(
            String reference, String letters, List<String> words, Chassis chassis, Optional<Part> before) {
        int first = 0;
        while (!LinkWords.links(words.get(first))) first++;
        String printed = String.join(" ", words.subList(0, first));
        List<String> links = words.stream().filter(LinkWords::links).toList();
        List<String> role = new ArrayList<>(words.subList(first, words.size()));
        role.removeAll(links);
        LinkWords reader = new LinkWords(chassis);
        Component component;
        if (letters.startsWith("S")) {
            List<String> positions = printed.isEmpty() ? List.of() : List.of(printed.split("/"));
            component = new Component.Switch(positions, reader.contacts(links, positions));
        } else
            component = new Component.Windings(reader.windings(
                    links,
                    before.map(Part::component)
                            .filter(Component.Windings.class::isInstance)
                            .map(c -> ((Component.Windings) c).windings())
                            .orElse(List.of())));
        return finish(reference, component, reader.nets(), role, printed, before);
    }

    /** Takes the words that name their terminal: {@code 3=B1}. */
    private static Map<String, String> named(List<String> words, Chassis chassis) {
        Map<String, String> nets = new LinkedHashMap<>();
        for (String word : List.copyOf(words)) {
            if (!word.contains("=")) continue;
            String[] pair = word.split("=", 2);
            if (pair[0].isEmpty() || pair[1].isEmpty())
                throw InputException.at("\"" + word + "\"")
                        .because("a terminal and its net belong to both sides of =")
                        .so("write it like 3=B1");
            nets.put(pair[0], netOrName(pair[1], chassis));
            words.remove(word);
        }
        return nets;
    }

    /** {@code 1/2W}, {@code 10%}, {@code mfd} and {@code 400V} still belong to the value before the nets. */
    private static boolean continuesValue(String word, String letters) {
        if (letters.equals("L") && word.matches("(?i)[mu]?H")) return true;
        return word.matches("(?i)(±?\\d+%|\\d+(/\\d+)?W|\\d+V|mfd|mmf|mmfd|mf|uf|pf|nf|uuf|cm|ohms?|[kM]?Ω)");
    }

    private static int terminals(Component component) {
        if (component instanceof Capacitor c && c.farads().size() > 1)
            return c.farads().size() + 1;
        return component instanceof Component.Potentiometer ? 3 : 2;
    }

    private static Component component(String letters, String value) {
        return switch (letters) {
            case "R" -> resistor(Notation.decode(value, Unit.OHM));
            case "P", "VR", "RV" ->
                new Component.Potentiometer(Notation.decode(value, Unit.OHM).value(), "");
            case "C" -> capacitor(Notation.decode(value, Unit.FARAD));
            case "L" ->
                new Component.Windings(List.of(new Winding(
                        UUID.randomUUID(),
                        "",
                        "1",
                        "2",
                        0,
                        Notation.decode(value, Unit.HENRY).value(),
                        0,
                        Extra.NONE)));
            case "F" -> new Component.Fuse(Notation.decode(value, Unit.AMPERE).value());
            case "LS" -> new Component.Speaker(Notation.decode(value, Unit.OHM).value());
            case "LP" -> lamp(value);
            case "B", "BT" -> battery(value);
            case "S", "SW" -> new Component.Switch(List.of(value.split("/")), List.of());
            default -> new Component.Other(value);
        };
    }

    /** {@code 90V}, or with its internal resistance {@code 12.6V/.03R}. */
    private static Component battery(String value) {
        String[] both = value.split("/", 2);
        double ohms = both.length > 1 ? Notation.exact(both[1], Unit.OHM) : 0;
        return new Component.Battery(Notation.decode(both[0], Unit.VOLT).value(), ohms);
    }

    /** {@code 6.3V} or {@code 6.3V/.3A}. */
    private static Component lamp(String value) {
        String[] both = value.split("/", 2);
        double amperes = both.length > 1 ? Notation.exact(both[1], Unit.AMPERE) : 0;
        return new Component.Lamp(Notation.decode(both[0], Unit.VOLT).value(), amperes);
    }

    /** What the line does not say, such as a winding's ohms or a capacitor's kind, stays as it was. */
    private static Component kept(Component now, Optional<Component> before) {
        if (now instanceof Component.Windings w && before.orElse(now) instanceof Component.Windings old)
            return new Component.Windings(kept(w.windings().get(0), old.windings()));
        if (now instanceof Component.Potentiometer p && before.orElse(now) instanceof Component.Potentiometer old)
            return new Component.Potentiometer(p.ohms(), old.taper());
        if (now instanceof Capacitor c
                && before.orElse(now) instanceof Capacitor old
                && old.dielectric().isPresent())
            return new Capacitor(c.farads(), c.volts(), old.dielectric(), c.ratings());
        if (now instanceof Component.Switch w && before.orElse(now) instanceof Component.Switch old)
            return new Component.Switch(w.positions(), old.contacts());
        if (now instanceof Component.Battery b && before.orElse(now) instanceof Component.Battery old)
            return new Component.Battery(b.volts(), b.ohms() > 0 ? b.ohms() : old.ohms());
        if (now instanceof Component.Lamp l && before.orElse(now) instanceof Component.Lamp old)
            return new Component.Lamp(l.volts(), l.amperes() > 0 ? l.amperes() : old.amperes());
        return now;
    }

    /** The inductance typed is that of the first winding. */
    private static List<Winding> kept(Winding typed, List<Winding> old) {
        List<Winding> all = new ArrayList<>(old);
        Winding w = old.get(0);
        all.set(
                0,
                new Winding(
                        w.id(), w.name(), w.from(), w.to(), w.ohms(), typed.henries(), w.volts(), w.slug(), w.extra()));
        return all;
    }

    private static Component resistor(Decoded d) {
        return new Component.Resistor(
                d.value(),
                d.tolerance().orElse(0.2),
                d.rating().map(r -> r.value()).orElse(0.0));
    }

    private static Component capacitor(Decoded d) {
        return new Capacitor(
                d.sections(),
                d.rating().map(r -> r.value()).orElse(0.0),
                d.value() >= ELECTROLYTIC ? Optional.of(Dielectric.ELECTROLYTIC) : Optional.empty(),
                d.ratings());
    }

    /** The net of a pin or net that is there, else the name itself: its device may be entered later. */
    static String netOrName(String word, Chassis chassis) {
        return Points.of(chassis).find(word).map(Point::net).orElse(word);
    }

    /** The net behind a name: a pin or function of a known device, a known net, or a new name. */
    private static String net(String word, Chassis chassis) {
        Optional<Point> point = Points.of(chassis).find(word);
        if (point.isPresent()) return point.get().net();
        if (word.indexOf('.') > 0) Points.of(chassis).need(word);
        return word;
    }

    private static Part finish(
            String reference,
            Component component,
            Map<String, String> nets,
            List<String> rest,
            String printed,
            Optional<Part> before) {
        String role = rest.isEmpty() ? before.map(Part::roleText).orElse("") : String.join(" ", rest);
        return new Part(
                before.map(Part::id).orElseGet(UUID::randomUUID),
                reference,
                component,
                nets,
                role,
                assigned(component, role, printed, before),
                printed,
                before.map(Part::make).orElse(""),
                before.map(Part::provenance)
                        .filter(p -> p != Provenance.INFERRED) // typed anew, it is no guess any more
                        .orElse(Provenance.SHEET),
                before.map(Part::note).orElse(""),
                before.map(Part::extra).orElse(Extra.NONE));
    }

    /** The role someone picked stays as long as the part can do it; else the words suggest one. */
    private static Optional<AssignedRole> assigned(
            Component component, String words, String printed, Optional<Part> before) {
        return before.flatMap(Part::assigned)
                .filter(r -> r.basis() == AssignedRole.Basis.PICKED && r.role().fits(component))
                .or(() -> RoleWords.suggest(component, words, printed));
    }

    /** The line that {@link #parse} would read to give this part; for editing it in place. */
    public static String of(Part part) {
        StringBuilder line = new StringBuilder(part.reference()).append(' ').append(part.printed());
        if (part.device().isPresent())
            part.nets().forEach((pin, net) -> {
                if (!net.equals(part.reference() + "." + pin))
                    line.append(' ').append(pin).append('=').append(net);
            });
        else if (part.component() instanceof Component.Windings w
                && w.windings().size() > 1) line.append(LinkWords.of(part, w.windings()));
        else if (part.component() instanceof Component.Switch s && !s.contacts().isEmpty())
            line.append(LinkWords.ofContacts(part, s.contacts()));
        else if (inOrder(part))
            part.nets().values().forEach(net -> line.append(' ').append(net));
        else part.nets().forEach((pin, net) -> line.append(' ').append(pin + "=" + net));
        return part.roleText().isEmpty()
                ? line.toString()
                : line.append(' ').append(part.roleText()).toString();
    }

    /** Whether its terminals are those that the nets of a line fill one by one. */
    private static boolean inOrder(Part part) {
        int n = 0;
        for (String terminal : part.nets().keySet()) if (!terminal.equals(String.valueOf(++n))) return false;
        return n <= terminals(part.component());
    }
}
