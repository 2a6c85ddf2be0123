package anabion.core.text;

import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Says phrases in a vocabulary. Numbers arrive formatted or as quantities, so the machine's locale has no say. */
public final class Words {
    private static final Pattern GAP = Pattern.compile("\\{(\\w+)}");
    private static final Properties BUNDLE = load();

    private final Vocabulary vocabulary;
    private final Map<String, String> terms;

    /** In the terms of a vocabulary. */
    public Words(Vocabulary vocabulary) {
        this.vocabulary = vocabulary;
        this.terms = vocabulary.terms();
    }

    private static Properties load() {
        try (InputStream in = Words.class.getResourceAsStream("/anabion/words.properties")) {
            Properties p = new Properties();
            p.load(new InputStreamReader(in, StandardCharsets.UTF_8));
            return p;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The terms in use. */
    public Vocabulary vocabulary() {
        return vocabulary;
    }

    /** Whether a key has words. */
    public boolean knows(String key) {
        return BUNDLE.containsKey(key);
    }

    /**
     * The words of a key.
     *
     * @param fillings of {@code {0}}, {@code {1}}, …; a {@link Phrase} is said first
     * @throws IllegalArgumentException if the bundle lacks the key
     */
    public String say(String key, Object... fillings) {
        return say(Phrase.of(key, fillings));
    }

    /**
     * The sentence in this vocabulary.
     *
     * @throws IllegalArgumentException if the bundle lacks the key: a programming mistake, never the user's
     */
    public String say(Phrase phrase) {
        String template = BUNDLE.getProperty(phrase.key());
        if (template == null) throw new IllegalArgumentException("no words for " + phrase.key());
        Matcher gaps = GAP.matcher(template);
        StringBuilder text = new StringBuilder();
        while (gaps.find()) gaps.appendReplacement(text, Matcher.quoteReplacement(filling(phrase, gaps.group(1))));
        return gaps.appendTail(text).toString();
    }

    private String filling(Phrase phrase, String gap) {
        if (!Character.isDigit(gap.charAt(0))) return terms.getOrDefault(gap, "{" + gap + "}");
        Object value = phrase.fillings().get(Integer.parseInt(gap));
        if (value instanceof Phrase p) return say(p);
        if (value instanceof Quantity q) return quantity(q);
        return String.valueOf(value);
    }

    /** A value in the units of the vocabulary. */
    public String quantity(Quantity q) {
        return vocabulary.oldUnits() ? Figures.old(q) : Figures.si(q);
    }
}
