package anabion.core.circuit;

import java.util.List;

/**
 * The static law of a device whose currents are not proportional to its voltages.
 *
 * <p>A law says currents only. The solver takes the conductances by forward differences with a step of a millionth of a volt
 * (relative above one volt); their error, some 1e-5, slows Newton's method imperceptibly and does not touch the solution, which
 * rests on the currents alone. Laws are therefore continuous, with a continuous slope, everywhere.
 */
public interface DeviceModel {
    int terminals();

    /**
     * @param volts of the terminals against the reference
     * @param amperes set to the currents into the terminals; they sum to zero
     */
    void currents(double[] volts, double[] amperes);

    /**
     * The law as lines of a SPICE-style deck.
     *
     * @param name unique in the deck
     * @param nodes the terminals' nodes
     */
    List<String> deck(String name, List<String> nodes);
}
