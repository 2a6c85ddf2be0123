package anabion.core.quantity;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The suffixes of the trade, old and new. Old lists write MFD and MMF; Europe wrote centimetres (1 cm = 1.11265 pF, the
 * Gaussian unit of capacitance, 1/(c²·10⁻⁷·100)). Case matters only for m/M; everything else is read in either case.
 */
final class Suffixes {
    /** One centimetre of capacitance in farads: 10⁷/c² × 10⁻², with c in m/s. */
    static final double CENTIMETRE = 1e5 / (299_792_458.0 * 299_792_458.0);

    /** A jar of the British navy: a thousand centimetres. */
    private static final double JAR = 1000 * CENTIMETRE;

    private static final String MILLI_FARAD = "mF in today's spelling is a millifarad";
    private static final List<Prefix> EXACT = new ArrayList<>();
    private static final List<Prefix> ANY_CASE = new ArrayList<>();

    static {
        exact(Unit.OHM, 1e-3, "mΩ", "mohm", "mohms");
        exact(Unit.OHM, 1e6, "MΩ", "Mohm", "Mohms", "MR");
        exact(Unit.HERTZ, 1e6, "MHz", "Mc", "Mc/s", "MC", "mc", "mc/s", "Mhz");
        exact(Unit.HERTZ, 1e-3, "mHz");
        exact(Unit.VOLT, 1e-3, "mV", "mv");
        exact(Unit.AMPERE, 1e-3, "mA", "ma", "MA");
        exact(Unit.WATT, 1e-3, "mW", "mw");
        exact(Unit.HENRY, 1e-3, "mH", "mh", "MH");
        exact(Unit.SECOND, 1e-3, "ms");
        EXACT.add(Prefix.doubtful("mF", Unit.FARAD, 1e-6, 1e-3, MILLI_FARAD));
        any(Unit.OHM, 1, "Ω", "ohm", "ohms", "r");
        any(Unit.OHM, 1e3, "kΩ", "kohm", "kohms", "kr");
        any(Unit.OHM, 1e6, "meg", "megohm", "megohms", "megΩ");
        any(Unit.FARAD, 1, "f");
        any(Unit.FARAD, 1e-6, "mfd", "mf", "uf", "ufd", "mfds", "µf");
        any(Unit.FARAD, 1e-12, "mmfd", "mmf", "uuf", "uufd", "pf", "pfd", "mmfds");
        any(Unit.FARAD, 1e-9, "nf", "kpf");
        any(Unit.FARAD, CENTIMETRE, "cm");
        any(Unit.FARAD, JAR, "jar", "jars");
        any(Unit.HENRY, 1, "h", "hy");
        any(Unit.HENRY, 1e-6, "uh");
        any(Unit.VOLT, 1, "v", "volt", "volts", "vdc", "vac", "wv", "vw", "wvdc");
        any(Unit.VOLT, 1e3, "kv");
        any(Unit.VOLT, 1e-6, "uv");
        any(Unit.AMPERE, 1, "a", "amp", "amps");
        any(Unit.AMPERE, 1e-6, "ua");
        any(Unit.WATT, 1, "w", "watt", "watts");
        any(Unit.HERTZ, 1, "hz", "c/s", "cps");
        any(Unit.HERTZ, 1e3, "khz", "kc", "kc/s");
        any(Unit.SECOND, 1, "s", "sec");
        any(Unit.SECOND, 60, "min");
    }

    private Suffixes() {}

    private static void exact(Unit unit, double factor, String... texts) {
        for (String text : texts) EXACT.add(Prefix.of(text, unit, factor));
    }

    private static void any(Unit unit, double factor, String... texts) {
        for (String text : texts) ANY_CASE.add(Prefix.of(text, unit, factor));
    }

    /** The suffix that the whole word is, or none. A bare multiplier ({@code k}, {@code M}) has no unit. */
    static Optional<Prefix> find(String word) {
        for (Prefix p : EXACT) if (p.text().equals(word)) return Optional.of(p);
        // not by lower-casing the word: that would turn Ω into ω
        for (Prefix p : ANY_CASE) if (p.text().equalsIgnoreCase(word)) return Optional.of(p);
        return multiplier(word);
    }

    private static Optional<Prefix> multiplier(String word) {
        return switch (word) {
            case "k", "K" -> Optional.of(Prefix.of(word, null, 1e3));
            case "M" -> Optional.of(Prefix.of(word, null, 1e6));
            case "m" -> Optional.of(Prefix.of(word, null, 1e-3));
            case "u", "U" -> Optional.of(Prefix.of(word, Unit.FARAD, 1e-6));
            case "n", "N" -> Optional.of(Prefix.of(word, Unit.FARAD, 1e-9));
            case "p", "P" -> Optional.of(Prefix.of(word, Unit.FARAD, 1e-12));
            default -> Optional.empty();
        };
    }
}
