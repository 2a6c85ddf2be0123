package anabion.core.device.law;

import anabion.core.circuit.Law;
import java.util.List;

/**
 * A heptode or hexode: first grid, screens (g2 and g4), third grid, plate, cathode.
 *
 * <p>The first grid and the screens set the space current; the third grid turns electrons back to the screens, so the plate's share
 * falls with it: 1/(1 + exp(−(V_g3 + h)/w)).
 *
 * @param half h: the third grid's volts below zero at which it lets half of the current through
 * @param width w in volts
 * @param outer current to the third grid when it is positive
 */
public record HeptodeLaw(SpaceCurrent space, Division division, double half, double width, Emitted grid, Emitted outer)
        implements Law {
    @Override
    public int terminals() {
        return 5;
    }

    @Override
    public void currents(double[] v, double[] i) {
        double k = v[4];
        double all = space.amperes(v[0] - k, v[1] - k);
        double passed = 1 / (1 + Math.exp(-(v[2] - k + half) / width));
        i[0] = grid.amperes(v[0] - k);
        i[2] = outer.amperes(v[2] - k);
        i[3] = all * passed * division.plate(v[3] - k);
        i[1] = all - i[3];
        i[4] = -i[0] - i[2] - all;
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        String k = n.get(4);
        String g = Deck.volts(n.get(0), k);
        String o = Deck.volts(n.get(2), k);
        String all = space.deck(g, Deck.volts(n.get(1), k));
        String share = division.deck(Deck.volts(n.get(3), k)) + "/(1+exp(-(" + o + "+" + Deck.number(half) + ")/"
                + Deck.number(width) + "))";
        return List.of(
                Deck.current(name + "g", n.get(0), k, grid.deck(g)),
                Deck.current(name + "o", n.get(2), k, outer.deck(o)),
                Deck.current(name + "a", n.get(3), k, all + "*" + share),
                Deck.current(name + "s", n.get(1), k, all + "*(1-" + share + ")"));
    }
}
