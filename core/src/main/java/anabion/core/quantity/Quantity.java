package anabion.core.quantity;

/** A value in an SI unit. */
public record Quantity(double value, Unit unit) {
    public static Quantity ohms(double value) {
        return new Quantity(value, Unit.OHM);
    }

    public static Quantity volts(double value) {
        return new Quantity(value, Unit.VOLT);
    }

    public static Quantity hertz(double value) {
        return new Quantity(value, Unit.HERTZ);
    }

    public static Quantity amperes(double value) {
        return new Quantity(value, Unit.AMPERE);
    }

    public static Quantity farads(double value) {
        return new Quantity(value, Unit.FARAD);
    }
}
