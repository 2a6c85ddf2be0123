package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.handback.ClosingItem;
import anabion.core.handback.SafetyLimits;
import anabion.core.job.ClosingEntry.Kind;
import anabion.core.json.Coded;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.time.Period;
import java.time.temporal.TemporalAmount;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line of the hand-back sheet: {@code insulation 120M}, {@code touch 0.16mA 0.12mA 0.18mA 0.1mA}, {@code earth 0.08}, {@code heard MW 5 two of them strong}, {@code checked fuse},
 * {@code sign soak because the owner wants it tomorrow}, {@code limit insulation 4M},
 * {@code handed back to the keeper, ask in 3 months}.
 */
public sealed interface ClosingLine {
    /** @param values in ohms or amperes */
    record Measured(Kind kind, List<Double> values) implements ClosingLine {
        public Measured {
            values = List.copyOf(values);
        }
    }

    /** @param stations how many; {@code text} what of them */
    record Heard(String band, double stations, String text) implements ClosingLine {}

    /** @param item empty for the lit one */
    record Checked(Optional<ClosingItem> item) implements ClosingLine {}

    /** @param item empty for the lit one */
    record Signed(Optional<ClosingItem> item, String reason) implements ClosingLine {}

    record Limit(String which, String value) implements ClosingLine {}

    /**
     * The set leaves the house.
     *
     * @param to whom; may be empty
     * @param ask when somebody should ask how it plays; empty for never
     */
    record HandedBack(String to, Optional<TemporalAmount> ask) implements ClosingLine {}

    Pattern HANDED = Pattern.compile(
            "back\\b\\s*(?:to\\s+)?(.*?),?\\s*(?:\\bask\\s+(?:(never)|(?:in|after)\\s+(.+)))?",
            Pattern.CASE_INSENSITIVE);
    /** When somebody asks how it plays, where nothing else is said. */
    TemporalAmount USUAL_ASKING = Period.ofMonths(3);

    Pattern SIGN = Pattern.compile("(.*?)\\s*\\bbecause\\s+(.+)", Pattern.CASE_INSENSITIVE);
    Pattern HEARD = Pattern.compile("(.+?)\\s+(\\d{1,3})(?:\\s+(.*))?");
    /** Ways in which a touch current is measured. */
    int WAYS = 4;

    /** @throws InputException naming what is not understood */
    static ClosingLine parse(String text) {
        String line = text.strip();
        String[] words = line.split("\\s+", 2);
        String rest = words.length > 1 ? words[1].strip() : "";
        return switch (words[0].toLowerCase(Locale.ROOT)) {
            case "insulation" -> new Measured(Kind.INSULATION, List.of(ohms(line, rest)));
            case "earth" -> new Measured(Kind.EARTH, List.of(ohms(line, rest)));
            case "touch" -> touch(line, rest);
            case "heard" -> heard(line, rest);
            case "checked", "done" -> new Checked(item(line, rest));
            case "sign" -> sign(line, rest);
            case "limit" -> limit(line, rest);
            case "handed" -> handed(line, rest);
            default ->
                throw InputException.at(line)
                        .because("this says nothing of handing back")
                        .so(
                                "type insulation 120M, touch 0.16mA 0.12mA 0.18mA 0.1mA, earth 0.08, heard MW 5, checked fuse, sign soak because …, or handed back");
        };
    }

    private static double ohms(String line, String rest) {
        if (rest.isEmpty())
            throw InputException.at(line).because("ohms belong here").so("type it like insulation 120M or earth 0.08");
        return SafetyLimits.ohms(rest.startsWith(">") ? rest.substring(1).strip() : rest);
    }

    private static ClosingLine touch(String line, String rest) {
        List<Double> all = new ArrayList<>();
        for (String word : rest.isEmpty() ? new String[0] : rest.split("[\\s,;]+")) {
            double amperes = Notation.exact(word.matches("[\\d.]+") ? word + "mA" : word, Unit.AMPERE);
            if (!(amperes >= 0))
                throw InputException.at(line)
                        .because("a current is not negative")
                        .so("check it");
            all.add(amperes);
        }
        if (all.isEmpty() || all.size() > WAYS)
            throw InputException.at(line)
                    .because("a touch current is measured in four ways: plug one way and the other, switch on and off")
                    .so("type all four: touch 0.16mA 0.12mA 0.18mA 0.1mA");
        return new Measured(Kind.TOUCH, all);
    }

    private static ClosingLine heard(String line, String rest) {
        Matcher m = HEARD.matcher(rest);
        if (!m.matches())
            throw InputException.at(line)
                    .because("a band belongs here, and how many stations")
                    .so("type it like heard MW 5, or heard Pick-up 1 clean");
        return new Heard(
                m.group(1),
                Double.parseDouble(m.group(2)),
                m.group(3) == null ? "" : m.group(3).strip());
    }

    private static Optional<ClosingItem> item(String line, String rest) {
        if (rest.isEmpty()) return Optional.empty();
        Optional<ClosingItem> item =
                Coded.find(ClosingItem.values(), rest.toLowerCase(Locale.ROOT).replace(' ', '-'));
        if (item.isEmpty())
            throw InputException.at(line)
                    .because("there is no such condition")
                    .so("light it with the arrow keys, or name it: fuse, tap, cord, back, soak, bands, insulation, …");
        return item;
    }

    private static ClosingLine sign(String line, String rest) {
        Matcher m = SIGN.matcher(rest);
        if (!m.matches())
            throw InputException.at(line)
                    .because("what goes out as it is has a reason")
                    .so("type it like sign soak because the owner wants it tomorrow");
        return new Signed(item(line, m.group(1)), m.group(2).strip());
    }

    private static ClosingLine handed(String line, String rest) {
        Matcher m = HANDED.matcher(rest);
        if (!m.matches())
            throw InputException.at(line)
                    .because("this does not say that the set leaves")
                    .so("type it like handed back to the keeper, ask in 3 months");
        if (m.group(2) != null) return new HandedBack(m.group(1), Optional.empty());
        if (m.group(3) == null) return new HandedBack(m.group(1), Optional.of(USUAL_ASKING));
        LengthOfTime when = LengthOfTime.parse(m.group(3), "handed back, ask in 3 months");
        return new HandedBack(m.group(1), Optional.of(when.amount()));
    }

    private static ClosingLine limit(String line, String rest) {
        String[] both = rest.split("\\s+");
        if (both.length != 2)
            throw InputException.at(line)
                    .because("a limit has a name and a value")
                    .so("type limit insulation 4M, limit touch 0.25mA or limit earth 0.2");
        return new Limit(both[0].toLowerCase(Locale.ROOT), both[1]);
    }
}
