package anabion.core.rectifier;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/**
 * Mean current of a rectifier by its {@link Characteristic}, as an element of a circuit. It is drawn in equal parts from the nets that feed the rectifier, and given in equal parts
 * to those that it feeds: what falls on its way along windings, heaters and droppers a meter shows as direct volts there.
 *
 * <p>Terminals: those to which current is given, those from which it is drawn, the reservoir, and the reservoir's foot.
 *
 * @param given number of nets to which it is given
 * @param drawn number of nets from which it is drawn
 */
public record RailCurrent(Characteristic characteristic, int given, int drawn) implements DeviceModel {
    @Override
    public int terminals() {
        return given + drawn + 2;
    }

    /** Place of the reservoir among the terminals; its foot follows. */
    public int reservoir() {
        return given + drawn;
    }

    @Override
    public void currents(double[] v, double[] i) {
        double current = characteristic.amperes(v[reservoir()] - v[reservoir() + 1]);
        for (int k = 0; k < given; k++) i[k] = -current / given;
        for (int k = given; k < reservoir(); k++) i[k] = current / drawn;
        i[reservoir()] = 0;
        i[reservoir() + 1] = 0;
    }

    /** For a static deck the rail is a source of its own; see the deck's writer. */
    @Override
    public List<String> deck(String name, List<String> nodes) {
        return List.of();
    }
}
