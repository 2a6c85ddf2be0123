package anabion.core.command;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * The mark of a parts' maker as one quick line: {@code make KT: C14 C15 C18}. It is whatever tells a make from others: letters, colour, shape. An empty mark
 * ({@code make : C14}) takes it back.
 */
public final class MakeLine {
    private static final String WORD = "make";

    private MakeLine() {}

    public static boolean looksLike(String line) {
        String text = line.strip().toLowerCase(Locale.ROOT);
        return text.equals(WORD) || text.startsWith(WORD + " ");
    }

    /** @throws InputException if there is no colon, no part after it, or a part that the chassis has not */
    public static Chassis parse(String line, Chassis chassis) {
        String text = line.strip().substring(WORD.length());
        int colon = text.indexOf(':');
        String rest = text.substring(colon + 1).strip();
        if (colon < 0 || rest.isEmpty())
            throw InputException.at("\"" + line.strip() + "\"")
                    .because("a mark and the parts that carry it are told apart by a colon")
                    .so("write it like make KT: C14 C15");
        String mark = text.substring(0, colon).strip();
        Set<String> marked =
                new LinkedHashSet<>(List.of(rest.toUpperCase(Locale.ROOT).split("[\\s,]+")));
        for (String r : marked)
            if (chassis.part(r).isEmpty())
                throw InputException.at(r)
                        .because("this chassis has no such part")
                        .so("check the reference");
        List<Part> parts = new ArrayList<>();
        for (Part p : chassis.parts()) parts.add(marked.contains(p.reference()) ? p.withMake(mark) : p);
        return chassis.withParts(parts);
    }
}
