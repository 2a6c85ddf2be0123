package anabion.instruments;

/** A signal generator. */
public interface Generator extends Instrument {
    /** Hertz of the tone with which a carrier is modulated. */
    double TONE = 400;

    /**
     * Gives a signal.
     *
     * @param hertz of the carrier, or of the tone itself
     * @param volts effective, without load
     * @param depth of its modulation by {@value #TONE} Hz, 0 to 1; 0 for a plain tone
     * @throws InstrumentException if it does not answer, or cannot give that
     */
    void give(double hertz, double volts, double depth);

    /** Gives nothing.
     *
     * @throws InstrumentException if it does not answer */
    void rest();
}
