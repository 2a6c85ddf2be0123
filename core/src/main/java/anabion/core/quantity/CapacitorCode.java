package anabion.core.quantity;

import anabion.core.quantity.Decoded.Alternative;
import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The marking codes of disc, mica and film capacitors: two figures and the power of ten, in picofarads; a letter for the tolerance (IEC 60062, EIA RS-198);
 * volts behind it, or as a figure and a letter before it (EIA): {@code 103M}, {@code 473J630}, {@code 2A104J}.
 */
final class CapacitorCode {
    private static final Pattern CODE =
            Pattern.compile("(?:([0-3])([A-Z]))?(\\d{2})([0-9])([BCDFGJKMZjkmz])?(?:(\\d{2,4})V?)?");
    /** Tolerances; Z is −20 to +80 %, of which the larger half stands. B, C and D are picofarads. */
    private static final Map<Character, Double> TOLERANCES =
            Map.of('F', 0.01, 'G', 0.02, 'J', 0.05, 'K', 0.1, 'M', 0.2, 'Z', 0.8);

    private static final Map<Character, Double> PICOFARADS = Map.of('B', 0.1, 'C', 0.25, 'D', 0.5);
    private static final Map<Character, Double> VOLTS = Map.ofEntries(
            Map.entry('A', 1.0),
            Map.entry('B', 1.25),
            Map.entry('C', 1.6),
            Map.entry('D', 2.0),
            Map.entry('E', 2.5),
            Map.entry('V', 3.5),
            Map.entry('G', 4.0),
            Map.entry('W', 4.5),
            Map.entry('H', 5.0),
            Map.entry('J', 6.3),
            Map.entry('K', 8.0));

    private static final int MOST_POWER = 7;

    private CapacitorCode() {}

    /** A code that is none without its letter or volts ({@code 104}) is one only where the third figure is a usual power. */
    static Optional<Decoded> decode(String text) {
        Matcher m = CODE.matcher(text.strip());
        if (!m.matches()) return Optional.empty();
        int power = Integer.parseInt(m.group(4));
        boolean marked = m.group(1) != null || m.group(5) != null;
        double figures = Integer.parseInt(m.group(3));
        if (!marked && (m.group(6) != null || power == 0 || power > MOST_POWER || figures < 10))
            return Optional.empty();
        double pico = scaled(figures, power == 8 ? -2 : power == 9 ? -1 : power);
        Optional<Double> before = Optional.ofNullable(m.group(1)).flatMap(f -> Optional.ofNullable(
                        VOLTS.get(Character.toUpperCase(m.group(2).charAt(0))))
                .map(v -> scaled(v, Integer.parseInt(f))));
        if (m.group(1) != null && before.isEmpty()) return Optional.empty();
        Optional<Double> volts = before.or(() -> Optional.ofNullable(m.group(6)).map(Double::parseDouble));
        List<Alternative> others = marked
                ? List.of()
                : List.of(
                        new Alternative(
                                Quantity.farads(scaled(Integer.parseInt(text.strip()), -12)),
                                "a list may count picofarads"),
                        new Alternative(
                                Quantity.farads(scaled(Integer.parseInt(text.strip()), -6)),
                                "a list may count microfarads"));
        return Optional.of(new Decoded(
                Unit.FARAD,
                List.of(scaled(pico, -12)),
                volts.map(v -> new Quantity(v, Unit.VOLT)),
                tolerance(m.group(5), pico),
                others));
    }

    private static OptionalDouble tolerance(String letter, double pico) {
        if (letter == null) return OptionalDouble.empty();
        char c = Character.toUpperCase(letter.charAt(0));
        return OptionalDouble.of(TOLERANCES.containsKey(c) ? TOLERANCES.get(c) : PICOFARADS.get(c) / pico);
    }

    private static double scaled(double n, int power) {
        return new BigDecimal(Double.toString(n)).scaleByPowerOfTen(power).doubleValue();
    }
}
