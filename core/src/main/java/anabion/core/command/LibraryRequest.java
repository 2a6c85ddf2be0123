package anabion.core.command;

import java.util.List;

/** What a line typed in the library asks for. */
public sealed interface LibraryRequest {
    /** Keeps the type that the word found. */
    record Keep() implements LibraryRequest {}

    /** Takes the type's own changes back. */
    record Revert() implements LibraryRequest {}

    /** A type that works as another does. */
    record Add(String name, String pattern) implements LibraryRequest {}

    /** A change of the type that is lit, for {@link TypeLine}. */
    record Edit(String line) implements LibraryRequest {}

    static LibraryRequest parse(String line) {
        List<String> words = List.of(line.strip().split("\\s+"));
        if (words.size() == 1) return words.get(0).equalsIgnoreCase("revert") ? new Revert() : new Keep();
        if (words.size() == 3 && words.get(1).equalsIgnoreCase("like")) return new Add(words.get(0), words.get(2));
        return new Edit(line.strip());
    }
}
