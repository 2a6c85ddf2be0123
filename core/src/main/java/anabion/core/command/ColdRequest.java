package anabion.core.command;

import anabion.core.error.InputException;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** What a line typed among the cold checks asks for. */
public sealed interface ColdRequest {
    /** Lights a row. */
    record GoTo(String name) implements ColdRequest {}

    /**
     * The ohms of a row.
     *
     * @param name the row's net or part; empty for the one that is lit
     */
    record Read(Optional<String> name, OhmsLine ohms) implements ColdRequest {}

    /** The ohms between any two nets. */
    record Pair(OhmsLine ohms) implements ColdRequest {}

    /**
     * Two nets may be joined as rows are headed: {@code HG – CHASSIS 5}, {@code HG-CHASSIS 5}.
     *
     * @param isRow whether a row has this name
     * @throws InputException if what should be a resistance is none
     */
    static ColdRequest parse(String line, Predicate<String> isRow) {
        List<String> words = List.of(line.strip().split("\\s+"));
        boolean dashed = words.size() > 2 && words.get(1).matches("[-–]");
        String heading = dashed ? words.get(0) + "-" + words.get(2) : "";
        if (dashed && words.size() == 3 && (isRow.test(heading) || !isOhms(words.get(2)))) return new GoTo(heading);
        if (dashed && words.size() == 4) return new Read(Optional.of(heading), OhmsLine.parse(words.get(3)));
        if (words.size() > 2) return new Pair(OhmsLine.parse(line));
        if (words.size() == 2) return new Read(Optional.of(words.get(0)), OhmsLine.parse(words.get(1)));
        if (isRow.test(words.get(0))) return new GoTo(words.get(0));
        return new Read(Optional.empty(), OhmsLine.parse(line));
    }

    /** Whether a row's heading is spelled so. */
    static boolean isHeading(String heading, String name) {
        return joined(heading).equalsIgnoreCase(joined(name));
    }

    private static boolean isOhms(String word) {
        try {
            OhmsLine.parse(word);
            return true;
        } catch (InputException e) {
            return false;
        }
    }

    private static String joined(String nets) {
        return nets.strip().replaceAll("\\s*[-–]\\s*", "-");
    }
}
