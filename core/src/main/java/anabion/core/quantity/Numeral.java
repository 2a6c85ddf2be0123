package anabion.core.quantity;

import anabion.core.error.InputException;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Pattern;

/** A plain number with a decimal point or comma. {@code 1,000} can be a thousand or one: it carries both. */
record Numeral(double value, OptionalDouble other) {
    static final String COMMA = "the comma can be a decimal mark";
    private static final int MOST_DIGITS = 24;
    private static final Pattern GROUPED = Pattern.compile("[1-9]\\d{0,2}(,\\d{3})+");

    static Numeral of(String digits, String whole, int position) {
        if (digits.length() > MOST_DIGITS)
            throw InputException.in(whole, position)
                    .because("no value has " + digits.length() + " digits")
                    .so("write it with a prefix, such as 4.7M");
        if (GROUPED.matcher(digits).matches()) {
            double thousands = Double.parseDouble(digits.replace(",", ""));
            boolean one = digits.indexOf(',') == digits.lastIndexOf(',');
            return new Numeral(thousands, one ? OptionalDouble.of(decimal(digits)) : OptionalDouble.empty());
        }
        long marks = digits.chars().filter(c -> c == '.' || c == ',').count();
        if (marks > 1) {
            throw InputException.in(whole, position + second(digits))
                    .because("a number has one decimal mark")
                    .so("write it with a single point or comma");
        }
        return new Numeral(decimal(digits), OptionalDouble.empty());
    }

    private static int second(String digits) {
        int first = Math.max(digits.indexOf('.'), 0);
        for (int i = 0, seen = 0; i < digits.length(); i++) {
            if ((digits.charAt(i) == '.' || digits.charAt(i) == ',') && ++seen == 2) return i;
        }
        return first;
    }

    private static double decimal(String digits) {
        return Double.parseDouble(digits.replace(',', '.'));
    }

    Optional<Double> otherScaled(double factor) {
        return other.isPresent() ? Optional.of(other.getAsDouble() * factor) : Optional.empty();
    }
}
