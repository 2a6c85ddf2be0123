package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.quantity.Notation;
import java.util.List;

/**
 * Ohms as one quick line: {@code 33k}, {@code open}, {@code 33k?} where in doubt, with one net before it, or two ({@code V4.1 CHASSIS 470k}).
 *
 * @param nets none, one or two
 * @param ohms {@link Notation#OPEN} where the meter says open
 */
public record OhmsLine(List<String> nets, double ohms, boolean doubtful) {
    public OhmsLine {
        nets = List.copyOf(nets);
    }

    /** @throws InputException if there are more words, or the last is no resistance */
    public static OhmsLine parse(String line) {
        List<String> words = List.of(line.strip().split("\\s+"));
        if (words.size() > 3)
            throw InputException.at("\"" + line.strip() + "\"")
                    .because("a resistance lies between two nets")
                    .so("write it like V4.1 CHASSIS 470k");
        String value = words.get(words.size() - 1);
        boolean doubtful = value.endsWith("?");
        return new OhmsLine(
                words.subList(0, words.size() - 1),
                Notation.metered(doubtful ? value.substring(0, value.length() - 1) : value),
                doubtful);
    }
}
