package anabion.instruments;

/** An output meter across the speaker. */
public interface OutputMeter extends Instrument {
    /**
     * @return effective volts at the speaker
     * @throws InstrumentException if it does not answer, or is over its range
     */
    double volts();
}
