package anabion.instruments;

/** A wattmeter between what feeds the set and the set. */
public interface Wattmeter extends Instrument {
    /**
     * What it shows at one time.
     *
     * @param volts effective, at the set
     * @param amperes effective
     * @param watts of the set
     */
    record Load(double volts, double amperes, double watts) {}

    /** @throws InstrumentException if it does not answer, or is over its range */
    Load read();
}
