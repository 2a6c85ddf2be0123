package anabion.core.command;

import anabion.core.error.InputException;
import java.util.OptionalInt;

/** The number of a row behind a word, such as {@code on 3}; without one the lit row is meant. */
final class RowNumber {
    private RowNumber() {}

    /**
     * @param line as typed, {@code rest} what stands behind its word
     * @return from 1; empty for the lit row
     * @throws InputException if something else stands there
     */
    static OptionalInt of(String line, String rest) {
        if (rest.isEmpty()) return OptionalInt.empty();
        String word = line.split("\\s+")[0];
        if (!rest.matches("\\d{1,4}"))
            throw InputException.at(line)
                    .because("\"" + rest + "\" is not the number of a row")
                    .so("type it like " + word + " 3, or " + word + " for the row that is lit");
        return OptionalInt.of(Integer.parseInt(rest));
    }
}
