package anabion.cli;

import java.util.regex.Pattern;
import picocli.CommandLine.ITypeConverter;
import picocli.CommandLine.TypeConversionException;

/** A number of an option, as a person writes one: Java's own reader would take {@code NaN}, {@code 12d} and hexadecimal digits. */
final class PlainNumber implements ITypeConverter<Double> {
    private static final Pattern PLAIN = Pattern.compile("[+-]?\\d{1,15}(\\.\\d{1,15})?([eE][+-]?\\d{1,2})?");

    @Override
    public Double convert(String text) {
        if (!PLAIN.matcher(text).matches())
            throw new TypeConversionException("'" + text + "' is no number such as 230 or 117.5");
        return Double.valueOf(text);
    }
}
