package anabion.core.command;

import anabion.core.error.InputException;
import anabion.core.json.Coded;
import anabion.core.tracing.School;
import java.util.List;
import java.util.Locale;

/** What a line typed in the trace of a signal asks for. */
public sealed interface TraceRequest {
    /** Chooses the next points another way. */
    record Choose(School school) implements TraceRequest {}

    record Take(TraceEntry entry) implements TraceRequest {}

    /**
     * Reads a line.
     *
     * @param display whether the band is the chain of a display
     * @throws InputException if a school is not known
     */
    static TraceRequest parse(String line, boolean display) {
        List<String> words = List.of(line.strip().toLowerCase(Locale.ROOT).split("\\s+"));
        if (!words.get(0).equals("school") || words.size() < 2) return new Take(TraceEntry.of(line, display));
        return new Choose(Coded.find(School.values(), words.get(1))
                .orElseThrow(() -> InputException.at("\"" + words.get(1) + "\"")
                        .because("there is no such way of choosing the next point")
                        .so("use one of " + Coded.codes(School.values()))));
    }
}
