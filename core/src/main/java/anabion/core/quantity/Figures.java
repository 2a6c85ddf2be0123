package anabion.core.quantity;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.Locale;

/** The one writer of values: engineering prefixes, a true minus sign, always a decimal point, whatever the machine's locale. */
public final class Figures {
    /** From here on a share would be rounded to all of it. */
    private static final double NEARLY = 0.995;

    private static final String[] PREFIXES = {"p", "n", "µ", "m", "", "k", "M", "G"};
    private static final int UNITY = 4;
    private static final int MICRO = 2;
    private static final int MEASURED = 4;

    private Figures() {}

    /** A value with an engineering prefix and up to three significant figures: {@code 4.7 kΩ}, {@code 50 nF}. */
    public static String si(Quantity q) {
        return significant(q.value(), q.unit().symbol(), 3);
    }

    /** As {@link #si(Quantity)}, with fewer figures: a computed level or leak is not known to a thousandth. */
    public static String si(Quantity q, int figures) {
        return significant(q.value(), q.unit().symbol(), figures);
    }

    /** As {@link #si(Quantity)}, but capacitors in the old units: {@code 0.05 µF} becomes {@code 0.05 mfd}, picofarads mmfd. */
    public static String old(Quantity q) {
        if (q.unit() != Unit.FARAD) return si(q);
        return q.value() >= 0.99e-9 ? trimmed(q.value() * 1e6, 3) + " mfd" : trimmed(q.value() * 1e12, 3) + " mmfd";
    }

    /** As the RKM code of IEC 60062, which {@link Notation} reads back: {@code 6k8}, {@code 470k}, {@code 4n7}, {@code R33}. */
    public static String rkm(Quantity q) {
        // below one ohm a small m would be read as mega
        if (q.unit() == Unit.OHM && q.value() < 1) return trimmed(q.value(), 4).replace('.', 'R');
        int p = prefixIndex(q.value());
        String number = trimmed(scaled(q.value(), p), 4);
        String letter =
                PREFIXES[p].isEmpty() ? (q.unit() == Unit.OHM ? "R" : q.unit().code()) : PREFIXES[p];
        int dot = number.indexOf('.');
        if (dot < 0) return number + (letter.equals("R") ? "" : letter);
        return number.substring(0, dot) + letter + number.substring(dot + 1);
    }

    private static String significant(double value, String symbol, int digits) {
        if (value == 0) return "0 " + symbol;
        double rounded = new BigDecimal(value).round(new MathContext(digits)).doubleValue();
        // nobody writes millifarads
        int most = symbol.equals(Unit.FARAD.symbol()) ? MICRO : PREFIXES.length - 1;
        int p = Math.min(most, prefixIndex(rounded));
        return minus(trimmed(scaled(rounded, p), digits)) + " " + PREFIXES[p] + symbol;
    }

    private static int prefixIndex(double value) {
        if (value == 0) return UNITY;
        int power = (int) Math.floor(Math.log10(Math.abs(value)) + 1e-9);
        return Math.max(0, Math.min(PREFIXES.length - 1, Math.floorDiv(power, 3) + UNITY));
    }

    private static double scaled(double value, int prefix) {
        return value / Math.pow(10, 3.0 * (prefix - UNITY));
    }

    private static String trimmed(double value, int digits) {
        String text = new BigDecimal(value)
                .round(new MathContext(digits))
                .stripTrailingZeros()
                .toPlainString();
        return text;
    }

    /** A number with so many decimals and a true minus sign. */
    public static String fixed(double value, int decimals) {
        BigDecimal rounded = new BigDecimal(value).setScale(decimals, RoundingMode.HALF_EVEN);
        return rounded.signum() == 0 ? rounded.abs().toPlainString() : minus(rounded.toPlainString());
    }

    /** Volts as a bench meter shows them: two decimals below 1 V, one below 100 V, none above. */
    public static String volts(double value) {
        double size = Math.abs(value);
        return fixed(value, size < 0.995 && size > 0 ? 2 : size < 99.95 ? 1 : 0);
    }

    /** Ohms as a bench meter shows them: a tenth below one, two figures above. */
    public static String ohms(double value) {
        return value < 1 ? fixed(value, 1) + " Ω" : si(Quantity.ohms(value), 2);
    }

    /** What was read on a meter, with all the figures that a bench meter has, so that it is seen as it was typed: {@code 247 kΩ}. */
    public static String measured(Quantity q) {
        // a meter shows a winding's 0.08 Ω so, not as milliohms
        if (q.unit() == Unit.OHM && Math.abs(q.value()) < 1) return trimmed(q.value(), MEASURED) + " Ω";
        return significant(q.value(), q.unit().symbol(), MEASURED);
    }

    /** As {@link #measured(Quantity)}, with how far that is from what it should be: {@code 247 kΩ (+12.3 %)}. */
    public static String measured(Quantity q, double nominal) {
        return measured(q) + " (" + deviation(q.value() / nominal - 1) + ")";
    }

    /** How far off something is, with its sign: {@code +12.3 %}. */
    public static String deviation(double fraction) {
        double off = 100 * fraction;
        return (off >= 0.05 ? "+" : "") + fixed(off, Math.abs(off) < 99.95 ? 1 : 0) + " %";
    }

    /** Odds as a whole percentage; what is not quite certain, or not quite nothing, is not said to be: {@code > 99 %}, {@code < 1 %}. */
    public static String odds(double share) {
        if (share < 1 && share >= NEARLY) return "> 99 %";
        if (share > 0 && share < 1 - NEARLY) return "< 1 %";
        return percent(share);
    }

    /** A whole percentage: {@code 8 %}. */
    public static String percent(double fraction) {
        return String.format(Locale.ROOT, "%.0f %%", fraction * 100);
    }

    private static String minus(String text) {
        return text.startsWith("-") ? "−" + text.substring(1) : text;
    }
}
