package anabion.core.quantity;

/** A value in an SI unit. */
public record Quantity(double value, Unit unit) {
    /** @param value in ohms */
    public static Quantity ohms(double value) {
        return new Quantity(value, Unit.OHM);
    }

    /** @param value in volts */
    public static Quantity volts(double value) {
        return new Quantity(value, Unit.VOLT);
    }

    /** @param value in hertz */
    public static Quantity hertz(double value) {
        return new Quantity(value, Unit.HERTZ);
    }

    /** @param value in amperes */
    public static Quantity amperes(double value) {
        return new Quantity(value, Unit.AMPERE);
    }

    /** @param value in henries */
    public static Quantity henries(double value) {
        return new Quantity(value, Unit.HENRY);
    }

    /** @param value in farads */
    public static Quantity farads(double value) {
        return new Quantity(value, Unit.FARAD);
    }
}
