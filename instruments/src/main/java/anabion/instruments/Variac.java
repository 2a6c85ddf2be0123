package anabion.instruments;

/** What feeds the set: a variable transformer, or a supply of direct current, that a program can turn. */
public interface Variac extends Instrument {
    /**
     * Turns its dial.
     *
     * @param volts effective; 0 is off
     * @throws InstrumentException if it does not answer, or cannot give so much
     */
    void turn(double volts);

    /** @return volts that its dial stands at
     * @throws InstrumentException if it does not answer */
    double dial();
}
