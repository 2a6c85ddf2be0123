package anabion.core.numeric;

/** An alternating quantity of one frequency. */
public record Phasor(double re, double im) {
    /** Its magnitude, from zero. */
    public double size() {
        return Math.hypot(re, im);
    }

    /** In radians. */
    public double angle() {
        return Math.atan2(im, re);
    }

    /** The sum. */
    public Phasor plus(Phasor o) {
        return new Phasor(re + o.re, im + o.im);
    }

    /** The difference. */
    public Phasor minus(Phasor o) {
        return new Phasor(re - o.re, im - o.im);
    }

    /** The product. */
    public Phasor times(Phasor o) {
        return new Phasor(re * o.re - im * o.im, re * o.im + im * o.re);
    }

    /** The product with a real number. */
    public Phasor times(double by) {
        return new Phasor(re * by, im * by);
    }

    /** The quotient; not finite where the other is zero. */
    public Phasor over(Phasor o) {
        double size = o.re * o.re + o.im * o.im;
        return new Phasor((re * o.re + im * o.im) / size, (im * o.re - re * o.im) / size);
    }
}
