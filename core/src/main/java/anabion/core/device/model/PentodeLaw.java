package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/** A pentode, tetrode or beam tube: control grid, screen, plate, cathode (with the suppressor at the cathode). */
public record PentodeLaw(SpaceCurrent space, Division division, Emitted grid) implements DeviceModel {
    /** A little of the plate's pull reaches the cathode through screen and grid. */
    static final double PENETRATION = 0.004;

    @Override
    public int terminals() {
        return 4;
    }

    @Override
    public void currents(double[] v, double[] i) {
        double k = v[3];
        double plate = v[2] - k;
        double all = space.amperes(v[0] - k, v[1] - k + PENETRATION * plate);
        i[0] = grid.amperes(v[0] - k);
        i[2] = all * division.plate(plate);
        i[1] = all - i[2];
        i[3] = -i[0] - all;
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        String k = n.get(3);
        String g = SpiceSyntax.volts(n.get(0), k);
        String a = SpiceSyntax.volts(n.get(2), k);
        String all = space.deck(
                g, "(" + SpiceSyntax.volts(n.get(1), k) + "+" + SpiceSyntax.number(PENETRATION) + "*" + a + ")");
        String share = division.deck(a);
        return List.of(
                SpiceSyntax.current(name + "g", n.get(0), k, grid.deck(g)),
                SpiceSyntax.current(name + "a", n.get(2), k, all + "*" + share),
                SpiceSyntax.current(name + "s", n.get(1), k, all + "*(1-" + share + ")"));
    }
}
