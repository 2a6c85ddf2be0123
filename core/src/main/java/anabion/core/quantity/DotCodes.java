package anabion.core.quantity;

import anabion.core.error.InputException;
import anabion.core.quantity.ColourBands.Colour;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Colours on capacitors, in picofarads (RMA and later EIA codes).
 *
 * <p>Moulded mica, read along the arrow, the lower row from right to left: three dots are two figures and a multiplier, at 20 % and 500 V; five add tolerance
 * and hundreds of volts; six are type, two figures, multiplier, tolerance, characteristic, or three figures, multiplier, tolerance and hundreds of volts where
 * the first dot is no type (white, black, silver); nine are six of the first kind, then hundreds of volts and two dots of the back.
 *
 * <p>Ceramic: five bands are temperature coefficient, two figures, multiplier, tolerance; three dots are two figures and a multiplier. Film: two figures,
 * multiplier, tolerance, volts.
 */
final class DotCodes {
    private static final double PICO = 1e-12;
    private static final double USUAL_VOLTS = 500;

    private DotCodes() {}

    private static List<Colour> colours(String text, Integer... counts) {
        String[] words = text.strip().toLowerCase(Locale.ROOT).split("[\\s/]+");
        int n = words.length - 1;
        if (!List.of(counts).contains(n))
            throw InputException.at("\"" + text + "\"")
                    .because("so many colours, " + n + ", make no code of a " + words[0] + " capacitor")
                    .so("name "
                            + String.join(
                                    " or ",
                                    List.of(counts).stream()
                                            .map(String::valueOf)
                                            .toList())
                            + " of them: for a mica the upper row along the arrow, then the lower row back");
        return List.of(words).subList(1, words.length).stream()
                .map(w -> Colour.of(text, w))
                .toList();
    }

    static Decoded mica(String text) {
        List<Colour> c = colours(text, 3, 5, 6, 9);
        return switch (c.size()) {
            case 3 -> made(text, c.subList(0, 2), c.get(2), OptionalDouble.of(0.2), USUAL_VOLTS);
            case 5 -> made(text, c.subList(0, 2), c.get(2), share(c.get(3)), 100 * Colour.figure(text, c.get(4)));
            default -> six(text, c);
        };
    }

    private static Decoded six(String text, List<Colour> c) {
        Colour type = c.get(0);
        boolean typed = type == Colour.WHITE || type == Colour.BLACK || type == Colour.SILVER;
        double volts =
                c.size() == 9 ? 100 * Colour.figure(text, c.get(6)) : typed ? 0 : 100 * Colour.figure(text, c.get(5));
        return made(text, c.subList(typed ? 1 : 0, 3), c.get(3), share(c.get(4)), volts);
    }

    static Decoded ceramic(String text) {
        List<Colour> c = colours(text, 3, 5);
        if (c.size() == 3) return made(text, c.subList(0, 2), c.get(2), OptionalDouble.of(0.2), 0);
        double pico = value(text, c.subList(1, 3), c.get(3));
        return made(text, c.subList(1, 3), c.get(3), ceramic(c.get(4), pico), 0);
    }

    static Decoded film(String text) {
        List<Colour> c = colours(text, 5);
        double volts =
                switch (c.get(4)) {
                    case BROWN -> 100;
                    case RED -> 250;
                    case YELLOW -> 400;
                    case BLUE -> 630;
                    default -> 0;
                };
        return made(text, c.subList(0, 2), c.get(2), ceramic(c.get(3), Double.MAX_VALUE), volts);
    }

    private static double value(String text, List<Colour> figures, Colour multiplier) {
        double n = 0;
        for (Colour f : figures) n = 10 * n + Colour.figure(text, f);
        // on ceramics grey and white divide
        int power = multiplier == Colour.GREY ? -2 : multiplier == Colour.WHITE ? -1 : multiplier.exponent();
        return n * Math.pow(10, power);
    }

    private static Decoded made(
            String text, List<Colour> figures, Colour multiplier, OptionalDouble tolerance, double volts) {
        double pico = value(text, figures, multiplier);
        return new Decoded(
                Unit.FARAD,
                List.of(Math.rint(pico * 1e3) / 1e3 * PICO),
                volts > 0 ? Optional.of(new Quantity(volts, Unit.VOLT)) : Optional.empty(),
                tolerance,
                List.of());
    }

    /** On micas a figure is so many per cent, black a fifth. */
    private static OptionalDouble share(Colour c) {
        if (c == Colour.BLACK) return OptionalDouble.of(0.2);
        return OptionalDouble.of(c.exponent() < 0 ? c.tolerance() : c.exponent() / 100.0);
    }

    /** On ceramics and films white is a tenth; below 10 pF the colours are picofarads, and no share is stated. */
    private static OptionalDouble ceramic(Colour c, double pico) {
        if (pico < 10) return OptionalDouble.empty();
        return switch (c) {
            case BLACK -> OptionalDouble.of(0.2);
            case WHITE -> OptionalDouble.of(0.1);
            default -> share(c);
        };
    }
}
