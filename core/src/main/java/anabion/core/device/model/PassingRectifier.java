package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/** A rectifier in a direct-current circuit, from plate to cathode: it passes current one way. */
public record PassingRectifier(RectifierLaw law) implements DeviceModel {
    @Override
    public int terminals() {
        return 2;
    }

    @Override
    public void currents(double[] v, double[] i) {
        i[0] = law.amperes(v[0] - v[1]);
        i[1] = -i[0];
    }

    @Override
    public List<String> deck(String name, List<String> nodes) {
        return List.of(law.deck(name, nodes.get(0), nodes.get(1)));
    }
}
