package anabion.core.device;

import java.util.Optional;

/**
 * A socket as seen from below (the solder side), pins counted clockwise from the key, gap or blank. Pin circles are evenly
 * divided; where the base has a gap, the gap takes one division. (Dimensions: the public base standards.)
 */
public enum Base {
    MINIATURE_7("miniature-7", 7, 8, Key.GAP),
    NOVAL("noval", 9, 10, Key.GAP),
    OCTAL("octal", 8, 8, Key.SPIGOT),
    LOCTAL("loctal", 8, 8, Key.SPIGOT),
    RIMLOCK("rimlock", 8, 8, Key.RIDGE),
    PINS_4("pins-4", 4, 4, Key.THICK),
    PINS_5("pins-5", 5, 5, Key.THICK),
    PINS_6("pins-6", 6, 6, Key.THICK),
    PINS_7("pins-7", 7, 7, Key.THICK),
    SIDE_CONTACT_8("side-contact-8", 8, 8, Key.GAP),
    TRANSISTOR_3("transistor-3", 3, 4, Key.GAP),
    TRANSISTOR_4("transistor-4", 4, 5, Key.GAP),
    DIODE_2("diode-2", 2, 2, Key.GAP);

    /** What the counting starts from. */
    public enum Key {
        GAP,
        SPIGOT,
        RIDGE,
        /** The two thick pins of the heater lie to either side of it. */
        THICK
    }

    private final String code;
    private final int pins;
    private final int divisions;
    private final Key key;

    Base(String code, int pins, int divisions, Key key) {
        this.code = code;
        this.pins = pins;
        this.divisions = divisions;
        this.key = key;
    }

    /** The code in files. */
    public String code() {
        return code;
    }

    /** How many pins it has. */
    public int pins() {
        return pins;
    }

    /** How a plug finds its place in it. */
    public Key key() {
        return key;
    }

    /** The base of a code; empty for another word. */
    public static Optional<Base> named(String code) {
        for (Base b : values()) if (b.code.equals(code)) return Optional.of(b);
        return Optional.empty();
    }

    /**
     * Where a pin lies, in degrees clockwise from the key at the bottom (six o'clock), seen from below; from above, negate it.
     *
     * @param pin 1 to {@link #pins()}
     */
    public double degrees(int pin) {
        if (pin < 1 || pin > pins) throw new IllegalArgumentException("a " + code + " base has no pin " + pin);
        double step = 360.0 / divisions;
        return divisions > pins ? pin * step : (pin - 0.5) * step;
    }
}
