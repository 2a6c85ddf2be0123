package anabion.core.handback;

import anabion.core.error.InputException;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Limits of the tests before a set is handed back. Usual values of tests after repair (2 MΩ at 500 V, half a milliampere, 0.3 Ω); where a code asks for others, those hold.
 *
 * @param insulation least ohms
 * @param touch most amperes
 * @param earth most ohms
 */
public record SafetyLimits(double insulation, double touch, double earth) {
    private static final Pattern OHMS = Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*([kMG])?\\s*(?:Ω|ohms?)?");

    public static final SafetyLimits USUAL = new SafetyLimits(2e6, 0.5e-3, 0.3);

    /** As a setting is kept. */
    public String text() {
        return insulation + " " + touch + " " + earth;
    }

    /** From what {@link #text} wrote; the usual ones for anything else. */
    public static SafetyLimits read(String text) {
        String[] words = text.strip().split("\\s+");
        try {
            if (words.length == 3)
                return new SafetyLimits(
                        Double.parseDouble(words[0]), Double.parseDouble(words[1]), Double.parseDouble(words[2]));
        } catch (NumberFormatException e) {
            return USUAL; // a setting of another release
        }
        return USUAL;
    }

    /**
     * With one of them changed.
     *
     * @param which insulation, touch or earth
     * @param value as typed
     * @throws InputException if there is no such limit, or the value is none
     */
    public SafetyLimits with(String which, String value) {
        return switch (which) {
            case "insulation" -> new SafetyLimits(positive(ohms(value)), touch, earth);
            case "touch" -> new SafetyLimits(insulation, positive(Notation.exact(value, Unit.AMPERE)), earth);
            case "earth" -> new SafetyLimits(insulation, touch, positive(ohms(value)));
            default ->
                throw InputException.at("limit " + which)
                        .because("there is no such limit")
                        .so("type limit insulation 4M, limit touch 0.25mA or limit earth 0.2");
        };
    }

    /**
     * As testers show it: {@code 120M} is megohms here, for no part list is read.
     *
     * @throws InputException if it is no resistance
     */
    public static double ohms(String text) {
        Matcher m = OHMS.matcher(text.strip());
        if (!m.matches())
            throw InputException.at(text)
                    .because("this is no resistance as a tester shows it")
                    .so("type it like 120M, 0.08 or 450k");
        double number = Double.parseDouble(m.group(1).replace(',', '.'));
        String unit = m.group(2) == null ? "" : m.group(2);
        return switch (unit) {
            case "k" -> number * 1e3;
            case "M" -> number * 1e6;
            case "G" -> number * 1e9;
            default -> number;
        };
    }

    private static double positive(double value) {
        if (!(value > 0))
            throw InputException.at(String.valueOf(value))
                    .because("a limit is above nothing")
                    .so("type it like 4M");
        return value;
    }
}
