package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/** A vacuum diode: plate, cathode. */
public record DiodeLaw(Emitted plate) implements DeviceModel {
    @Override
    public int terminals() {
        return 2;
    }

    @Override
    public void currents(double[] v, double[] i) {
        i[0] = plate.amperes(v[0] - v[1]);
        i[1] = -i[0];
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        return List.of(
                SpiceSyntax.current(name, n.get(0), n.get(1), plate.deck(SpiceSyntax.volts(n.get(0), n.get(1)))));
    }
}
