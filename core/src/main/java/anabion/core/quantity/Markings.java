package anabion.core.quantity;

import anabion.core.error.InputException;
import anabion.core.quantity.ColourBands.Colour;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Reads whatever is marked on a part: a printed value, colour bands, or the two older colour codes.
 *
 * <p>Body, end and dot (resistors, RMA code of the 1930s): {@code body green end brown dot yellow}, perhaps {@code tip gold} for the other
 * end; the words may stand in any order. Dots and bands of capacitors: see {@link DotCodes}.
 */
public final class Markings {
    private static final List<String> PLACES = List.of("body", "end", "dot", "tip");

    private Markings() {}

    /** @throws InputException naming the word that cannot be */
    public static Decoded decode(String text) {
        String first = text.strip().split("\\s+")[0].toLowerCase(Locale.ROOT);
        if (PLACES.stream().anyMatch(p -> words(text).contains(p))
                && words(text).contains("body")) return body(text);
        if (first.equals("mica")) return DotCodes.mica(text);
        if (first.equals("ceramic")) return DotCodes.ceramic(text);
        if (first.equals("film")) return DotCodes.film(text);
        return ColourBands.looksLike(text) ? ColourBands.decode(text) : Notation.decode(text);
    }

    private static List<String> words(String text) {
        return List.of(text.strip().toLowerCase(Locale.ROOT).split("\\s+"));
    }

    /** The colour of each place, named before or after it, in any order. */
    private static Decoded body(String text) {
        List<String> words = words(text);
        boolean placeFirst = PLACES.contains(words.get(0));
        String[] named = new String[PLACES.size()];
        for (int n = 0; n + 1 < words.size(); n += 2) {
            String place = words.get(placeFirst ? n : n + 1);
            int at = PLACES.indexOf(place);
            if (at < 0)
                throw InputException.at(place)
                        .because("no place on the part")
                        .so("write it like body green end brown dot yellow");
            named[at] = words.get(placeFirst ? n + 1 : n);
        }
        if (named[0] == null || named[1] == null)
            throw InputException.at(text)
                    .because("body and end are wanted")
                    .so("write it like body green end brown dot yellow");
        // a dot that cannot be seen has the body's colour
        String dot = named[2] == null ? named[0] : named[2];
        double ohms = (10 * Colour.figure(text, named[0]) + Colour.figure(text, named[1]))
                * Math.pow(10, Colour.of(text, dot).exponent());
        double tolerance = named[3] == null ? 0.2 : Colour.of(text, named[3]).tolerance();
        return new Decoded(Unit.OHM, List.of(ohms), Optional.empty(), OptionalDouble.of(tolerance), List.of());
    }
}
