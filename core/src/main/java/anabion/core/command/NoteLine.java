package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.job.Note;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Lines for the history of a set, typed on any sheet: {@code note …}, {@code decided to keep the wax because it looks right}, {@code cost 12.50 two tubes},
 * {@code worked 1.5h}, {@code cause C14 leaked}, {@code stays the crack because it holds}, {@code modified diodes for V5 undo put the 6X4 back}, {@code fragile lift it by
 * the base}; {@code ordered dial cord from the Attic 4.50 due 2026-12-10}, {@code arrived dial cord};
 * {@code came back because it hums again}.
 */
final class NoteLine {
    private static final Map<String, Note.Kind> WORDS = Map.of(
            "note", Note.Kind.REMARK,
            "decided", Note.Kind.DECISION,
            "cost", Note.Kind.COST,
            "worked", Note.Kind.HOURS,
            "cause", Note.Kind.CAUSE,
            "stays", Note.Kind.STAYS,
            "modified", Note.Kind.MODIFICATION,
            "fragile", Note.Kind.FRAGILE,
            "model", Note.Kind.MODEL);
    private static final Pattern BECAUSE = Pattern.compile("(.+?),?\\s+because\\s+(.+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern UNDO = Pattern.compile("(.+?),?\\s+undo:?\\s+(.+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern AMOUNT = Pattern.compile("(\\d{1,6}(?:[.,]\\d{1,2})?)\\s*(h|hours?|min)?\\b\\s*(.*)");
    private static final Pattern DUE = Pattern.compile("(.*?)\\s*\\bdue\\s+(\\S+)", Pattern.CASE_INSENSITIVE);
    private static final Pattern PRICE = Pattern.compile("(.*?)\\s+(\\d{1,6}(?:[.,]\\d{1,2})?)");
    private static final Pattern FROM = Pattern.compile("(.+?)\\s+from\\s+(.+)", Pattern.CASE_INSENSITIVE);

    private NoteLine() {}

    /** @return empty where the line begins with none of these words */
    static Optional<Entry> parse(String word, String rest) {
        Note.Kind kind = WORDS.get(word);
        if (kind != null) return Optional.of(note(kind, word, rest));
        return switch (word) {
            case "ordered" -> Optional.of(order(rest));
            case "came" -> rest.matches("(?i)back\\b.*") ? Optional.of(back(rest)) : Optional.empty();
            case "arrived" -> Optional.of(new Entry.Arrived(said("arrived", rest, "arrived dial cord")));
            default -> Optional.empty();
        };
    }

    private static Entry back(String rest) {
        String why = rest.substring("back".length()).strip().replaceFirst("(?i)^because\\s+", "");
        return new Entry.CameBack(said("came back", why, "came back because it hums again"));
    }

    private static String said(String word, String rest, String example) {
        if (rest.isEmpty())
            throw InputException.at(word).because("nothing is said behind it").so("type it like " + example);
        return rest;
    }

    private static Entry note(Note.Kind kind, String word, String rest) {
        String text = said(word, rest, example(kind));
        if (kind == Note.Kind.COST || kind == Note.Kind.HOURS) {
            Matcher m = AMOUNT.matcher(text);
            boolean unit = m.matches() && m.group(2) != null;
            if (!m.matches() || (kind == Note.Kind.COST && unit))
                throw InputException.at(word + " " + rest)
                        .because(kind == Note.Kind.COST ? "a cost is an amount of money" : "work takes hours")
                        .so("type it like " + example(kind));
            double amount = Double.parseDouble(m.group(1).replace(',', '.'));
            if (unit && m.group(2).toLowerCase(Locale.ROOT).startsWith("m")) amount /= 60;
            return new Entry.Noted(kind, m.group(3).strip(), "", amount);
        }
        Matcher reason = (kind == Note.Kind.MODIFICATION ? UNDO : BECAUSE).matcher(text);
        if (kind == Note.Kind.STAYS && !reason.matches())
            throw InputException.at(word + " " + rest)
                    .because("what is left as it is has a reason")
                    .so("type it like " + example(kind));
        return reason.matches()
                ? new Entry.Noted(kind, reason.group(1).strip(), reason.group(2).strip(), 0)
                : new Entry.Noted(kind, text, "", 0);
    }

    private static String example(Note.Kind kind) {
        return switch (kind) {
            case REMARK -> "note smells of smoke from the fireplace";
            case DECISION -> "decided to keep the wax because it looks right";
            case COST -> "cost 12.50 two tubes";
            case HOURS -> "worked 1.5h on the cabinet";
            case CAUSE -> "cause C14 leaked and ran V4 hot";
            case STAYS -> "stays the crack in the back because it holds";
            case MODIFICATION -> "modified diodes in place of V5 undo put the 6X4 back";
            case MODEL -> "model the AVC capacitor always leaks";
            case FRAGILE -> "fragile lift it by the base, not by the dial";
        };
    }

    private static Entry order(String rest) {
        String text = said("ordered", rest, "ordered dial cord from the Attic 4.50 due 2026-12-10");
        Optional<LocalDate> due = Optional.empty();
        Matcher d = DUE.matcher(text);
        if (d.matches()) {
            try {
                due = Optional.of(LocalDate.parse(d.group(2)));
            } catch (DateTimeException e) {
                throw InputException.at("due " + d.group(2))
                        .because("this is no day")
                        .so("type it as year, month and day: due 2026-12-10");
            }
            text = d.group(1).strip();
        }
        double price = 0;
        Matcher p = PRICE.matcher(text);
        if (p.matches()) {
            price = Double.parseDouble(p.group(2).replace(',', '.'));
            text = p.group(1).strip();
        }
        Matcher f = FROM.matcher(text);
        return f.matches()
                ? new Entry.Ordered(f.group(1).strip(), f.group(2).strip(), price, due)
                : new Entry.Ordered(text, "", price, due);
    }
}
