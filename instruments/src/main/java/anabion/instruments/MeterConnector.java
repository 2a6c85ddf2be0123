package anabion.instruments;

import anabion.core.error.InputException;

/** Connects to the meter at an address. A port: whoever asks for a meter need not know how it speaks. */
@FunctionalInterface
public interface MeterConnector {
    /**
     * @throws InputException if the address is none
     * @throws MeterException if nobody answers there
     */
    Meter connect(String address);
}
