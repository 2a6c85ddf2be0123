package anabion.instruments.scpi;

import anabion.core.quantity.Unit;
import anabion.instruments.InstrumentException;
import anabion.instruments.InstrumentException.Kind;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A number as instruments send it: SCPI's numeric response (IEEE 488.2 NR1, NR2 and NR3), with or without its unit, or the words for beyond its range.
 *
 * <p>Suffixes are those of IEEE 488.2: {@code M} is milli, but mega before {@code OHM} and {@code HZ}.
 */
final class ScpiNumber {
    /** SCPI-99 answers 9.9E37 for plus and minus infinity: over the range; 9.91E37 is its not-a-number. */
    private static final double OVERLOAD = 9.8e37;

    private static final double NOT_A_NUMBER = 9.905e37;
    private static final Pattern NUMBER =
            Pattern.compile("([-+]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][-+]?\\d{1,3})?)(?:\\s*([A-Za-zµ]{1,6}))?");
    private static final Pattern BEYOND =
            Pattern.compile("[-+]?(OL|OVLD|OVERLOAD|OVERLD|OVER)", Pattern.CASE_INSENSITIVE);
    private static final Map<Unit, Pattern> SUFFIXES = Map.of(
            Unit.VOLT, Pattern.compile("(U|M|K|MA)?V(DC|AC)?"),
            Unit.AMPERE, Pattern.compile("(U|M|K|MA)?A(DC|AC)?"),
            Unit.WATT, Pattern.compile("(U|M|K|MA)?W"),
            Unit.OHM, Pattern.compile("(U|K|M|G|MA)?OHMS?"));

    private ScpiNumber() {}

    /**
     * @param noun of the instrument, for messages
     * @return in the unit; infinite where it is beyond its range
     * @throws InstrumentException if it is no number, or one of another unit
     */
    static double of(String answer, Unit unit, String noun) {
        if (BEYOND.matcher(answer).matches()) return Double.POSITIVE_INFINITY;
        Matcher m = NUMBER.matcher(answer);
        if (!m.matches()) throw nonsense(answer, noun);
        double value = Double.parseDouble(m.group(1));
        if (Math.abs(value) > NOT_A_NUMBER) throw nonsense(answer, noun);
        if (Math.abs(value) > OVERLOAD) return Math.copySign(Double.POSITIVE_INFINITY, value);
        return m.group(2) == null ? value : value * factor(m.group(2), unit, answer, noun);
    }

    private static double factor(String suffix, Unit unit, String answer, String noun) {
        Matcher m = SUFFIXES.get(unit)
                .matcher(suffix.toUpperCase(Locale.ROOT).replace('Μ', 'U').replace('µ', 'U'));
        if (!m.matches())
            throw new InstrumentException(
                    Kind.NONSENSE,
                    "The " + noun + " answered \"" + answer + "\", which is not in " + unit.symbol(),
                    "Check what it is set to");
        String prefix = m.group(1) == null ? "" : m.group(1);
        return switch (prefix) {
            case "" -> 1;
            case "U" -> 1e-6;
            case "M" -> unit == Unit.OHM ? 1e6 : 1e-3;
            case "K" -> 1e3;
            case "MA" -> 1e6;
            default -> 1e9;
        };
    }

    private static InstrumentException nonsense(String answer, String noun) {
        return new InstrumentException(
                Kind.NONSENSE,
                "The " + noun + " answered \"" + answer + "\", which is no reading",
                "Check that it is a " + noun + " that speaks SCPI");
    }
}
