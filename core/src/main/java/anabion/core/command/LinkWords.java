package anabion.core.command;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Contact;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;

/**
 * The words of a wiring line that join two nets inside one part: {@code V5.1>CHASSIS=240V,190R} is a winding with its volts and ohms,
 * {@code OSC>CHASSIS=165uH,slug} one whose core the dial moves,
 * {@code AL>AVC@MW,LW} a contact that is closed in two positions. Like ends of windings stand first.
 */
final class LinkWords {
    private final Chassis chassis;
    private final Map<String, String> nets = new LinkedHashMap<>();

    LinkWords(Chassis chassis) {
        this.chassis = chassis;
    }

    static boolean links(String word) {
        return word.indexOf('>') >= 0;
    }

    /** Terminal to net, as far as words have been read. */
    Map<String, String> nets() {
        return nets;
    }

    List<Winding> windings(List<String> words, List<Winding> before) {
        List<Winding> all = new ArrayList<>();
        String last = "";
        for (String word : words) {
            String[] halves = word.split("=", 2);
            String[] ends = ends(halves[0]);
            boolean tapped = !last.isEmpty() && nets.get(last).equals(net(ends[0]));
            String from = tapped ? last : terminal(ends[0]);
            String to = terminal(ends[1]);
            Winding old = all.size() < before.size() ? before.get(all.size()) : nameless(all.size());
            all.add(winding(word, halves.length > 1 ? halves[1] : "", old, from, to));
            last = to;
        }
        return all;
    }

    private static Winding nameless(int n) {
        String name = n == 0 ? "primary" : n == 1 ? "secondary" : "winding " + (n + 1);
        return new Winding(UUID.randomUUID(), name, "", "", 0, 0, 0, Extra.NONE);
    }

    private static Winding winding(String word, String values, Winding old, String from, String to) {
        double ohms = 0;
        double henries = 0;
        double volts = 0;
        boolean slug = false;
        for (String value : values.isEmpty() ? new String[0] : values.split(",")) {
            String upper = value.toUpperCase(Locale.ROOT);
            if (upper.equals("SLUG")) slug = true;
            else if (upper.endsWith("V")) volts = Notation.exact(value, Unit.VOLT);
            else if (upper.endsWith("H")) henries = Notation.exact(value, Unit.HENRY);
            else if (upper.matches("[\\d.]+(R|K|R\\d+|K\\d+)?")) ohms = Notation.exact(value, Unit.OHM);
            else
                throw InputException.at("\"" + word + "\"")
                        .because("\"" + value + "\" is neither ohms, volts, henries nor slug")
                        .so("write a winding like V5.1>CHASSIS=240V,190R,2H");
        }
        return new Winding(old.id(), old.name(), from, to, ohms, henries, volts, slug, old.extra());
    }

    List<Contact> contacts(List<String> words, List<String> positions) {
        List<Contact> all = new ArrayList<>();
        for (String word : words) {
            if (positions.isEmpty())
                throw InputException.at("\"" + word + "\"")
                        .because("the switch has no positions")
                        .so("name them first: S2 MW/LW A>B@MW");
            String[] halves = word.split("@", 2);
            String[] ends = ends(halves[0]);
            List<String> at = halves.length > 1 ? List.of(halves[1].split(",")) : List.of("on");
            for (String position : at)
                if (!positions.contains(position))
                    throw InputException.at("\"" + word + "\"")
                            .because("the switch has no position \"" + position + "\"")
                            .so("use one of " + String.join(", ", positions));
            all.add(new Contact(shared(ends[0]), shared(ends[1]), at, Extra.NONE));
        }
        return all;
    }

    private static String[] ends(String text) {
        String[] ends = text.split(">", -1);
        if (ends.length != 2 || ends[0].isEmpty() || ends[1].isEmpty())
            throw InputException.at("\"" + text + "\"")
                    .because("a winding or contact has two ends")
                    .so("write it like V4.5>B1");
        return ends;
    }

    private String net(String name) {
        return WiringLine.netOrName(name, chassis);
    }

    private String terminal(String name) {
        String terminal = String.valueOf(nets.size() + 1);
        nets.put(terminal, net(name));
        return terminal;
    }

    /** Contacts of one switch that meet at a net meet at one terminal. */
    private String shared(String name) {
        for (Map.Entry<String, String> e : nets.entrySet()) if (e.getValue().equals(net(name))) return e.getKey();
        return terminal(name);
    }

    /** The words that would be read again to give these windings. */
    static String of(Part part, List<Winding> windings) {
        StringBuilder text = new StringBuilder();
        for (Winding w : windings) {
            text.append(' ').append(end(part, w.from())).append('>').append(end(part, w.to()));
            List<String> values = new ArrayList<>();
            if (w.volts() > 0) values.add(plain(w.volts()) + "V");
            if (w.ohms() > 0) values.add(plain(w.ohms()) + "R");
            if (w.henries() > 0) values.add(plain(w.henries() * 1e6) + "uH");
            if (w.slug()) values.add("slug");
            if (!values.isEmpty()) text.append('=').append(String.join(",", values));
        }
        return text.toString();
    }

    /** A terminal without a net keeps its place: such a line is refused until it is filled in. */
    private static String end(Part part, String terminal) {
        return part.nets().getOrDefault(terminal, "?");
    }

    static String ofContacts(Part part, List<Contact> contacts) {
        StringBuilder text = new StringBuilder();
        for (Contact c : contacts)
            text.append(' ')
                    .append(end(part, c.from()))
                    .append('>')
                    .append(end(part, c.to()))
                    .append('@')
                    .append(String.join(",", c.at()));
        return text.toString();
    }

    private static String plain(double value) {
        return new java.math.BigDecimal(String.format(Locale.ROOT, "%.6g", value))
                .stripTrailingZeros()
                .toPlainString();
    }
}
