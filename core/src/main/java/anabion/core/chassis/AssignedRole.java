package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;
import java.util.Optional;

/** A part's role, and how it is known. */
public record AssignedRole(PartRole role, Basis basis) {
    /** How a role is known; a later one gives way to an earlier one. */
    public enum Basis implements Coded {
        /** Someone picked it: it is stored with the chassis. */
        PICKED,
        /** Taken from the words that stand with the part, until someone picks one. */
        WORDS,
        /** Seen in the circuit. */
        CIRCUIT;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** What the words of a part suggest, as if nobody had picked a role. */
    public static Optional<AssignedRole> suggested(Part part) {
        return RoleWords.suggest(part.component(), part.roleText(), part.printed());
    }

    /** As a person picked it. */
    public static AssignedRole picked(PartRole role) {
        return new AssignedRole(role, Basis.PICKED);
    }
}
