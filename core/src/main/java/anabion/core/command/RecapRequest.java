package anabion.core.command;

import java.util.List;
import java.util.Locale;

/** What a line typed in the recap of a set asks for. */
public sealed interface RecapRequest {
    /** Lights the row of a part. */
    record GoTo(String key) implements RecapRequest {}

    /** What can have burst a part. */
    record Burst(String reference) implements RecapRequest {}

    /** How the whole workshop renews parts. */
    record ShopSchool(String words) implements RecapRequest {}

    /** Forms an old electrolytic. */
    record Form(String key) implements RecapRequest {}

    /** A line of the set's log, for {@link RecapLine}. */
    record Log(String line) implements RecapRequest {}

    static RecapRequest parse(String line) {
        List<String> words = List.of(line.strip().split("\\s+"));
        String verb = words.get(0).toLowerCase(Locale.ROOT);
        if (words.size() == 1) return verb.equals("school") ? new Log(line) : new GoTo(words.get(0));
        return switch (verb) {
            case "burst" -> new Burst(words.get(1).toUpperCase(Locale.ROOT));
            case "shop-school" -> new ShopSchool(String.join(" ", words.subList(1, words.size())));
            case "form" -> new Form(words.get(1).toUpperCase(Locale.ROOT));
            default -> new Log(line);
        };
    }
}
