package anabion.core.quantity;

/** The SI units that receivers need. {@link #code} is the ASCII spelling used in machine formats. */
public enum Unit {
    OHM("Ω", "ohm", "resistor"),
    FARAD("F", "F", "capacitor"),
    HENRY("H", "H", "inductor"),
    VOLT("V", "V", "voltage"),
    AMPERE("A", "A", "current"),
    WATT("W", "W", "power"),
    HERTZ("Hz", "Hz", "frequency"),
    SECOND("s", "s", "time");

    private final String symbol;
    private final String code;
    private final String kind;

    Unit(String symbol, String code, String kind) {
        this.symbol = symbol;
        this.code = code;
        this.kind = kind;
    }

    /** As printed: {@code Ω}. */
    public String symbol() {
        return symbol;
    }

    /** As the RKM code writes it: {@code R}. */
    public String code() {
        return code;
    }

    /** What a value in this unit describes, as machine formats name it: {@code resistor}, {@code voltage} and so on. */
    public String kind() {
        return kind;
    }
}
