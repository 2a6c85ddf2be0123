package anabion.core.device.model;

import java.util.Locale;

/** Spelling of numbers and sources in a SPICE-style deck. */
final class SpiceSyntax {
    private SpiceSyntax() {}

    static String number(double value) {
        return String.format(Locale.ROOT, "%.9g", value);
    }

    static String volts(String plus, String minus) {
        return "V(" + plus + "," + minus + ")";
    }

    /** A current from one node to another by an expression. */
    static String current(String name, String from, String to, String expression) {
        return "B" + name + " " + from + " " + to + " I=" + expression;
    }
}
