package anabion.core.device.model;

/**
 * One path of a rectifier: forward current from forward volts.
 *
 * <p>Vacuum: I = K·V^1.5 (Child and Langmuir), corner rounded. Semiconductor: junction with series resistance, found by inversion:
 * V = n·V_T·ln(1 + I/I_s) + I·R. Gas, and the contact of a vibrator: nothing up to a threshold, a resistance above it.
 */
public sealed interface RectifierLaw {
    /** Forward amperes at forward volts; nothing, or as good as nothing, in reverse. */
    double amperes(double volts);

    RectifierLaw weakened(double factor);

    /** The path as a line of a deck. */
    String deck(String name, String from, String to);

    /** This path with a resistance in series. */
    RectifierLaw behind(double ohms);

    /** Two of it in series, as a bridge has. */
    RectifierLaw doubled();

    record Vacuum(double perveance, double ohms) implements RectifierLaw {
        private static final double EDGE = 0.05;

        /** With y² the drop across the vacuum, R·K·y³ + y² = V: Newton's method from above, where it converges monotonically. */
        @Override
        public double amperes(double volts) {
            if (volts < -40 * EDGE) return 0;
            double v = EDGE * Smooth.softplus(volts / EDGE);
            double y = Math.sqrt(v);
            if (ohms > 0) {
                double a = ohms * perveance;
                // with y = √v·z the root z lies below one, and below the fourth root of 1/(a·√v) where that is smaller
                double steep = a * y;
                if (steep > 1) y /= Math.sqrt(Math.sqrt(steep));
                for (int n = 0; n < 30; n++) {
                    double step = (a * y * y * y + y * y - v) / (3 * a * y * y + 2 * y);
                    y -= step;
                    if (Math.abs(step) < 1e-12 * y) break;
                }
            }
            return perveance * y * y * y;
        }

        @Override
        public RectifierLaw weakened(double factor) {
            return new Vacuum(perveance * factor, ohms);
        }

        @Override
        public RectifierLaw behind(double more) {
            return new Vacuum(perveance, ohms + more);
        }

        @Override
        public RectifierLaw doubled() {
            return new Vacuum(perveance / Math.pow(2, 1.5), 2 * ohms);
        }

        /** Without its series resistance, which the deck has as a resistor. */
        @Override
        public String deck(String name, String from, String to) {
            String v = Smooth.positive(SpiceSyntax.volts(from, to), EDGE);
            return SpiceSyntax.current(name, from, to, SpiceSyntax.number(perveance) + "*" + v + "*sqrt(" + v + ")");
        }
    }

    /**
     * @param volts threshold
     * @param ohms above it
     */
    record Threshold(double volts, double ohms) implements RectifierLaw {
        private static final double EDGE = 0.03;

        @Override
        public double amperes(double u) {
            return EDGE * Smooth.softplus((u - volts) / EDGE) / ohms;
        }

        @Override
        public RectifierLaw weakened(double factor) {
            return new Threshold(volts, ohms / factor);
        }

        @Override
        public RectifierLaw behind(double more) {
            return new Threshold(volts, ohms + more);
        }

        @Override
        public RectifierLaw doubled() {
            return new Threshold(2 * volts, 2 * ohms);
        }

        @Override
        public String deck(String name, String from, String to) {
            String edge = SpiceSyntax.number(EDGE);
            String above = "(" + SpiceSyntax.volts(from, to) + "-" + SpiceSyntax.number(volts) + ")/" + edge;
            return SpiceSyntax.current(
                    name, from, to, edge + "*" + Smooth.softplus(above) + "/" + SpiceSyntax.number(ohms));
        }
    }

    /**
     * @param slope n·V_T in volts, times the number of cells in series
     * @param saturation I_s in amperes
     * @param ohms series resistance
     */
    record Junction(double slope, double saturation, double ohms) implements RectifierLaw {
        @Override
        public double amperes(double volts) {
            if (volts <= 0) return saturation * Math.expm1(Math.max(volts / slope, -40));
            double low = 0;
            double high = Math.min(volts / Math.max(ohms, 1e-9), saturation * Math.exp(Math.min(volts / slope, 600)));
            double i = high;
            for (int n = 0; n < 60; n++) {
                double f = slope * Math.log1p(i / saturation) + i * ohms - volts;
                if (f > 0) high = i;
                else low = i;
                double next = i - f / (slope / (saturation + i) + ohms);
                if (!(next > low && next < high)) next = (low + high) / 2;
                if (Math.abs(next - i) < 1e-10 * i + 1e-15) return next;
                i = next;
            }
            return i;
        }

        @Override
        public RectifierLaw weakened(double factor) {
            return new Junction(slope, saturation, ohms / factor);
        }

        @Override
        public RectifierLaw behind(double more) {
            return new Junction(slope, saturation, ohms + more);
        }

        @Override
        public RectifierLaw doubled() {
            return new Junction(2 * slope, saturation, 2 * ohms);
        }

        @Override
        public String deck(String name, String from, String to) {
            String model = "M" + name;
            return "D" + name + " " + from + " " + to + " " + model + "\n.model " + model + " D(IS="
                    + SpiceSyntax.number(saturation) + " N=" + SpiceSyntax.number(slope / 0.025865) + " RS="
                    + SpiceSyntax.number(ohms)
                    + ")";
        }
    }
}
