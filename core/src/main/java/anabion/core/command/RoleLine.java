package anabion.core.command;

import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * The role of parts as one quick line: {@code role IF transformer: L3 L4}. Without a role ({@code role: L3}) the one that is shown is confirmed;
 * {@code role none: L3} takes it back, and words and circuit tell again.
 */
public final class RoleLine {
    private static final String WORD = "role";
    private static final String NONE = "none";

    private RoleLine() {}

    public static boolean looksLike(String line) {
        String text = line.strip().toLowerCase(Locale.ROOT);
        return text.equals(WORD) || text.startsWith(WORD + " ") || text.startsWith(WORD + ":");
    }

    /** @throws InputException if there is no colon, no part behind it, a part that the chassis has not, or a role that the part cannot have */
    public static Chassis parse(String line, Chassis chassis) {
        String text = line.strip().substring(WORD.length());
        int colon = text.indexOf(':');
        String rest = text.substring(colon + 1).strip();
        if (colon < 0 || rest.isEmpty())
            throw InputException.at("\"" + line.strip() + "\"")
                    .because("a role and the parts that have it are told apart by a colon")
                    .so("write it like role IF transformer: L3 L4");
        String role = text.substring(0, colon).strip();
        Set<String> named =
                new LinkedHashSet<>(List.of(rest.toUpperCase(Locale.ROOT).split("[\\s,]+")));
        for (String r : named)
            if (chassis.part(r).isEmpty())
                throw InputException.at(r)
                        .because("this chassis has no such part")
                        .so("check the reference");
        List<Part> parts = new ArrayList<>();
        for (Part p : chassis.parts()) parts.add(named.contains(p.reference()) ? p.withAssigned(assigned(role, p)) : p);
        return chassis.withParts(parts);
    }

    private static Optional<AssignedRole> assigned(String name, Part p) {
        if (name.equalsIgnoreCase(NONE)) return AssignedRole.suggested(p);
        return Optional.of(AssignedRole.picked(role(name, p)));
    }

    /**
     * The role of a name, or the one that is shown where the name is empty.
     *
     * @throws InputException if the part cannot have it
     */
    public static PartRole role(String name, Part p) {
        Optional<PartRole> role = name.isEmpty()
                ? p.role()
                : PartRole.named(name.toLowerCase(Locale.ROOT).replaceAll("[\\s_]+", "-"));
        List<String> fitting = PartRole.of(p.component()).stream()
                .map(r -> r.code().replace('-', ' '))
                .toList();
        return role.filter(r -> r.fits(p.component())).orElseThrow(() -> InputException.at(p.reference())
                .because(name.isEmpty() ? "no role is shown that could be confirmed" : "it cannot be \"" + name + "\"")
                .so(
                        fitting.isEmpty()
                                ? "parts of this kind have no role that rules ask for"
                                : "use one of " + String.join(", ", fitting) + ", or none"));
    }
}
