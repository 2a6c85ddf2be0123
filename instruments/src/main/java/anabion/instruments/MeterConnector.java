package anabion.instruments;

import anabion.core.error.BadInput;

/** Connects to the meter at an address. A port: whoever asks for a meter need not know how it speaks. */
@FunctionalInterface
public interface MeterConnector {
    /**
     * @throws BadInput if the address is none
     * @throws MeterTrouble if nobody answers there
     */
    Meter connect(String address);
}
