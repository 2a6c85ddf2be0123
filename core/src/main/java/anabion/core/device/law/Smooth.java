package anabion.core.device.law;

/** Corners made round, so that Newton's method finds a slope everywhere. */
final class Smooth {
    private Smooth() {}

    /** ln(1 + e^x): zero far below zero, x far above. */
    static double softplus(double x) {
        return x > 34 ? x : Math.log1p(Math.exp(x));
    }

    /** About zero below zero, about v above, with a corner of the given width in volts. */
    static double positive(double v, double width) {
        return (v + Math.sqrt(v * v + width * width)) / 2;
    }

    /** ln(1 + e^x) as a deck writes it: the larger part apart, so that no exponential overflows. */
    static String softplus(String x) {
        return "(max(" + x + ",0)+ln(1+exp(-abs(" + x + "))))";
    }

    /** The same as a deck writes it. */
    static String positive(String v, double width) {
        return "((" + v + "+sqrt((" + v + ")*(" + v + ")+" + Deck.number(width * width) + "))/2)";
    }
}
