package anabion.core.chassis;

import anabion.core.json.Coded;
import java.util.Locale;
import java.util.Optional;

/** How a part fails, in the words of the fault grammar. */
public enum FaultMode implements Coded {
    OPEN,
    SHORT,
    /** A resistor whose value has moved. */
    DRIFTED,
    LEAKY,
    /** An electrolytic that has lost its capacitance. */
    DRIED,
    WEAK,
    DEAD,
    /** A tube whose grid draws current; amperes. */
    GASSY,
    /** A tube that gives a share of its emission. */
    EMISSION,
    HEATER_OPEN,
    HEATER_CATHODE,
    /** What hangs on a pin of a heater touches the chassis. */
    EARTHED,
    /** A transistor that gives a share of its gain. */
    GAIN,
    /** A bad joint at a pin. */
    JOINT,
    /** Another value is fitted. */
    WRONG,
    MISTUNED,
    /** A winding that leaks to its core or can. */
    CORE;

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The mode of a word in the grammar. */
    public static Optional<FaultMode> named(String code) {
        return Coded.find(values(), code);
    }

    /** Whether its amount is a plain number: a share, or amperes. */
    public boolean isPlain() {
        return this == EMISSION || this == GASSY || this == GAIN || this == DRIED || this == MISTUNED;
    }

    /** Whether it is the work of hands rather than of age. */
    public boolean isOfHands() {
        return this == JOINT || this == WRONG || this == MISTUNED || this == EARTHED;
    }

    /** Whether it lies in what is soldered to a part, not in the part: no tester finds it, and no new part mends it. */
    public boolean isOfWiring() {
        return this == JOINT || this == EARTHED;
    }

    /** Whether a tube's heater, or what it hangs on, has failed. */
    public boolean isOfHeater() {
        return this == HEATER_OPEN || this == HEATER_CATHODE || this == EARTHED;
    }
}
