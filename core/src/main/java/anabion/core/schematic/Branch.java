package anabion.core.schematic;

import anabion.core.chassis.Component;
import anabion.core.chassis.Contact;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.device.Section;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A piece of a part between two nets: a resistor, one section of a can, one winding, one contact, one plate of a rectifier.
 *
 * @param detail what tells it from the part's other pieces; empty for a part of one piece
 * @param third the net of a wiper; empty for none
 */
record Branch(Part part, Symbol.Kind kind, String detail, String from, String to, String third) {
    private Branch(Part part, Symbol.Kind kind, String detail, String from, String to) {
        this(part, kind, detail, from, to, "");
    }

    /** The pieces of a part; of amplifying devices only the diodes. */
    static List<Branch> of(Part p) {
        Component c = p.component();
        List<Branch> found = new ArrayList<>();
        if (c instanceof Component.Capacitor k) capacitor(p, k, found);
        else if (c instanceof Component.Windings w) {
            for (Winding x : w.windings()) add(found, p, Symbol.Kind.COIL, x.name(), x.from(), x.to());
        } else if (c instanceof Component.Switch s && !s.contacts().isEmpty()) {
            for (Contact x : s.contacts())
                add(found, p, Symbol.Kind.SWITCH, String.join(" ", x.at()), x.from(), x.to());
        } else if (c instanceof Component.Potentiometer)
            found.add(new Branch(p, Symbol.Kind.POTENTIOMETER, "", net(p, "1"), net(p, "2"), net(p, "3")));
        else if (c instanceof Component.Device) diodes(p, found);
        else simple(c).ifPresent(kind -> add(found, p, kind, "", "1", "2"));
        return found.stream()
                .filter(b -> !b.from().isEmpty() && !b.to().isEmpty())
                .toList();
    }

    private static void capacitor(Part p, Component.Capacitor k, List<Branch> found) {
        int sections = k.farads().size();
        Symbol.Kind kind = k.is(Dielectric.ELECTROLYTIC) ? Symbol.Kind.ELECTROLYTIC : Symbol.Kind.CAPACITOR;
        for (int n = 1; n <= sections; n++)
            add(found, p, kind, sections > 1 ? String.valueOf(n) : "", String.valueOf(n), String.valueOf(sections + 1));
    }

    private static Optional<Symbol.Kind> simple(Component c) {
        if (c instanceof Component.Resistor) return Optional.of(Symbol.Kind.RESISTOR);
        if (c instanceof Component.Lamp) return Optional.of(Symbol.Kind.LAMP);
        if (c instanceof Component.Switch) return Optional.of(Symbol.Kind.SWITCH);
        if (c instanceof Component.Fuse) return Optional.of(Symbol.Kind.FUSE);
        if (c instanceof Component.Speaker) return Optional.of(Symbol.Kind.SPEAKER);
        if (c instanceof Component.Battery) return Optional.of(Symbol.Kind.BATTERY);
        return Optional.of(Symbol.Kind.OTHER);
    }

    /** Diodes and rectifier plates: each from its plate to the cathode of its own section. */
    private static void diodes(Part p, List<Branch> found) {
        Component.Device d = p.device().orElseThrow();
        List<String> sections = d.known()
                .map(t -> t.sections().stream()
                        .filter(s -> !s.kind().amplifies() && s.kind() != Section.Kind.BARRETTER)
                        .map(Section::name)
                        .toList())
                .filter(names -> !names.isEmpty())
                .orElse(d.deviceKind() == DeviceKind.DIODE ? List.of("") : List.of());
        for (String section : sections)
            for (Map.Entry<String, String> f : d.functions().entrySet())
                if (plate(f.getValue(), section))
                    add(
                            found,
                            p,
                            Symbol.Kind.DIODE,
                            detail(f.getValue()),
                            f.getKey(),
                            Sockets.cathodePin(p, section).orElse(""));
    }

    /** {@code a}, {@code a1} and {@code a2} of a rectifier, {@code dD1} of a diode with its own name. */
    private static boolean plate(String function, String section) {
        return section.isEmpty()
                ? function.matches("[ad]\\d?")
                : function.equals("d" + section) || function.equals("a" + section) || function.equals(section);
    }

    private static String detail(String function) {
        return function.length() > 1 ? function : "";
    }

    private static void add(List<Branch> found, Part p, Symbol.Kind kind, String detail, String from, String to) {
        found.add(new Branch(p, kind, detail, net(p, from), net(p, to)));
    }

    private static String net(Part p, String terminal) {
        return p.nets().getOrDefault(terminal, "");
    }

    boolean on(String net) {
        return from.equals(net) || to.equals(net);
    }

    String other(String net) {
        return from.equals(net) ? to : from;
    }

    /** What stands beside it: the value, or what tells it from the others of its part. */
    String value() {
        if (detail.isEmpty()) return part.printed();
        return kind == Symbol.Kind.CAPACITOR || kind == Symbol.Kind.ELECTROLYTIC ? section() : detail;
    }

    /** The value of one section as printed: {@code 32} of {@code 16+32/350}. */
    private String section() {
        String[] all = part.printed().split("/")[0].split("\\+");
        int n = Integer.parseInt(detail);
        return n <= all.length ? all[n - 1].strip() : part.printed();
    }
}
