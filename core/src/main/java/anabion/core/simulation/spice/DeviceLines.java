package anabion.core.simulation.spice;

import anabion.core.circuit.DeviceModel;
import anabion.core.device.model.RectifierLaw;
import java.util.List;

/** How the devices of a set are written into a deck: by their own laws, or by others in their place. */
public interface DeviceLines {
    /** By their own laws. */
    DeviceLines OWN = new DeviceLines() {
        @Override
        public List<String> device(DeviceModel law, String name, List<String> nodes) {
            return law.deck(name, nodes);
        }

        @Override
        public String rectifier(RectifierLaw law, String name, String plate, String cathode) {
            return law.deck(name, plate, cathode);
        }

        @Override
        public double leak(double farads) {
            return Double.POSITIVE_INFINITY;
        }
    };

    /**
     * A device in the circuit.
     *
     * @param name unique in the deck
     * @param nodes its terminals' nodes
     */
    List<String> device(DeviceModel law, String name, List<String> nodes);

    /** A path of a rectifier, as one line or several. */
    String rectifier(RectifierLaw law, String name, String plate, String cathode);

    /**
     * What leaks across a sound capacitor.
     *
     * @param farads from a nanofarad on
     * @return ohms; infinite for none
     */
    double leak(double farads);
}
