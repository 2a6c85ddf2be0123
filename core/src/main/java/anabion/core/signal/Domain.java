package anabion.core.signal;

import anabion.core.json.Coded;

/** The three linear problems that make a superhet. */
public enum Domain implements Coded {
    /** At the carrier, from the aerial to the converter, or to the detector of a straight set. */
    RF,
    /** At the intermediate frequency. */
    IF,
    /** Sound. */
    AF;

    @Override
    public String code() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
