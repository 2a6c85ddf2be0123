package anabion.core.quantity;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** Brings the many ways in which people write a value to the one that {@link ValueReader} reads. */
final class Spelling {
    private record Rule(Pattern pattern, String becomes) {
        static Rule of(String pattern, String becomes) {
            return new Rule(Pattern.compile(pattern), becomes);
        }

        String apply(String text) {
            return pattern.matcher(text).replaceAll(becomes);
        }
    }

    private static final List<Rule> ALWAYS = List.of(
            Rule.of("½", "1/2"),
            Rule.of("¼", "1/4"),
            Rule.of("¾", "3/4"),
            Rule.of("[\\u00A0\\u2009\\u202F]", " "),
            // "20 mfd."
            Rule.of("(?<=[A-Za-z])\\.(?=\\s|$|/|@)", ""),
            Rule.of("\\s+at\\s+", "@"),
            // "1/4W 470k"
            Rule.of("^((?:\\d+/\\d+|\\d+(?:\\.\\d+)?)\\s*W)\\s+(\\S.*)$", "$2 $1"),
            Rule.of("(?i)\\bhenr(?:y|ys|ies)\\b", "H"));

    private static final List<Rule> OHMS = List.of(
            // "47E", "4E7"
            Rule.of("^(\\d+)E(\\d*)(?=\\s|$)", "$1R$2"),
            // "10M ohms", "5 K Ω": the unit adds nothing, and hides that M can be a thousand
            Rule.of("(?i)(\\d)\\s*([kM])\\s+(?:Ω|ohms?)(?=\\s|$)", "$1$2"),
            // "15 000"
            Rule.of("^(\\d{1,3}) (\\d{3}) (\\d{3})(?=\\s|$|[kMΩ])", "$1$2$3"),
            Rule.of("^(\\d{1,3}) (\\d{3})(?=\\s|$|[kMΩ])", "$1$2"));

    private static final List<Rule> FARADS = List.of(
            // temperature characteristics say nothing of the value
            Rule.of("(?i)\\s+(?:NP[0O]|C0G|GMV|Z5[UV]|Y5[PUV]|X[57]R|[NP]\\d{2,4}|HI-?K)\\b", ""),
            Rule.of("(?i)^(?:NP[0O]|C0G|GMV|Z5[UV]|Y5[PUV]|X[57]R|N\\d{2,4}|HI-?K)\\s+", ""),
            // "4.7k pf"
            Rule.of("(\\d)\\s*[kK]\\s+[pP][fF]", "$1kpF"),
            // ".05-400"
            Rule.of("^(0?\\.\\d+)\\s*-\\s*(\\d{2,4})(?=V?$)", "$1/$2"),
            // "8-450", but "8-8/450" and "40-20-20/150" are sections
            Rule.of("^(\\d+)-(\\d{3})(?=V?$)", "$1/$2"),
            Rule.of("(?<=\\d)-(?=\\d)", "+"),
            // "8x8 450", "16x16"
            Rule.of("^([7-9]|\\d{2,3})\\s*[xX]\\s*(\\d+)", "$1+$2"),
            // "16 mfd 450"
            Rule.of("(?i)(mfd|mf|uf|µf|mmfd|mmf|pf|nf)\\s+(\\d{2,4})(?=V?$)", "$1/$2"),
            // "8+8 450"
            Rule.of("^(\\d[\\d+.]*)\\s+(\\d{2,4})(?=V?$)", "$1/$2"));

    private static final List<Rule> AMPERES = List.of(
            Rule.of("(?i)^1/2\\s*(a|amps?)$", "0.5$1"),
            Rule.of("(?i)^1/4\\s*(a|amps?)$", "0.25$1"),
            Rule.of("(?i)^3/4\\s*(a|amps?)$", "0.75$1"),
            Rule.of("(?i)^1/8\\s*(a|amps?)$", "0.125$1"));

    private Spelling() {}

    static String canonical(String text, Optional<Unit> expected) {
        String now = apply(ALWAYS, text.strip());
        if (expected.isEmpty()) return apply(AMPERES, apply(List.of(OHMS.get(1)), now));
        return switch (expected.get()) {
            case OHM -> apply(OHMS, now);
            case FARAD -> apply(FARADS, now);
            case AMPERE -> apply(AMPERES, now);
            default -> now;
        };
    }

    private static String apply(List<Rule> rules, String text) {
        String now = text;
        for (Rule r : rules) now = r.apply(now);
        return now.strip();
    }
}
