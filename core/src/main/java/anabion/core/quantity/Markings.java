package anabion.core.quantity;

import anabion.core.error.InputException;
import anabion.core.quantity.ColourBands.Colour;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Reads whatever is marked on a part: a printed value, colour bands, or the two older colour codes.
 *
 * <p>Body, end and dot (resistors, RMA code of the 1930s): {@code body green end brown dot yellow}, perhaps {@code tip gold} for the other
 * end. Six dots (moulded mica, RMA and later EIA codes), read along the arrow, the lower row from right to left: {@code mica white red green
 * brown silver red} is type, two figures, multiplier, tolerance, characteristic; where the first dot is no type (white, black, silver) it is
 * the first of three figures, and the last dot times a hundred is the rating in volts.
 */
public final class Markings {
    private static final double PICO = 1e-12;

    private Markings() {}

    /** @throws InputException naming the word that cannot be */
    public static Decoded decode(String text) {
        String first = text.strip().split("\\s+")[0].toLowerCase(Locale.ROOT);
        if (first.equals("body")) return body(text);
        if (first.equals("mica")) return mica(text);
        return ColourBands.looksLike(text) ? ColourBands.decode(text) : Notation.decode(text);
    }

    private static Colour colour(String text, String word) {
        return Colour.named(word).orElseThrow(() -> InputException.in(text, text.indexOf(word))
                .because("\"" + word + "\" is no colour of a code")
                .so("use black brown red orange yellow green blue violet grey white gold silver"));
    }

    private static int figure(String text, String word) {
        Colour c = colour(text, word);
        if (c.exponent() < 0)
            throw InputException.in(text, text.indexOf(word))
                    .because("a metallic colour cannot be a figure")
                    .so("look at the part from the other side");
        return c.exponent();
    }

    private static Decoded body(String text) {
        String[] words = text.strip().toLowerCase(Locale.ROOT).split("\\s+");
        String[] named = new String[4];
        List<String> names = List.of("body", "end", "dot", "tip");
        for (int n = 0; n + 1 < words.length; n += 2) {
            int at = names.indexOf(words[n]);
            if (at < 0)
                throw InputException.at(words[n])
                        .because("no place on the part")
                        .so("write it like body green end brown dot yellow");
            named[at] = words[n + 1];
        }
        if (named[0] == null || named[1] == null)
            throw InputException.at(text)
                    .because("body and end are wanted")
                    .so("write it like body green end brown dot yellow");
        // a dot that cannot be seen has the body's colour
        String dot = named[2] == null ? named[0] : named[2];
        double ohms = (10 * figure(text, named[0]) + figure(text, named[1])) * Math.pow(10, figure(text, dot));
        double tolerance = named[3] == null ? 0.2 : colour(text, named[3]).tolerance();
        return new Decoded(Unit.OHM, List.of(ohms), Optional.empty(), OptionalDouble.of(tolerance), List.of());
    }

    private static Decoded mica(String text) {
        String[] words = text.strip().toLowerCase(Locale.ROOT).split("[\\s/]+");
        if (words.length != 7)
            throw InputException.at("\"" + text + "\"")
                    .because("six dots are wanted, not " + (words.length - 1))
                    .so("read the upper row along the arrow, then the lower row back");
        Colour type = colour(text, words[1]);
        boolean typed = type == Colour.WHITE || type == Colour.BLACK || type == Colour.SILVER;
        double figures = typed ? 0 : figure(text, words[1]);
        List<String> rest = new ArrayList<>(List.of(words).subList(2, 7));
        figures = 10 * figures + figure(text, rest.get(0));
        figures = 10 * figures + figure(text, rest.get(1));
        double farads = figures * Math.pow(10, colour(text, rest.get(2)).exponent()) * PICO;
        double tolerance = tolerance(colour(text, rest.get(3)));
        Optional<Quantity> rating =
                typed ? Optional.empty() : Optional.of(new Quantity(100 * figure(text, rest.get(4)), Unit.VOLT));
        return new Decoded(
                Unit.FARAD,
                List.of(Math.rint(farads / PICO * 1e3) / 1e3 * PICO),
                rating,
                OptionalDouble.of(tolerance),
                List.of());
    }

    /** On capacitors a figure is so many per cent, black a fifth. */
    private static double tolerance(Colour c) {
        if (c == Colour.BLACK) return 0.2;
        return c.exponent() < 0 ? c.tolerance() : c.exponent() / 100.0;
    }
}
