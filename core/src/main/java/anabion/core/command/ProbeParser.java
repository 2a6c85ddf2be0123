package anabion.core.command;

import anabion.core.chassis.MeterSpec;
import anabion.core.error.InputException;
import anabion.core.job.AlterationKind;
import anabion.core.job.Compared;
import anabion.core.job.LooseKind;
import anabion.core.job.Outcome;
import anabion.core.job.Trial;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads one line of the probe line. */
public final class ProbeParser {
    private static final Pattern READING = Pattern.compile(
            "(?:(?<point>[A-Za-z][\\w+.-]*)\\s+)?(?<sign>[-+−]?)(?<number>\\d[\\d.,]*|[.,]\\d+)\\s*(?<unit>[kKm]?[Vv])?(?<ac>~)?(?<range>[a-g]|\\s*@\\s*[\\d.]+)?(?<doubt>\\?)?");
    private static final Map<String, AlterationKind> ALTERATIONS = Map.of(
            "lift",
            AlterationKind.LIFTED,
            "refit",
            AlterationKind.REFITTED,
            "remove",
            AlterationKind.REMOVED,
            "renew",
            AlterationKind.RENEWED,
            "standin",
            AlterationKind.STAND_IN);
    private static final Pattern DECIBELS = Pattern.compile("(.+?)\\s+([-+−]?\\d+(?:[.,]\\d+)?)\\s*[dD][bB]");
    private static final Pattern STEPS = Pattern.compile("(.+?)\\s+[sS](\\d)\\s+[sS](\\d)");

    private ProbeParser() {}

    /**
     * Says what a line means.
     *
     * @param readings whether the sheet in hand takes readings; elsewhere unknown lines are for the sheet
     * @throws InputException if it means nothing
     */
    public static Entry parse(String text, boolean readings) {
        String line = text.strip();
        if (line.isEmpty())
            throw InputException.at("").because("the line is empty").so("type a reading, such as V4.1 3.1");
        String[] words = line.split("\\s+", 2);
        String rest = words.length > 1 ? words[1].strip() : "";
        Optional<Entry> command = command(words[0].toLowerCase(Locale.ROOT), rest);
        if (command.isPresent()) return command.get();
        if (!readings) return new Entry.ForSheet(line);
        Matcher reading = READING.matcher(line);
        if (reading.matches()) return reading(reading);
        if (words.length == 1) return new Entry.GoTo(line);
        throw InputException.in(line, line.length() - rest.length())
                .because("\"" + rest + "\" is not a reading")
                .so("type volts, such as " + words[0] + " 182, -0.8, 240~ or 3.1?");
    }

    private static Optional<Entry> command(String word, String rest) {
        if (ALTERATIONS.containsKey(word)) return Optional.of(alteration(ALTERATIONS.get(word), rest));
        Optional<Entry> note = NoteLine.parse(word, rest);
        if (note.isPresent()) return note;
        return Optional.ofNullable(
                switch (word) {
                    case "line" -> new Entry.Line(volts(rest));
                    case "meter" -> new Entry.Meter(MeterSpec.parse(rest));
                    case "band" -> new Entry.BandChoice(rest);
                    case "signal" -> new Entry.Signal(rest);
                    case "connect" -> InstrumentLine.connect(rest);
                    case "disconnect" -> InstrumentLine.disconnect(rest);
                    case "turn" -> InstrumentLine.turn(rest);
                    case "stream" -> InstrumentLine.stream(rest);
                    case "tester" -> InstrumentLine.tester(rest);
                    case "look" -> InstrumentLine.look(rest);
                    case "listen" -> InstrumentLine.listen(rest);
                    case "pause" -> InstrumentLine.pause(rest);
                    case "should" -> should(rest);
                    case "waits" -> new Entry.WaitsFor(rest);
                    case "borrowed" -> loose(LooseKind.BORROWED, rest);
                    case "wanted" -> loose(LooseKind.WANTED, rest);
                    case "accident" -> loose(LooseKind.ACCIDENT, rest);
                    case "settled" -> new Entry.Settle(named(rest));
                    case "timer" -> timer(rest);
                    case "across" -> tried(Trial.How.ACROSS, rest);
                    case "reference" -> against(rest);
                    case "swapped" -> tried(Trial.How.SWAPPED, rest);
                    case "tapped" -> tried(Trial.How.TAPPED, rest);
                    case "turned" -> turned(rest);
                    default -> null;
                });
    }

    private static Entry loose(LooseKind kind, String rest) {
        String[] words = named(rest).split("\\s+", 2);
        return new Entry.Loose(kind, words[0], words.length > 1 ? words[1].strip() : "");
    }

