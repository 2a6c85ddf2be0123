package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.text.Phrase;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** Judges tests of parts by stated limits. */
public final class Tested {
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

    private Tested() {}

    /** Whether it fails, and why or why not. */
    public record Verdict(boolean fails, Phrase words) {}

    /**
     * The test of each part that decides: of the last ones of each kind one that fails, else the last. A leak does not go away because a value was measured later.
     */
    public static Map<String, PartTest> deciding(RecapLog log, Chassis chassis) {
        Map<String, Map<PartTest.What, PartTest>> last = new LinkedHashMap<>();
        Map<String, PartTest> latest = new LinkedHashMap<>();
        for (RecapLog.Tested t : log.tests()) {
            last.computeIfAbsent(t.test().key(), k -> new LinkedHashMap<>())
                    .put(t.test().what(), t.test());
            latest.put(t.test().key(), t.test());
        }
        Map<String, CapacitorSection> sections = new LinkedHashMap<>();
        CapacitorSection.of(chassis).forEach(c -> sections.put(c.key(), c));
        last.forEach((key, tests) -> tests.values().stream()
                .filter(t -> fails(t, Optional.ofNullable(sections.get(key))))
                .findFirst()
                .ifPresent(t -> latest.put(key, t)));
        return latest;
    }

    private static boolean fails(PartTest t, Optional<CapacitorSection> c) {
        return c.map(x -> of(t, x)).orElseGet(() -> of(t)).fails();
    }

    /** The verdict on a capacitor, by stated limits. */
    public static Verdict of(PartTest t, CapacitorSection c) {
        double amount = t.amount();
        return switch (t.what()) {
            case VALUE -> {
                double off = amount / c.farads() - 1;
                double low = c.dielectric() == Dielectric.ELECTROLYTIC ? -0.3 : -0.2;
                double high = c.dielectric() == Dielectric.ELECTROLYTIC ? 1 : 0.3;
                yield verdict(
                        off < low || off > high,
                        "value",
                        Figures.measured(Quantity.farads(amount), c.farads()),
                        Figures.percent(low),
                        Figures.percent(high));
            }
            case ESR -> {
                double most = LOSS / (HUNDRED * c.farads());
                yield verdict(amount > most, "esr", ohms(amount), ohms(most));
            }
            case LEAKAGE -> leakage(t, c);
            case GAIN, EMISSION -> new Verdict(false, Phrase.of("recap.tested.none"));
        };
    }

    private static Verdict leakage(PartTest t, CapacitorSection c) {
        double amount = t.amount();
        double good = t.good();
        double volts = t.volts();
        if (good > 0)
            return verdict(amount > TIMES * good, "leak-good", amperes(amount), amperes(good), Figures.fixed(TIMES, 0));
        if (c.dielectric() == Dielectric.ELECTROLYTIC) {
            double most = formed(c, volts);
            return verdict(amount > most, "leak", amperes(amount), amperes(most));
        }
        double seen = amount > 0 ? volts / amount : Double.POSITIVE_INFINITY;
        return verdict(seen < INSULATION, "insulation", ohms(Math.min(seen, 1e12)), ohms(INSULATION));
    }

    /** What an old electrolytic may leak after it was formed again, in amperes. */
    public static double formed(CapacitorSection c, double volts) {
        return OLD * (LEAKAGE * c.farads() * volts + FORMED);
    }

    /** The verdict on a tube: emission against the tester's reject line. */
    public static Verdict of(PartTest t) {
        double amount = t.amount();
        double good = t.good();
        if (t.what() == PartTest.What.EMISSION && good > 0)
            return verdict(amount < good, "emission", Figures.fixed(amount, 0), Figures.fixed(good, 0));
        if (t.what() == PartTest.What.GAIN && good > 0)
            return verdict(amount < good, "gain", Figures.fixed(amount, 0), Figures.fixed(good, 0));
        return new Verdict(false, Phrase.of("recap.tested.none"));
    }

    /** The verdict on a resistor under a limit of drift. */
    public static Verdict of(PartTest t, Component.Resistor r, double drift) {
        double off = t.amount() / r.ohms() - 1;
        return verdict(
                Math.abs(off) > drift,
                "value",
                Figures.measured(Quantity.ohms(t.amount()), r.ohms()),
                Figures.percent(-drift),
                Figures.percent(drift));
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
