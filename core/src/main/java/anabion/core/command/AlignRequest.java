package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.job.AlignmentEntry.Kind;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line typed while a band is aligned: {@code 1.2 2.0}, {@code peak}, {@code no effect}, {@code turned 1/2 out 1.2 2.0}, {@code 600 reads 580},
 * {@code leave as good as it gets}, with the letter of an adjuster before it for another line.
 */
public sealed interface AlignRequest {
    /**
     * The indicator, or how an adjuster went.
     *
     * @param adjuster letter of the line that is meant; empty for the lit one
     * @param before volts; 0 where one reading was typed
     * @param after volts; 0 where none was
     * @param turns positive inwards; 0 where nobody said
     */
    record Take(Optional<String> adjuster, Kind kind, double before, double after, double turns)
            implements AlignRequest {}

    /**
     * A station, and what the dial shows there.
     *
     * @param station its frequency, as typed; {@code dial} likewise: in hertz, or bare in the unit of the dial
     */
    record Station(double station, double dial) implements AlignRequest {}

    /** The band is left as it is, for a reason. */
    record Leave(String reason) implements AlignRequest {}

    Pattern STATION = Pattern.compile("(\\S+)\\s+reads\\s+(\\S+)", Pattern.CASE_INSENSITIVE);
    Pattern TURNED = Pattern.compile(
            "turned\\s+(?:(\\d+)\\s+)?(?:(\\d+)/(\\d+)\\s+)?(in|out|right|left)\\b\\s*(.*)", Pattern.CASE_INSENSITIVE);
    Map<String, Kind> WORDS = words();

    private static Map<String, Kind> words() {
        Map<String, Kind> all = new LinkedHashMap<>();
        all.put("no peak", Kind.NO_PEAK);
        all.put("no effect", Kind.NO_EFFECT);
        all.put("broken core", Kind.BROKEN_CORE);
        all.put("broken", Kind.BROKEN_CORE);
        all.put("worse", Kind.WORSE);
        all.put("peak", Kind.PEAK);
        all.put("end", Kind.END);
        all.put("p", Kind.PEAK);
        all.put("n", Kind.NO_PEAK);
        all.put("w", Kind.WORSE);
        all.put("e", Kind.END);
        return all;
    }

    /** @throws InputException if it is none of these */
    static AlignRequest parse(String line) {
        String text = line.strip();
        Matcher station = STATION.matcher(text);
        if (station.matches())
            return new Station(
                    Notation.exact(station.group(1), Unit.HERTZ), Notation.exact(station.group(2), Unit.HERTZ));
        String lower = text.toLowerCase(Locale.ROOT);
        if (lower.equals("leave") || lower.startsWith("leave ")) {
            String reason = text.substring(5).strip();
            if (reason.isEmpty())
                throw InputException.at(line)
                        .because("a band is left alone for a reason")
                        .so("type it, like: leave FM is as good as the reference set");
            return new Leave(reason);
        }
        Optional<Take> own = take(Optional.empty(), text);
        if (own.isPresent()) return own.get();
        String[] words = text.split("\\s+", 2);
        return Optional.of(words)
                .filter(w -> w.length == 2 && w[0].matches("[A-Za-z]\\w{0,3}|\\d{1,2}"))
                .flatMap(w -> take(Optional.of(w[0].toUpperCase(Locale.ROOT)), w[1]))
                .orElseThrow(
                        () -> InputException.at("\"" + line + "\"")
                                .because("this says neither a reading nor how an adjuster went")
                                .so(
                                        "type 1.2 2.0 (before, after), peak, no peak, no effect, worse, end, broken core, or 600 reads 580"));
    }

    private static Optional<Take> take(Optional<String> letter, String text) {
        String lower = text.toLowerCase(Locale.ROOT);
        Matcher turned = TURNED.matcher(text);
        if (turned.matches()) {
            double size = turned.group(1) == null ? 0 : Double.parseDouble(turned.group(1));
            if (turned.group(2) != null) {
                double below = Double.parseDouble(turned.group(3));
                if (below == 0) return Optional.empty();
                size += Double.parseDouble(turned.group(2)) / below;
            }
            if (size == 0) return Optional.empty();
            boolean in =
                    turned.group(4).equalsIgnoreCase("in") || turned.group(4).equalsIgnoreCase("right");
            String rest = turned.group(5).strip();
            Optional<Take> read = rest.isEmpty() ? Optional.empty() : take(letter, rest);
            if (!rest.isEmpty() && read.isEmpty()) return Optional.empty();
            double turns = in ? size : -size;
            return Optional.of(new Take(
                    letter,
                    read.map(Take::kind).orElse(Kind.READ),
                    read.map(Take::before).orElse(0.0),
                    read.map(Take::after).orElse(0.0),
                    turns));
        }
        for (Map.Entry<String, Kind> w : WORDS.entrySet()) {
            if (lower.equals(w.getKey())) return Optional.of(new Take(letter, w.getValue(), 0, 0, 0));
            if (lower.startsWith(w.getKey() + " ")) {
                Optional<Take> read =
                        volts(letter, text.substring(w.getKey().length()).strip());
                return read.map(r -> new Take(letter, w.getValue(), r.before(), r.after(), 0));
            }
        }
        return volts(letter, text);
    }

    /** One reading, or two with a blank or an arrow between. */
    private static Optional<Take> volts(Optional<String> letter, String text) {
        String[] both = text.split("\\s*(?:→|->|>)\\s*|\\s+");
        if (both.length == 0 || both.length > 2) return Optional.empty();
        double[] volts = new double[both.length];
        for (int k = 0; k < both.length; k++) {
            try {
                volts[k] = Notation.exact(both[k], Unit.VOLT);
            } catch (InputException e) {
                return Optional.empty(); // not a reading: perhaps the letter of an adjuster
            }
            if (!(Math.abs(volts[k]) > 0)) return Optional.empty();
        }
        return Optional.of(new Take(
                letter, Kind.READ, both.length == 2 ? Math.abs(volts[0]) : 0, Math.abs(volts[both.length - 1]), 0));
    }
}
