package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/** A triode: grid, plate, cathode. */
public record TriodeLaw(SpaceCurrent space, Emitted grid) implements DeviceModel {
    @Override
    public int terminals() {
        return 3;
    }

    @Override
    public void currents(double[] v, double[] i) {
        i[0] = grid.amperes(v[0] - v[2]);
        i[1] = space.amperes(v[0] - v[2], v[1] - v[2]);
        i[2] = -i[0] - i[1];
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        String g = SpiceSyntax.volts(n.get(0), n.get(2));
        return List.of(
                SpiceSyntax.current(name + "g", n.get(0), n.get(2), grid.deck(g)),
                SpiceSyntax.current(
                        name + "a", n.get(1), n.get(2), space.deck(g, SpiceSyntax.volts(n.get(1), n.get(2)))));
    }
}
