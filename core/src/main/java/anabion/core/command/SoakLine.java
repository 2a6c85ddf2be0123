package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.job.SoakEntry.Event;
import anabion.core.job.SoakEntry.Value;
import anabion.core.soak.Insulation;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * A line of the soak sheet: {@code start}, {@code off}, {@code 231 248 58W T1 62C ambient 22}, {@code rail 248}, {@code crackle}, {@code hours 8 it came after two},
 * {@code class B}, {@code back}.
 */
public sealed interface SoakLine {
    record Start() implements SoakLine {}

    record Off() implements SoakLine {}

    /** Sends the job back, with what happened as evidence. */
    record Back() implements SoakLine {}

    /** @param why may be empty */
    record Hours(double hours, String why) implements SoakLine {}

    record OfClass(Insulation insulation) implements SoakLine {}

    /** @param text what was done when it came; may be empty */
    record Happened(Event event, String text) implements SoakLine {}

    /**
     * Readings.
     *
     * @param part the one whose temperature it is; empty where nobody said
     */
    record Read(Map<Value, Double> values, String part) implements SoakLine {
        public Read {
            values = Map.copyOf(values);
        }
    }

    /** Of a day and a half. */
    double MOST_HOURS = 36;

    Pattern NUMBER = Pattern.compile("([-+−]?\\d+(?:[.,]\\d+)?)\\s*(V|W|C|°C)?", Pattern.CASE_INSENSITIVE);

    /** @throws InputException naming the word that says nothing */
    static SoakLine parse(String text) {
        String line = text.strip();
        String[] words = line.split("\\s+");
        String rest = line.substring(words[0].length()).strip();
        Optional<SoakLine> order =
                switch (words[0].toLowerCase(Locale.ROOT)) {
                    case "start" -> Optional.of(new Start());
                    case "off", "stop" -> Optional.of(new Off());
                    case "back" -> Optional.of(new Back());
                    case "hours" -> Optional.of(hours(line, rest));
                    case "class" -> Optional.of(ofClass(line, rest));
                    default -> Optional.empty();
                };
        if (order.isPresent()) return order.get();
        Optional<Event> event = Arrays.stream(Event.values())
                .filter(e -> e.code().equalsIgnoreCase(words[0])
                        || String.valueOf(e.key()).equalsIgnoreCase(words[0]))
                .findFirst();
        return event.<SoakLine>map(e -> new Happened(e, rest)).orElseGet(() -> read(line, words));
    }

    private static SoakLine ofClass(String line, String rest) {
        return Arrays.stream(Insulation.values())
                .filter(i -> i.code().equalsIgnoreCase(rest))
                .findFirst()
                .map(OfClass::new)
                .orElseThrow(() -> InputException.at(line)
                        .because("there is no such class of insulation")
                        .so("type class A for paper and enamel, or Y, E, B"));
    }

    private static SoakLine hours(String line, String rest) {
        Matcher m = Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*(?:h\\b)?\\s*(.*)").matcher(rest);
        double hours = m.matches() ? Double.parseDouble(m.group(1).replace(',', '.')) : 0;
        if (hours <= 0 || hours > MOST_HOURS)
            throw InputException.at(line)
                    .because("a soak lasts hours, at most a day and a half")
                    .so("type it like hours 8 it came after two");
        return new Hours(hours, m.group(2).strip());
    }

    private static Read read(String line, String[] words) {
        Map<Value, Double> values = new EnumMap<>(Value.class);
        String part = "";
        Optional<Value> named = Optional.empty();
        for (String word : words) {
            Matcher m = NUMBER.matcher(word);
            if (!m.matches()) {
                Optional<Value> name = name(word);
                if (named.isPresent()) throw missing(line, named.get());
                if (name.isEmpty() && !word.matches("[A-Za-z]{1,3}\\d{1,4}[A-Za-z]?"))
                    throw InputException.at(line)
                            .because("\"" + word + "\" says nothing here")
                            .so("type it like 231 248 58W T1 62C ambient 22, or an event: " + events());
                if (name.isEmpty()) part = word.toUpperCase(Locale.ROOT);
                named = name.or(() -> Optional.of(Value.HOTTEST));
                continue;
            }
            double number = Double.parseDouble(m.group(1).replace(',', '.').replace('−', '-'));
            Value v = named.orElseGet(() -> unit(m.group(2), values));
            if (values.put(v, number) != null)
                throw InputException.at(line)
                        .because("it gives " + v.code() + " twice")
                        .so("type line and rail, then watts with W, degrees with C, ambient 22, avc -3");
            named = Optional.empty();
        }
        if (named.isPresent()) throw missing(line, named.get());
        if (words.length == 1 && values.containsKey(Value.LINE)) values.put(Value.RAIL, values.remove(Value.LINE));
        return new Read(values, part);
    }

    private static InputException missing(String line, Value v) {
        return InputException.at(line)
                .because("a number belongs behind " + v.code())
                .so("type it like " + v.code() + " 22");
    }

    private static Optional<Value> name(String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        if (lower.equals("room")) return Optional.of(Value.AMBIENT);
        if (lower.equals("hot")) return Optional.of(Value.HOTTEST);
        return Arrays.stream(Value.values())
                .filter(v -> v != Value.HOURS && v.code().equals(lower))
                .findFirst();
    }

    /** By its unit; what has none is line, rail, watts, AVC in that order, and one number alone the rail. */
    private static Value unit(String unit, Map<Value, Double> before) {
        String u = unit == null ? "" : unit.toUpperCase(Locale.ROOT);
        if (u.equals("W")) return Value.WATTS;
        if (u.endsWith("C")) return Value.HOTTEST;
        for (Value v : List.of(Value.LINE, Value.RAIL, Value.WATTS, Value.AVC)) if (!before.containsKey(v)) return v;
        return Value.AMBIENT;
    }

    private static String events() {
        return Arrays.stream(Event.values()).map(Event::code).collect(Collectors.joining(", "));
    }
}
