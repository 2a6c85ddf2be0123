package anabion.core.recap;

import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;

/** A choice in short print. */
public final class Labels {
    private Labels() {}

    /** {@code 4.7 nF}, {@code 1000 µF}: nobody writes millifarads. */
    public static String farads(double value) {
        return value >= 0.9995e-3 ? Figures.fixed(value * 1e6, 0) + " µF" : Figures.si(new Quantity(value, Unit.FARAD));
    }

    /** {@code 10 nF 630 V}, {@code 2.2 nF Y2}, {@code 2 × 100 µF 400 V}; a dash where there is no value. */
    public static String of(Choice c) {
        if (!(c.value() > 0)) return "–";
        String value = farads(c.value());
        if (c.safety().isPresent()) return value + " " + c.safety().get().klass();
        String volts = c.volts() > 0
                ? " " + Figures.fixed(c.volts(), c.volts() < 10 && c.volts() % 1 != 0 ? 1 : 0) + " V"
                : "";
        return (c.pair().isPresent() ? "2 × " : "") + value + volts + (c.pulses() ? " pulse" : "");
    }
}
