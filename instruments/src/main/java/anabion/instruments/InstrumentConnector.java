package anabion.instruments;

import anabion.core.error.InputException;
import java.util.List;

/** Connects to instruments by their addresses. A port: whoever asks for an instrument need not know how it speaks. */
public interface InstrumentConnector {
    /**
     * @param role decides which interface the instrument has
     * @param address as {@link Address#parse} reads it
     * @throws InputException if the address is none
     * @throws InstrumentException if nobody answers there
     */
    Instrument connect(InstrumentRole role, String address);

    /**
     * The roles that one address serves, where it serves several.
     *
     * @throws InputException if the address is none
     * @throws InstrumentException if nobody answers there, or what answers is a single instrument
     */
    List<InstrumentRole> roles(String address);
}
