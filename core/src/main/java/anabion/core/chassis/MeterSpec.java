package anabion.core.chassis;

import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import java.util.Locale;
import java.util.OptionalDouble;

/** A voltmeter as a load: either a fixed input resistance ({@code 10M}) or ohms per volt of its range ({@code 20k/V@250}). */
public sealed interface MeterSpec {
    /** The load in ohms while it shows so many volts. */
    double ohmsAt(double volts);

    /** The spelling that {@link #parse} reads. */
    String text();

    /** A meter whose resistance does not depend on the range. */
    record Fixed(double ohms) implements MeterSpec {
        @Override
        public double ohmsAt(double volts) {
            return ohms;
        }

        @Override
        public String text() {
            return Figures.rkm(Quantity.ohms(ohms));
        }
    }

    /** A moving-coil meter; without a range, the smallest standard one that holds the value is taken. */
    record PerVolt(double ohmsPerVolt, OptionalDouble range) implements MeterSpec {
        private static final double[] RANGES = {1, 2.5, 10, 50, 250, 500, 1000};

        @Override
        public double ohmsAt(double volts) {
            return ohmsPerVolt * rangeFor(volts);
        }

        private double rangeFor(double volts) {
            if (range.isPresent()) return range.getAsDouble();
            for (double r : RANGES) if (r >= Math.abs(volts)) return r;
            return RANGES[RANGES.length - 1];
        }

        @Override
        public String text() {
            String base = Figures.rkm(Quantity.ohms(ohmsPerVolt)) + "/V";
            return range.isPresent()
                    ? base + "@"
                            + Figures.rkm(new Quantity(range.getAsDouble(), Unit.OHM))
                                    .replace("R", ".")
                    : base;
        }
    }

    /** The standard ranges of a moving-coil meter in volts, smallest first. */
    static java.util.List<Double> ranges() {
        return java.util.Arrays.stream(PerVolt.RANGES).boxed().toList();
    }

    /** This meter on another range; a fixed meter stays as it is. */
    default MeterSpec onRange(double volts) {
        return this instanceof PerVolt p ? new PerVolt(p.ohmsPerVolt(), OptionalDouble.of(volts)) : this;
    }

    /**
     * Reads {@code 10M}, {@code 20k/V} or {@code 20k/V@250}.
     *
     * @throws InputException if it is neither
     */
    static MeterSpec parse(String text) {
        String plain = text.strip();
        int perVolt = plain.toUpperCase(Locale.ROOT).indexOf("/V");
        if (perVolt < 0)
            return new Fixed(positive(plain, Notation.decode(plain, Unit.OHM).value()));
        double ohms = positive(
                plain, Notation.decode(plain.substring(0, perVolt), Unit.OHM).value());
        String rest = plain.substring(perVolt + 2).strip();
        if (rest.isEmpty()) return new PerVolt(ohms, OptionalDouble.empty());
        if (!rest.startsWith("@")) {
            throw InputException.in(text, perVolt + 2)
                    .because("a range is written behind @")
                    .so("write it like 20k/V@250");
        }
        return new PerVolt(ohms, OptionalDouble.of(positive(plain, Notation.exact(rest.substring(1), Unit.VOLT))));
    }

    private static double positive(String text, double value) {
        if (value > 0) return value;
        throw InputException.at("\"" + text + "\"")
                .because("a meter's resistance and range are above zero")
                .so("write it like 10M or 20k/V@250");
    }
}
