package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.job.StripDownEntry;
import anabion.core.job.StripDownEntry.Kind;
import anabion.core.job.StripDownEntry.Lead;
import anabion.core.job.StripDownEntry.State;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line of the strip-down sheet: what came off ({@code 6 screws M3x8 back, bag A}; {@code lead red rod 3 -> hole 14}; {@code map speaker plug 1 red, 2 black}), or what
 * became of a row ({@code on}, {@code off 3}, {@code broke}, {@code left over 2 washers}).
 */
public sealed interface StripDownLine {
    /** @param taken in their order; of no id and time yet */
    record Taken(List<Item> taken) implements StripDownLine {
        public Taken {
            taken = List.copyOf(taken);
        }
    }

    /**
     * A row is on again, off again, or broken.
     *
     * @param row from 1; empty for the one that is lit
     */
    record Put(State state, OptionalInt row) implements StripDownLine {}

    /** One thing of a line. */
    record Item(Kind kind, int count, String what, String place, Optional<Lead> lead, State state) {}

    /** Words with which a line begins, and what they are. */
    Map<String, Kind> NOUNS = Map.ofEntries(
            Map.entry("screw", Kind.FASTENER),
            Map.entry("nut", Kind.FASTENER),
            Map.entry("washer", Kind.FASTENER),
            Map.entry("bolt", Kind.FASTENER),
            Map.entry("rivet", Kind.FASTENER),
            Map.entry("circlip", Kind.FASTENER),
            Map.entry("spring", Kind.FASTENER),
            Map.entry("spacer", Kind.FASTENER),
            Map.entry("stud", Kind.FASTENER),
            Map.entry("knob", Kind.KNOB),
            Map.entry("board", Kind.BOARD),
            Map.entry("clip", Kind.CLIP),
            Map.entry("plug", Kind.PLUG),
            Map.entry("connector", Kind.PLUG),
            Map.entry("cord", Kind.CORD),
            Map.entry("cover", Kind.COVER),
            Map.entry("back", Kind.COVER),
            Map.entry("shield", Kind.COVER),
            Map.entry("item", Kind.ITEM));

    Pattern COUNTED = Pattern.compile("(\\d{1,3})\\s+(.+)");
    Pattern PIN = Pattern.compile("(\\S+)\\s+(\\S.*)");
    Pattern MAP = Pattern.compile("(.+?)\\s+(\\d+\\s+\\D.*)");
    Pattern ARROW = Pattern.compile("\\s*(?:->|→|\\bto\\b)\\s*");

    /**
     * @throws InputException naming what a line may begin with
     */
    static StripDownLine parse(String text) {
        String line = text.strip();
        String[] words = line.split("\\s+", 2);
        String rest = words.length > 1 ? words[1].strip() : "";
        return switch (words[0].toLowerCase(Locale.ROOT)) {
            case "on", "in" -> new Put(State.ON, RowNumber.of(line, rest));
            case "off", "out" -> new Put(State.OFF, RowNumber.of(line, rest));
            case "broke" -> new Put(State.BROKEN, RowNumber.of(line, rest));
            case "lead", "wire" -> new Taken(List.of(lead(line, rest)));
            case "map" -> map(line, rest);
            case "left" -> new Taken(List.of(leftOver(line, rest)));
            default -> new Taken(List.of(item(line, line, State.OFF)));
        };
    }

    private static Item leftOver(String line, String rest) {
        if (!rest.toLowerCase(Locale.ROOT).startsWith("over ")) throw unknown(line);
        return item(line, rest.substring(5).strip(), State.LEFT_OVER);
    }

    private static Item item(String line, String text, State state) {
        Matcher counted = COUNTED.matcher(text);
        int count = 1;
        String rest = text;
        if (counted.matches()) {
            count = Math.max(1, Integer.parseInt(counted.group(1)));
            rest = counted.group(2);
        }
        String[] words = rest.split("[\\s,]+", 2);
        Kind kind = noun(words[0]).orElse(state == State.LEFT_OVER ? Kind.ITEM : null);
        if (kind == null) throw unknown(line);
        int comma = rest.lastIndexOf(',');
        String what = comma < 0 ? rest : rest.substring(0, comma).strip();
        String place = comma < 0 ? "" : rest.substring(comma + 1).strip();
        return new Item(kind, count, kind == Kind.ITEM ? withoutFirst(what) : what, place, Optional.empty(), state);
    }

    private static String withoutFirst(String what) {
        return what.toLowerCase(Locale.ROOT).startsWith("item ")
                ? what.substring(5).strip()
                : what;
    }

    private static Optional<Kind> noun(String word) {
        String lower = word.toLowerCase(Locale.ROOT);
        Kind exact = NOUNS.get(lower);
        if (exact != null || !lower.endsWith("s")) return Optional.ofNullable(exact);
        return Optional.ofNullable(NOUNS.get(lower.substring(0, lower.length() - 1)));
    }

    private static Item lead(String line, String rest) {
        String[] ends = ARROW.split(rest, 2);
        String[] words = ends[0].strip().split("\\s+", 2);
        if (ends.length < 2 || words.length < 2 || ends[1].isBlank())
            throw InputException.at(line)
                    .because("a lead has a colour and two ends")
                    .so("type it like lead red rod 3 -> hole 14, with ? for an end that nobody knows");
        return new Item(Kind.LEAD, 1, "", "", Optional.of(new Lead(words[0], end(words[1]), end(ends[1]))), State.OFF);
    }

    private static String end(String text) {
        String plain = text.strip();
        return plain.equals("?") ? "" : plain;
    }

    private static StripDownLine map(String line, String rest) {
        Matcher m = MAP.matcher(rest);
        if (!m.matches()) throw noMap(line);
        List<Item> pins = new ArrayList<>();
        for (String word : m.group(2).split(",")) {
            Matcher pin = PIN.matcher(word.strip());
            if (!pin.matches()) throw noMap(line);
            String[] ends = ARROW.split(pin.group(2), 2);
            pins.add(new Item(
                    Kind.PIN,
                    1,
                    m.group(1),
                    pin.group(1),
                    Optional.of(new Lead(ends[0].strip(), "", ends.length > 1 ? end(ends[1]) : "")),
                    State.ON));
        }
        return new Taken(pins);
    }

    private static InputException noMap(String line) {
        return InputException.at(line)
                .because("a map has a name, and pins with their leads")
                .so("type it like map speaker plug 1 red, 2 black, 3 bare -> screen");
    }

    private static InputException unknown(String line) {
        return InputException.at(line)
                .because("this does not say what came off")
                .so("begin with screws, nut, washer, spring, knob, lead, board, clip, plug, cord, cover, map or item");
    }

    /** The line that would enter an item again. */
    static String text(StripDownEntry e) {
        String count = e.count() > 1 ? e.count() + " " : "";
        String place = e.place().isEmpty() ? "" : ", " + e.place();
        if (e.kind() == Kind.LEAD) {
            Lead l = e.lead().orElse(new Lead("", "", ""));
            return "lead " + l.colour() + " " + known(l.from()) + " -> " + known(l.to());
        }
        if (e.kind() == Kind.PIN) {
            Lead l = e.lead().orElse(new Lead("", "", ""));
            return "map " + e.what() + " " + e.place() + " " + l.colour() + (l.to().isEmpty() ? "" : " -> " + l.to());
        }
        String item = count + (e.kind() == Kind.ITEM ? "item " : "") + e.what() + place;
        return e.state() == State.LEFT_OVER ? "left over " + item : item;
    }

    private static String known(String end) {
        return end.isEmpty() ? "?" : end;
    }
}
