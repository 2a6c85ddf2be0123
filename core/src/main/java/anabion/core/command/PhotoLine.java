package anabion.core.command;

import anabion.core.error.InputException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A line about the photo in hand: {@code photo 2}, {@code caption board, solder side up}, {@code pin C13 dried out} where somebody has clicked, or with its place
 * ({@code pin C13 dried out at 40 60}, per cent from the upper left), {@code circle}, {@code arrow}, {@code unmark 3}, {@code compare 1}, {@code compare off}.
 */
public sealed interface PhotoLine {
    /** @param number from 1, the oldest first */
    record Show(int number) implements PhotoLine {}

    record Caption(String text) implements PhotoLine {}

    /** What is drawn. */
    enum Shape {
        PIN,
        CIRCLE,
        ARROW
    }

    /**
     * Something to be drawn.
     *
     * @param places shares of width and height; empty for where somebody has clicked
     */
    record Draw(Shape shape, String text, List<Place> places) implements PhotoLine {
        public Draw {
            places = List.copyOf(places);
        }
    }

    /** Shares of width and height, from the upper left corner. */
    record Place(double x, double y) {}

    /** @param number of a mark, from 1 */
    record Unmark(int number) implements PhotoLine {}

    /** @param number of the other photo; empty to end it */
    record Compare(Optional<Integer> number) implements PhotoLine {}

    Pattern AT = Pattern.compile("(.*?)\\s*\\bat((?:\\s+\\d{1,3}(?:[.,]\\d+)?){2,4})");

    /** @return empty for a line that is about no photo */
    static Optional<PhotoLine> parse(String text) {
        String line = text.strip();
        String[] words = line.split("\\s+", 2);
        String rest = words.length > 1 ? words[1].strip() : "";
        return switch (words[0].toLowerCase(Locale.ROOT)) {
            case "photo" -> Optional.of(new Show(number(line, rest)));
            case "caption" -> Optional.of(new Caption(rest));
            case "unmark" -> Optional.of(new Unmark(number(line, rest)));
            case "compare" ->
                Optional.of(
                        new Compare(rest.equalsIgnoreCase("off") ? Optional.empty() : Optional.of(number(line, rest))));
            case "pin" -> Optional.of(draw(line, Shape.PIN, rest));
            case "circle" -> Optional.of(draw(line, Shape.CIRCLE, rest));
            case "arrow" -> Optional.of(draw(line, Shape.ARROW, rest));
            default -> Optional.empty();
        };
    }

    private static int number(String line, String rest) {
        if (!rest.matches("[1-9]\\d{0,3}"))
            throw InputException.at(line)
                    .because("a number belongs here")
                    .so("type it like photo 2, unmark 3, compare 1");
        return Integer.parseInt(rest);
    }

    private static Draw draw(String line, Shape shape, String rest) {
        Matcher at = AT.matcher(rest);
        String said = at.matches() ? at.group(1).strip() : rest;
        if (shape == Shape.PIN && said.isEmpty())
            throw InputException.at(line)
                    .because("a pin carries a part, a reading or an adjuster")
                    .so("click the place, then type it like pin C13 dried out, or pin C13 dried out at 40 60");
        if (!at.matches()) return new Draw(shape, said, List.of());
        String[] numbers = at.group(2).strip().split("\\s+");
        List<Place> places = new java.util.ArrayList<>();
        for (int n = 0; n + 1 < numbers.length; n += 2)
            places.add(new Place(share(line, numbers[n]), share(line, numbers[n + 1])));
        int wanted = shape == Shape.PIN ? 1 : 2;
        if (numbers.length != 2 * wanted)
            throw InputException.at(line)
                    .because(wanted == 1 ? "a pin has one place" : "this has two places: where it begins and ends")
                    .so("type it like " + (wanted == 1 ? "pin C13 at 40 60" : "arrow at 10 10 40 60")
                            + ": per cent from the upper left");
        return new Draw(shape, said, places);
    }

    private static double share(String line, String text) {
        double percent = Double.parseDouble(text.replace(',', '.'));
        if (percent > 100)
            throw InputException.at(line)
                    .because("a place is told in per cent of the photo")
                    .so("type 0 to 100, from the left and from above");
        return percent / 100;
    }
}
