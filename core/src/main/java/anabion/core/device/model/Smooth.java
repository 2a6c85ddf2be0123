package anabion.core.device.model;

/** Corners made round, so that Newton's method finds a slope everywhere. */
final class Smooth {
    private Smooth() {}

    /**
     * ln(1 + e^x): zero far below zero, x far above. The logarithm next to one is the plain one times what rounding did to its argument (Goldberg, What Every
     * Computer Scientist Should Know About Floating-Point Arithmetic, theorem 4): as exact as the library's, and several times as fast.
     */
    static double softplus(double x) {
        if (x > 34) return x;
        double e = Math.exp(x);
        double sum = 1 + e;
        return sum == 1 ? e : Math.log(sum) * (e / (sum - 1));
    }

    /** About zero below zero, about v above, with a corner of the given width in volts. */
    static double positive(double v, double width) {
        return (v + Math.sqrt(v * v + width * width)) / 2;
    }

    /** ln(1 + e^x) as a deck writes it: the larger part apart, so that no exponential overflows. */
    static String softplus(String x) {
        return "(max(" + x + ",0)+ln(1+exp(-abs(" + x + "))))";
    }

    /** The smooth positive part as a deck writes it. */
    static String positive(String v, double width) {
        return "((" + v + "+sqrt((" + v + ")*(" + v + ")+" + SpiceSyntax.number(width * width) + "))/2)";
    }
}
