package anabion.core.quantity;

import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/** Resistor colour bands of IEC 60062: three to six bands, figures first. */
public final class ColourBands {
    private ColourBands() {}

    /** The band colours with their multiplier and tolerance; a tolerance of zero means that the colour has none. */
    public enum Colour {
        BLACK(0, 0),
        BROWN(1, 0.01),
        RED(2, 0.02),
        ORANGE(3, 0.0005),
        YELLOW(4, 0.0002),
        GREEN(5, 0.005),
        BLUE(6, 0.0025),
        VIOLET(7, 0.001),
        GREY(8, 0.0001),
        WHITE(9, 0),
        GOLD(-1, 0.05),
        SILVER(-2, 0.10),
        PINK(-3, 0);

        private final int exponent;
        private final double tolerance;

        Colour(int exponent, double tolerance) {
            this.exponent = exponent;
            this.tolerance = tolerance;
        }

        /** The figure, or below zero the power of ten that a metallic colour stands for. */
        int exponent() {
            return exponent;
        }

        double tolerance() {
            return tolerance;
        }

        /** @throws InputException if a word is no colour */
        static Colour of(String text, String word) {
            return named(word).orElseThrow(() -> InputException.in(
                            text, text.toLowerCase(Locale.ROOT).indexOf(word))
                    .because("\"" + word + "\" is no colour of a code")
                    .so("use black brown red orange yellow green blue violet grey white gold silver"));
        }

        /** @throws InputException if the colour is metallic: it cannot be a figure */
        static int figure(String text, Colour c) {
            if (c.exponent() < 0)
                throw InputException.at("\"" + text + "\"")
                        .because(c.name().toLowerCase(Locale.ROOT) + " is metallic and cannot be a figure")
                        .so("look at the part from the other side");
            return c.exponent();
        }

        static int figure(String text, String word) {
            return figure(text, of(text, word));
        }

        static Optional<Colour> named(String word) {
            String upper = word.toUpperCase(Locale.ROOT);
            for (Colour c : values()) if (c.name().equals(upper)) return Optional.of(c);
            return upper.equals("GRAY")
                    ? Optional.of(GREY)
                    : upper.equals("PURPLE") ? Optional.of(VIOLET) : Optional.empty();
        }
    }

    /** Whether a text is a row of colour names. */
    public static boolean looksLike(String text) {
        return Colour.named(text.strip().split("[\\s,-]+")[0]).isPresent();
    }

    /**
     * Reads colour names in the order of the bands, e.g. {@code yellow violet orange silver}.
     *
     * @throws InputException naming the band that cannot be
     */
    public static Decoded decode(String text) {
        List<Colour> bands = new ArrayList<>();
        int from = 0;
        for (String word : text.strip().split("[\\s,-]+")) {
            int at = text.indexOf(word, from);
            from = at + word.length();
            bands.add(Colour.named(word).orElseThrow(() -> InputException.in(text, at)
                    .because("\"" + word + "\" is no band colour")
                    .so("use black brown red orange yellow green blue violet grey white gold silver")));
        }
        return decode(text, bands);
    }

    private static Decoded decode(String text, List<Colour> bands) {
        int n = bands.size();
        if (n < 3 || n > 6) {
            throw InputException.at("\"" + text + "\"")
                    .because("a resistor has three to six bands, not " + n)
                    .so("name each band once, figures first");
        }
        int figures = n >= 5 ? 3 : 2;
        double value = 0;
        for (int i = 0; i < figures; i++) {
            if (bands.get(i).exponent < 0) {
                throw InputException.at("\"" + text + "\", band " + (i + 1))
                        .because("a metallic band cannot be a figure")
                        .so("read the bands from the other end");
            }
            value = value * 10 + bands.get(i).exponent;
        }
        value *= Math.pow(10, bands.get(figures).exponent);
        double tolerance = n > figures + 1 ? bands.get(figures + 1).tolerance : 0.20;
        if (tolerance == 0) {
            throw InputException.at("\"" + text + "\", band " + (figures + 2))
                    .because("this colour is no tolerance")
                    .so("read the bands from the other end");
        }
        return new Decoded(
                Unit.OHM,
                List.of(Math.rint(value * 1e6) / 1e6),
                Optional.empty(),
                OptionalDouble.of(tolerance),
                List.of());
    }
}
