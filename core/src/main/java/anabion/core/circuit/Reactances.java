package anabion.core.circuit;

import java.util.List;

/** What a network has besides the elements that direct current sees: taken in by a small-signal network, and by a deck. */
public interface Reactances {
    /** Adds a capacitor with its losses, or a loss alone that direct current does not see; nets that are not there are ignored. */
    void capacitor(String a, String b, double farads, double siemens);

    /** Adds a transistor in the place of its law; nothing where a net is not there. */
    void transistor(String base, String collector, String emitter, HybridPi model);

    /**
     * Adds coils on one core.
     *
     * @param ends of each coil, two nets; like ends are named first
     * @param ohms of their copper
     * @param loss of each, the reciprocal of its quality without copper
     * @param henries self-inductances in the diagonal, mutual ones beside it
     */
    void coils(List<String[]> ends, double[] ohms, double[] loss, double[][] henries);
}