    private static String named(String rest) {
        if (rest.isEmpty())
            throw InputException.at("")
                    .because("a part, or what it is, belongs here")
                    .so("type it like borrowed V4 from the Moor, or settled V4");
        return rest;
    }

    private static Entry should(String rest) {
        List<String> words = List.of(rest.split("\\s+"));
        if (words.get(0).isEmpty())
            throw InputException.at("")
                    .because("a pin or net belongs here")
                    .so("type it like should V3.7, should B2 Pick-up or should V4.1 C14:leaky:1M");
        return new Entry.Should(words.get(0), words.subList(1, words.size()));
    }

    private static double volts(String text) {
        double volts = Notation.exact(text, Unit.VOLT);
        if (volts <= 0 || volts > 1000)
            throw InputException.at("line " + text)
                    .because("a line voltage lies between 0 and 1000 V")
                    .so("type the volts, such as line 231");
        return volts;
    }

    private static Entry alteration(AlterationKind kind, String rest) {
        String[] words = rest.split("\\s+", 2);
        if (words[0].isEmpty())
            throw InputException.at("")
                    .because("a part's reference belongs here")
                    .so("type it like lift R14");
        return new Entry.Alter(kind, words[0].toUpperCase(Locale.ROOT), words.length > 1 ? words[1].strip() : "");
    }

    private static Entry tried(Trial.How how, String rest) {
        String[] words = rest.split("\\s+");
        String said = words[words.length - 1].toLowerCase(Locale.ROOT);
        String yes = how == Trial.How.TAPPED ? "changes" : "better";
        if (words.length != 2 || !(said.equals(yes) || said.equals("same")))
            throw InputException.at((how.code() + " " + rest).strip())
                    .because(
                            how == Trial.How.TAPPED
                                    ? "a part belongs here, and whether anything changes"
                                    : "a part belongs here, and whether the set plays better or the same")
                    .so("type it like " + how.code() + " C7 " + yes + ", or " + how.code() + " C7 same");
        return new Entry.Tried(how, words[0].toUpperCase(Locale.ROOT), said.equals(yes));
    }

    private static Entry turned(String rest) {
        String[] words = rest.split("\\s+");
        Optional<Outcome> heard = TraceEntry.of(words[words.length - 1], false).outcome();
        boolean up = words.length == 3 && words[1].equalsIgnoreCase("up");
        if (words.length != 3 || heard.isEmpty() || !(up || words[1].equalsIgnoreCase("down")))
            throw InputException.at(("turned " + rest).strip())
                    .because("a control belongs here, whether it was turned up or down, and what is heard then")
                    .so("type it like turned RV1 down hum: loud, weak, nothing, distorted, hum or crackle");
        return new Entry.Turned(words[0].toUpperCase(Locale.ROOT), up, heard.get());
    }

    private static Entry against(String rest) {
        Matcher decibels = DECIBELS.matcher(rest);
        if (decibels.matches())
            return new Entry.Against(
                    decibels.group(1),
                    Double.parseDouble(decibels.group(2).replace('−', '-').replace(',', '.')));
        Matcher steps = STEPS.matcher(rest);
        if (steps.matches())
            return new Entry.Against(
                    steps.group(1),
                    Compared.STEP * (Double.parseDouble(steps.group(2)) - Double.parseDouble(steps.group(3))));
        throw InputException.at(("reference " + rest).strip())
                .because("a band belongs here, and how far this set is above or below the reference receiver")
                .so("type it like reference MW -18dB, or reference MW S4 S7: this set, then the reference");
    }

    private static Entry timer(String rest) {
        LengthOfTime length = LengthOfTime.parse(rest, "timer 2h soak");
        return new Entry.StartTimer(length.amount(), length.rest().isEmpty() ? "timer" : length.rest());
    }

    private static Entry reading(Matcher m) {
        String unit = m.group("unit") == null ? "" : m.group("unit");
        double value = Notation.exact(m.group("number") + unit, Unit.VOLT);
        boolean negative = m.group("sign").equals("-") || m.group("sign").equals("−");
        if (negative && m.group("ac") != null)
            throw InputException.at(m.group())
                    .because("alternating volts have no sign")
                    .so("leave the minus out, or the ~ for direct volts");
        return new Entry.Volts(
                Optional.ofNullable(m.group("point")),
                negative ? -value : value,
                m.group("ac") != null,
                m.group("doubt") != null,
                range(m.group("range")));
    }

    private static OptionalDouble range(String mark) {
        if (mark == null) return OptionalDouble.empty();
        String text = mark.strip();
        List<Double> ranges = MeterSpec.ranges();
        return OptionalDouble.of(
                text.startsWith("@")
                        ? Notation.exact(text.substring(1).strip(), Unit.VOLT)
                        : ranges.get(text.charAt(0) - 'a'));
    }
}
