package anabion.core.recap;

import anabion.core.chassis.Component;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.tree.Coded;
import anabion.core.words.Phrase;
import java.util.Locale;

/**
 * A part measured out of circuit, or a tube in a tester.
 *
 * @param key of the part or section
 * @param amount measured, in SI units; an emission in the tester's own scale
 * @param good what a known good one of the same size showed, or the tester's reject line; 0 for none
 * @param volts at which leakage was measured; 0 otherwise
 */
public record PartTest(String key, What what, double amount, double good, double volts) {
    /** Leakage of several times a good one's fails. */
    static final double TIMES = 3;
    /** A new electrolytic leaks 0.01·C·V amperes at most; an old one that was formed again may leak this many times that. */
    static final double OLD = 5;

    private static final double LEAKAGE = 0.01;
    private static final double FORMED = 3e-6;
    /** Ohms that insulation of paper or film must have. */
    private static final double INSULATION = 1e8;
    /** Loss of an electrolytic that has dried: tan δ at 100 Hz. */
    private static final double LOSS = 0.35;

    private static final double HUNDRED = 2 * Math.PI * 100;

    /** What was measured. */
    public enum What implements Coded {
        VALUE,
        ESR,
        LEAKAGE,
        GAIN,
        EMISSION;

        @Override
        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Whether it fails, and why or why not. */
    public record Verdict(boolean fails, Phrase words) {}

    /** The verdict on a capacitor, by stated limits. */
    public Verdict verdict(Piece c) {
        return switch (what) {
            case VALUE -> {
                double off = amount / c.farads() - 1;
                double low = c.kind() == Kind.ELECTROLYTIC ? -0.3 : -0.2;
                double high = c.kind() == Kind.ELECTROLYTIC ? 1 : 0.3;
                yield verdict(
                        off < low || off > high,
                        "value",
                        Figures.percent(off),
                        Figures.percent(low),
                        Figures.percent(high));
            }
            case ESR -> {
                double most = LOSS / (HUNDRED * c.farads());
                yield verdict(amount > most, "esr", ohms(amount), ohms(most));
            }
            case LEAKAGE -> leakage(c);
            default -> new Verdict(false, Phrase.of("recap.tested.none"));
        };
    }

    private Verdict leakage(Piece c) {
        if (good > 0)
            return verdict(amount > TIMES * good, "leak-good", amperes(amount), amperes(good), Figures.fixed(TIMES, 0));
        if (c.kind() == Kind.ELECTROLYTIC) {
            double most = OLD * (LEAKAGE * c.farads() * volts + FORMED);
            return verdict(amount > most, "leak", amperes(amount), amperes(most));
        }
        double seen = amount > 0 ? volts / amount : Double.POSITIVE_INFINITY;
        return verdict(seen < INSULATION, "insulation", ohms(Math.min(seen, 1e12)), ohms(INSULATION));
    }

    /** The verdict on a tube: emission against the tester's reject line. */
    public Verdict verdict() {
        if (what == What.EMISSION && good > 0)
            return verdict(amount < good, "emission", Figures.fixed(amount, 0), Figures.fixed(good, 0));
        if (what == What.GAIN && good > 0)
            return verdict(amount < good, "gain", Figures.fixed(amount, 0), Figures.fixed(good, 0));
        return new Verdict(false, Phrase.of("recap.tested.none"));
    }

    /** The verdict on a resistor under a limit of drift. */
    public Verdict verdict(Component.Resistor r, double drift) {
        double off = amount / r.ohms() - 1;
        return verdict(
                Math.abs(off) > drift, "value", Figures.percent(off), Figures.percent(-drift), Figures.percent(drift));
    }

    private static Verdict verdict(boolean fails, String what, Object... fillings) {
        return new Verdict(fails, Phrase.of("recap.tested." + what + (fails ? ".bad" : ".good"), fillings));
    }

    private static String ohms(double v) {
        return Figures.si(new Quantity(v, Unit.OHM));
    }

    private static String amperes(double v) {
        return Figures.si(new Quantity(v, Unit.AMPERE));
    }
}
