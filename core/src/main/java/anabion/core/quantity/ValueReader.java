package anabion.core.quantity;

import anabion.core.error.InputException;
import anabion.core.quantity.Decoded.Alternative;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads one written value from left to right: sections, suffix, then rating and tolerance in any order. */
final class ValueReader {
    private static final Pattern COPIES = Pattern.compile("([2-6])\\s*[xX]\\s*(?=[\\d.,])");
    private static final Pattern NUMBER = Pattern.compile("\\d+(?:[.,]\\d+)*|[.,]\\d+");
    private static final Pattern WORD = Pattern.compile("[A-Za-zΩ]+(?:/s)?");
    private static final Pattern SEPARATOR = Pattern.compile("\\s*[@/]\\s*|\\s+");
    private static final Pattern RATING = Pattern.compile(
            "(\\d+/\\d+|\\d+(?:[.,]\\d+)?)\\s*(kV|[Vv](?:olts?|DC|AC|dc|ac|w|W)?|WV(?:DC)?|wv|[Ww](?:atts?)?)?~?(?![A-Za-z0-9.])");
    private static final Pattern TOLERANCE = Pattern.compile("(?:±|\\+/-)?\\s*(\\d+(?:[.,]\\d+)?)\\s*%");
    /** Tolerance letters of IEC 60062, as a fraction. */
    private static final Map<Character, Double> LETTERS = Map.of('F', 0.01, 'G', 0.02, 'J', 0.05, 'K', 0.10, 'M', 0.20);

    private final String original;
    private final String text;
    private final Optional<Unit> expected;
    private final List<Section> sections = new ArrayList<>();
    private int at;
    private Optional<Prefix> shared = Optional.empty();
    private OptionalDouble rating = OptionalDouble.empty();
    private String ratingUnit = "";
    private OptionalDouble tolerance = OptionalDouble.empty();

    ValueReader(String text, Optional<Unit> expected) {
        this.original = text;
        this.text =
                text.replace('µ', 'u').replace('μ', 'u').replace('\u2126', 'Ω').replace('×', 'x');
        this.expected = expected;
    }

    Decoded read() {
        skipBlanks();
        if (at == text.length()) throw trouble("there is no value here", "type one, such as 6k8 or .05 mfd");
        readSections();
        readTail();
        return new Meaning(original, expected, sections, shared, rating, ratingUnit, tolerance).decoded();
    }

    private void readSections() {
        int copies = copies();
        Section first = section();
        for (int i = 0; i < copies; i++) sections.add(first);
        while (true) {
            int before = at;
            skipBlanks();
            if (at >= text.length() || text.charAt(at) != '+' || text.startsWith("+/-", at)) {
                at = before;
                return;
            }
            at++;
            skipBlanks();
            sections.add(section());
        }
    }

    /** {@code 2x50}: so many equal sections. */
    private int copies() {
        Matcher m = COPIES.matcher(text).region(at, text.length());
        if (!m.lookingAt()) return 1;
        at = m.end();
        return Integer.parseInt(m.group(1));
    }

    private Section section() {
        Optional<String> number = take(NUMBER);
        int start = at;
        Optional<String> word = peekWord();
        if (number.isEmpty()) {
            if (word.isEmpty()) throw trouble("a number belongs here", "type a value, such as 6k8 or .05 mfd");
            return letterFirst(word.get(), start);
        }
        Numeral numeral =
                Numeral.of(number.get(), original, start - number.get().length());
        Section plain = new Section(numeral, number.get(), Optional.empty());
        if (word.isEmpty()) return plain;
        at += word.get().length() + blanksBeforeWord(start);
        boolean touching = blanksBeforeWord(start) == 0;
        Optional<String> decimals =
                touching && !number.get().contains(".") && !number.get().contains(",")
                        ? take(Pattern.compile("\\d+"))
                        : Optional.empty();
        if (decimals.isPresent()) return infix(number.get(), word.get(), decimals.get(), start);
        return plain.with(suffix(word.get(), start));
    }

    /** {@code 6k8}, {@code 3k3p}, {@code 4n7}: the letter stands for the decimal mark, an optional unit follows. */
    private Section infix(String whole, String word, String decimals, int start) {
        Prefix letter = suffix(word, start);
        Numeral numeral = new Numeral(Double.parseDouble(whole + "." + decimals), OptionalDouble.empty());
        int here = at;
        Optional<String> unit = peekWord();
        if (unit.isPresent()
                && blanksBeforeWord(here) == 0
                && unit.get().length() == 1
                && LETTERS.containsKey(unit.get().charAt(0))
                && Character.isUpperCase(unit.get().charAt(0))) {
            at += 1;
            tolerance = OptionalDouble.of(LETTERS.get(unit.get().charAt(0)));
            return new Section(numeral, "", Optional.of(coded(letter)));
        }
        Optional<Prefix> second = unit.flatMap(Suffixes::find);
        if (second.isPresent() && second.get().hasUnit()) {
            at += unit.get().length() + blanksBeforeWord(here);
            Unit u = second.get().unit();
            double factor = letter.hasUnit()
                    ? letter.factor()
                    : letter.factor() * second.get().factor();
            return new Section(numeral, "", Optional.of(Prefix.of(word, u, factor)));
        }
        return new Section(numeral, "", Optional.of(coded(letter)));
    }

