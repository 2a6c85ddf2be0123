package anabion.core.quantity;

import anabion.core.error.InputException;
import anabion.core.quantity.Decoded.Alternative;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads a value of which nobody says what it belongs to: by its spelling where that tells the kind of part, else with the other readings beside it. */
final class KindlessValue {
    private static final Pattern FIGURES = Pattern.compile("(\\d{3})[A-Za-z]");
    /** In the order in which they are tried where a spelling is not read without its kind. */
    private static final List<Unit> KINDS = List.of(Unit.FARAD, Unit.OHM, Unit.AMPERE, Unit.HENRY, Unit.VOLT);

    private KindlessValue() {}

    /** @throws InputException naming the character where the text stops making sense */
    static Decoded decode(String text) {
        Optional<Decoded> level = SignalLevels.decode(text.strip());
        if (level.isPresent()) return level.get();
        Optional<Decoded> code = text.chars().anyMatch(Character::isLetter)
                ? CapacitorCode.decode(Spelling.canonical(text, Optional.of(Unit.FARAD)))
                : Optional.empty();
        try {
            Decoded plain = new ValueReader(Spelling.canonical(text, Optional.empty()), Optional.empty()).read();
            return code.map(c -> both(text.strip(), c, plain)).orElse(plain);
        } catch (InputException e) {
            return code.or(() -> ofSomeKind(text)).orElseThrow(() -> e);
        }
    }

    /** {@code 470K} is on a resistor, {@code 472K} on a capacitor: resistors have standard values, and no capacitor needs a code for less than 100 pF. */
    private static Decoded both(String text, Decoded code, Decoded plain) {
        if (plain.unit() != Unit.OHM) return code;
        Matcher m = FIGURES.matcher(text);
        boolean standard =
                m.matches() && (m.group(1).endsWith("0") || Series.E24.contains(Double.parseDouble(m.group(1))));
        return standard
                ? with(plain, code, "as a marking code of a capacitor")
                : with(code, plain, "written for a resistor");
    }

    private static Decoded with(Decoded first, Decoded other, String reason) {
        List<Alternative> all = new ArrayList<>(first.alternatives());
        all.add(new Alternative(other.quantity(), reason));
        return new Decoded(first.unit(), first.sections(), first.rating(), first.tolerance(), all, first.ratings());
    }

    private static Optional<Decoded> ofSomeKind(String text) {
        for (Unit kind : KINDS)
            try {
                return Optional.of(Notation.decode(text, kind));
            } catch (InputException e) {
                // another kind of part is spelt so, or none
            }
        return Optional.empty();
    }
}
