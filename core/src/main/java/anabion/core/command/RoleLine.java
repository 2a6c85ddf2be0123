package anabion.core.command;

import anabion.core.chassis.AssignedRole;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.error.InputException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The role of parts as one quick line: {@code role IF transformer: L3 L4}. Without a role ({@code role: L3}) the one that is shown is confirmed;
 * {@code role none: L3} takes it back, and words and circuit tell again.
 */
public final class RoleLine {
    private static final String WORD = "role";
    private static final String NONE = "none";

    private RoleLine() {}

    /** Whether a line is of this kind, right or wrong. */
    public static boolean looksLike(String line) {
        return LabelLine.looksLike(WORD, line);
    }

    /** @throws InputException if there is no colon, no part behind it, a part that the chassis has not, or a role that the part cannot have */
    public static Chassis parse(String line, Chassis chassis) {
        LabelLine l = LabelLine.parse(WORD, line, chassis, "a role", "role IF transformer: L3 L4");
        return l.apply(chassis, p -> p.withAssigned(assigned(l.label(), p)));
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
        List<String> fitting =
                PartRole.of(p.component()).stream().map(r -> r.words()).toList();
        return role.filter(r -> r.fits(p.component())).orElseThrow(() -> InputException.at(p.reference())
                .because(name.isEmpty() ? "no role is shown that could be confirmed" : "it cannot be \"" + name + "\"")
                .so(
                        fitting.isEmpty()
                                ? "parts of this kind have no role that rules ask for"
                                : "use one of " + String.join(", ", fitting) + ", or none"));
    }
}
