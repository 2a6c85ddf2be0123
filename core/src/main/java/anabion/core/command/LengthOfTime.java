package anabion.core.command;

import anabion.core.error.InputException;
import java.time.Duration;
import java.time.Period;
import java.time.temporal.TemporalAmount;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A length of time at the beginning of a line: {@code 90 min}, {@code 2h}, {@code 3 days}, {@code 2 weeks}, {@code 4 months}, {@code 1 year}.
 *
 * @param amount a duration up to hours, a period of the calendar from days on
 * @param rest what follows it
 */
public record LengthOfTime(TemporalAmount amount, String rest) {
    private static final Pattern LENGTH = Pattern.compile(
            "(\\d+)\\s*(m|min|mins|minutes?|h|hours?|d|days?|w|weeks?|months?|y|years?)(?:\\s+(.*))?",
            Pattern.CASE_INSENSITIVE);
    private static final int MOST_YEARS = 10;
    /** Of the minutes of ten years. */
    private static final int DIGITS = 7;

    /**
     * Reads one.
     *
     * @param line without the word before it
     * @param example of a whole line, for the error
     * @throws InputException if none stands there, it is none at all, or longer than ten years
     */
    public static LengthOfTime parse(String line, String example) {
        Matcher m = LENGTH.matcher(line.strip());
        if (!m.matches()) throw refused(line, "a length of time belongs here", example);
        String unit = m.group(2).toLowerCase(Locale.ROOT);
        int n = m.group(1).length() > DIGITS ? 0 : Integer.parseInt(m.group(1));
        if (n == 0 || isTooLong(n, unit))
            throw refused(line, "it takes from a minute to " + MOST_YEARS + " years", example);
        return new LengthOfTime(
                amount(n, unit), m.group(3) == null ? "" : m.group(3).strip());
    }

    private static InputException refused(String line, String why, String example) {
        return InputException.at(line.strip()).because(why).so("type it like " + example);
    }

    private static TemporalAmount amount(int n, String unit) {
        if (unit.startsWith("month")) return Period.ofMonths(n);
        return switch (unit.charAt(0)) {
            case 'm' -> Duration.ofMinutes(n);
            case 'h' -> Duration.ofHours(n);
            case 'd' -> Period.ofDays(n);
            case 'w' -> Period.ofWeeks(n);
            default -> Period.ofYears(n);
        };
    }

    private static boolean isTooLong(int n, String unit) {
        int inAYear =
                switch (unit.charAt(0)) {
                    case 'm' -> unit.startsWith("month") ? 12 : 365 * 24 * 60;
                    case 'h' -> 365 * 24;
                    case 'd' -> 365;
                    case 'w' -> 52;
                    default -> 1;
                };
        return n > MOST_YEARS * inAYear;
    }
}