    /** A letter inside the number is the standard's code: M is mega there, never an old list's thousand. */
    private static Prefix coded(Prefix letter) {
        return letter.text().equals("M") ? Prefix.of("MR", null, letter.factor()) : letter;
    }

    /** {@code M47}, {@code R33}, {@code n47}: the letter first, meaning nought point. */
    private Section letterFirst(String word, int start) {
        Matcher digits = Pattern.compile("\\d+").matcher(text).region(start + word.length(), text.length());
        if (word.length() != 1 || !digits.lookingAt()) {
            throw trouble(
                    "\"" + word + "\" is not a value",
                    "begin with a number, such as 6k8, or with a letter code, such as M47");
        }
        at = digits.end();
        Numeral numeral = new Numeral(Double.parseDouble("0." + digits.group()), OptionalDouble.empty());
        Prefix letter = suffix(word, start);
        if (word.equals("m")) letter = Prefix.of("M", null, 1e6);
        int here = at;
        Optional<Prefix> second = peekWord().flatMap(Suffixes::find).filter(Prefix::hasUnit);
        if (second.isPresent()) {
            at += peekWord().get().length() + blanksBeforeWord(here);
            double factor = letter.hasUnit()
                    ? letter.factor()
                    : letter.factor() * second.get().factor();
            return new Section(
                    numeral, "", Optional.of(Prefix.of(word, second.get().unit(), factor)));
        }
        return new Section(numeral, "", Optional.of(letter));
    }

    private Prefix suffix(String word, int start) {
        return Suffixes.find(word).orElseThrow(() -> InputException.in(original, start + blanksBeforeWord(start))
                .because("\"" + word + "\" is no unit or multiplier known here")
                .so("known are k, M, Ω, µF, nF, pF, mfd, mmf, cm, mH, V, A, W and Hz"));
    }

    private void readTail() {
        shared = sections.get(sections.size() - 1).suffix();
        while (at < text.length()) {
            if (take(Pattern.compile("\\s*$")).isPresent()) return;
            int start = at;
            take(SEPARATOR);
            Matcher tol = TOLERANCE.matcher(text).region(at, text.length());
            Matcher rate = RATING.matcher(text).region(at, text.length());
            if (tolerance.isEmpty() && tol.lookingAt()) {
                tolerance =
                        OptionalDouble.of(Numeral.of(tol.group(1), original, at).value() / 100);
                at = tol.end();
            } else if (rating.isEmpty() && at > start && rate.lookingAt() && usable(rate, text.substring(start, at))) {
                rating = OptionalDouble.of(ratingValue(rate));
                ratingUnit = rate.group(2) == null ? "" : rate.group(2);
                at = rate.end();
            } else {
                throw trouble(
                        "\"" + text.substring(at) + "\" does not belong to a value",
                        "a rating is written as 50@12, .1/400 or 220k 1/2W, a tolerance as 10%");
            }
        }
    }

    /** A bare number after a blank is no rating: only after a separator, or with its unit. */
    private static boolean usable(Matcher rate, String separator) {
        return rate.group(2) != null || !separator.isBlank();
    }

    private double ratingValue(Matcher rate) {
        String[] parts = rate.group(1).split("/", 2);
        double value = Numeral.of(parts[0], original, at).value();
        if (parts.length > 1) value /= Double.parseDouble(parts[1]);
        return "kV".equals(rate.group(2)) ? value * 1e3 : value;
    }

    private void skipBlanks() {
        while (at < text.length() && Character.isWhitespace(text.charAt(at))) at++;
    }

    private int blanksBeforeWord(int from) {
        int n = 0;
        while (from + n < text.length() && text.charAt(from + n) == ' ') n++;
        return n;
    }

    private Optional<String> peekWord() {
        Matcher m = WORD.matcher(text).region(at + blanksBeforeWord(at), text.length());
        return m.lookingAt() ? Optional.of(m.group()) : Optional.empty();
    }

    private Optional<String> take(Pattern pattern) {
        Matcher m = pattern.matcher(text).region(at, text.length());
        if (!m.lookingAt()) return Optional.empty();
        at = m.end();
        return Optional.of(m.group());
    }

    private InputException trouble(String what, String remedy) {
        return InputException.in(original, at).because(what).so(remedy);
    }

    /** One section as read: its number, its digits as written, its own suffix if it has one. */
    record Section(Numeral numeral, String digits, Optional<Prefix> suffix) {
        Section with(Prefix p) {
            return new Section(numeral, digits, Optional.of(p));
        }
    }

    /** An alternative meaning, for {@link Meaning}. */
    static Alternative alternative(double value, Unit unit, String reason) {
        return new Alternative(new Quantity(value, unit), reason);
    }
}
