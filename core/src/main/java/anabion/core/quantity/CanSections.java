package anabion.core.quantity;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.regex.Pattern;

/** A can whose sections have volts of their own: {@code 30/200+30/200+20/25}, {@code 3x50/150+20/25}, {@code 50/150 30/150 200/10}. */
final class CanSections {
    private static final String ONE = "(?:[2-6][xX])?[\\d.]+(?:[+-][\\d.]+)*\\s*[/@]\\s*\\d+V?";
    private static final Pattern SEVERAL = Pattern.compile(ONE + "(?:\\s*\\+\\s*" + ONE + "|\\s+" + ONE + ")+");
    private static final Pattern BETWEEN = Pattern.compile("(?<=[/@]\\d{1,4}V?)(?:\\s*\\+\\s*|\\s+)");

    private CanSections() {}

    static Optional<Decoded> decode(String text, Function<String, Decoded> one) {
        String plain = text.strip();
        if (!SEVERAL.matcher(plain).matches()) return Optional.empty();
        List<Double> farads = new ArrayList<>();
        List<Double> volts = new ArrayList<>();
        for (String part : BETWEEN.split(plain)) {
            Decoded d = one.apply(part);
            farads.addAll(d.sections());
            for (int n = 0; n < d.sections().size(); n++)
                volts.add(d.rating().map(Quantity::value).orElse(0.0));
        }
        double most = volts.stream().mapToDouble(v -> v).max().orElse(0);
        return Optional.of(new Decoded(
                Unit.FARAD,
                farads,
                Optional.of(new Quantity(most, Unit.VOLT)),
                OptionalDouble.empty(),
                List.of(),
                volts));
    }
}
