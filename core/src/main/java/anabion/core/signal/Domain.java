package anabion.core.signal;

/** The three linear problems that make a superhet. */
public enum Domain {
    /** At the carrier, from the aerial to the converter, or to the detector of a straight set. */
    RF,
    /** At the intermediate frequency. */
    IF,
    /** Sound. */
    AF;

    /** The code in files. */
    public String code() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }
}
