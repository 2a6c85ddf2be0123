package anabion.core.command;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;

/**
 * The mark of a parts' maker as one quick line: {@code make KT: C14 C15 C18}. It is whatever tells a make from others: letters, colour, shape. An empty mark
 * ({@code make : C14}) takes it back.
 */
public final class MakeLine {
    private static final String WORD = "make";

    private MakeLine() {}

    /** Whether a line is of this kind, right or wrong. */
    public static boolean looksLike(String line) {
        return LabelLine.looksLike(WORD, line);
    }

    /** @throws InputException if there is no colon, no part after it, or a part that the chassis has not */
    public static Chassis parse(String line, Chassis chassis) {
        LabelLine l = LabelLine.parse(WORD, line, chassis, "a mark", "make KT: C14 C15");
        return l.apply(chassis, p -> p.withMake(l.label()));
    }
}
