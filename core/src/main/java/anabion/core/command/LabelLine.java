package anabion.core.command;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.error.InputException;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.UnaryOperator;

/**
 * A label given to several parts at once, as in {@code make KT: C14 C15}.
 *
 * @param label what stands before the colon; may be empty
 * @param parts the references after it, in upper case
 */
record LabelLine(String label, Set<String> parts) {
    static boolean looksLike(String word, String line) {
        String text = line.strip().toLowerCase(Locale.ROOT);
        return text.equals(word) || text.startsWith(word + " ") || text.startsWith(word + ":");
    }

    /**
     * @param word the first word of the line
     * @param kind what the label is, for the error
     * @param example a line that would be understood
     * @throws InputException if there is no colon, no part after it, or a part that the chassis has not
     */
    static LabelLine parse(String word, String line, Chassis chassis, String kind, String example) {
        String text = line.strip().substring(word.length());
        int colon = text.indexOf(':');
        String rest = text.substring(colon + 1).strip();
        if (colon < 0 || rest.isEmpty())
            throw InputException.at("\"" + line.strip() + "\"")
                    .because("a colon stands between " + kind + " and the parts that have it")
                    .so("write it like " + example);
        Set<String> named =
                new LinkedHashSet<>(List.of(rest.toUpperCase(Locale.ROOT).split("[\\s,]+")));
        for (String r : named)
            if (chassis.part(r).isEmpty())
                throw InputException.at(r)
                        .because("this chassis has no such part")
                        .so("check the reference");
        return new LabelLine(text.substring(0, colon).strip(), named);
    }

    /** The chassis, its named parts changed. */
    Chassis apply(Chassis chassis, UnaryOperator<Part> change) {
        return chassis.withParts(chassis.parts().stream()
                .map(p -> parts.contains(p.reference()) ? change.apply(p) : p)
                .toList());
    }
}
