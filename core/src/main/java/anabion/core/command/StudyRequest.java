package anabion.core.command;

import java.util.List;
import java.util.Locale;

/** What a line typed in the study of a circuit asks for. */
public sealed interface StudyRequest {
    /** Takes a part, a chart row, a stage, a band or an adjuster out. */
    record Drop(String name) implements StudyRequest {}

    /** Names the stages by what the circuit shows. */
    record NameStages() implements StudyRequest {}

    /** A maker's mark for {@link MakeLine}. */
    record Make(String line) implements StudyRequest {}

    /** A role for {@link RoleLine}. */
    record Role(String line) implements StudyRequest {}

    /** Gives a part another reference. */
    record Rename(String from, String to) implements StudyRequest {}

    /**
     * A row of the list in hand.
     *
     * @param name its first word
     */
    record Row(String name, String line) implements StudyRequest {}

    static StudyRequest parse(String line) {
        List<String> words = List.of(line.strip().split("\\s+"));
        String verb = words.get(0).toLowerCase(Locale.ROOT);
        if (verb.equals("drop") && words.size() > 1)
            return new Drop(line.strip().substring(verb.length()).strip());
        if (verb.equals("stages") && words.size() == 1) return new NameStages();
        if (MakeLine.looksLike(line)) return new Make(line);
        if (RoleLine.looksLike(line)) return new Role(line);
        if (verb.equals("rename") && words.size() == 3)
            return new Rename(
                    words.get(1).toUpperCase(Locale.ROOT), words.get(2).toUpperCase(Locale.ROOT));
        return new Row(words.get(0), line);
    }
}
