package anabion.core.command;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Spot;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/**
 * A quick line for an adjuster: {@code LETTER PART [top|bottom|side] WHAT [@ PLACE]}, such as {@code A1 L4 top secondary core @ second IF can}. Where
 * WHAT begins with the name of a winding, its core is meant.
 */
public final class AdjusterLine {
    private static final Set<String> SIDES = Set.of("top", "bottom", "side");

    private AdjusterLine() {}

    /**
     * The chassis with the adjuster added, or changed where its letter is there already.
     *
     * @throws InputException if the line is too short or names a part that the chassis lacks
     */
    public static Chassis put(String line, Chassis chassis) {
        int at = line.indexOf('@');
        String place = at < 0 ? "" : line.substring(at + 1).strip();
        List<String> words = new ArrayList<>(
                List.of((at < 0 ? line : line.substring(0, at)).strip().split("\\s+")));
        if (words.size() < 2)
            throw InputException.at("\"" + line + "\"")
                    .because("an adjuster has a letter and a part")
                    .so("type it like A1 L4 top secondary core @ second IF can");
        String letter = words.remove(0).toUpperCase(Locale.ROOT);
        String part = words.remove(0).toUpperCase(Locale.ROOT);
        if (chassis.part(part).isEmpty())
            throw InputException.at(part)
                    .because("there is no such part")
                    .so("enter the part first, or mend its reference");
        String side = !words.isEmpty() && SIDES.contains(words.get(0).toLowerCase(Locale.ROOT))
                ? words.remove(0).toLowerCase(Locale.ROOT)
                : "";
        Optional<Adjuster> before = chassis.adjusters().stream()
                .filter(a -> a.letter().equals(letter))
                .findFirst();
        Adjuster adjuster = new Adjuster(
                before.map(Adjuster::id).orElseGet(UUID::randomUUID),
                letter,
                part,
                Adjuster.named(chassis.part(part).orElseThrow(), String.join(" ", words)),
                String.join(" ", words),
                side,
                place,
                before.flatMap(Adjuster::spot),
                before.map(Adjuster::extra).orElse(Extra.NONE));
        List<Adjuster> all = new ArrayList<>(chassis.adjusters());
        if (before.isPresent()) all.set(all.indexOf(before.get()), adjuster);
        else all.add(adjuster);
        return chassis.withAdjusters(all);
    }

    /**
     * Shows where an adjuster sits.
     *
     * @throws InputException if the set has none of that letter
     */
    public static Chassis place(String letter, Spot spot, Chassis chassis) {
        List<Adjuster> all = new ArrayList<>(chassis.adjusters());
        for (int n = 0; n < all.size(); n++)
            if (all.get(n).letter().equalsIgnoreCase(letter)) {
                all.set(n, all.get(n).at(spot));
                return chassis.withAdjusters(all);
            }
        throw InputException.at(letter)
                .because("the set has no such adjuster")
                .so("name one that is entered on the Study sheet");
    }

    /** The adjuster as the line that would enter it. */
    public static String text(Adjuster a) {
        StringBuilder text = new StringBuilder(a.letter()).append(' ').append(a.part());
        if (!a.side().isEmpty()) text.append(' ').append(a.side());
        if (!a.what().isEmpty()) text.append(' ').append(a.what());
        if (!a.place().isEmpty()) text.append(" @ ").append(a.place());
        return text.toString();
    }
}
