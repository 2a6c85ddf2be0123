package anabion.core.device.model;

import java.util.List;
import java.util.function.DoubleUnaryOperator;

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
        implements FirstGrid {
    @Override
    public int terminals() {
        return 5;
    }

    @Override
    public void currents(double[] v, double[] i) {
        swung(v).currents(v[0], i);
    }

    @Override
    public Swung swung(double[] v) {
        double k = v[4];
        DoubleUnaryOperator drawn = space.at(v[1] - k);
        double plate = division.plate(v[3] - k) / (1 + Math.exp(-(v[2] - k + half) / width));
        double turned = outer.amperes(v[2] - k);
        return (first, i) -> {
            double all = drawn.applyAsDouble(first - k);
            i[0] = grid.amperes(first - k);
            i[2] = turned;
            i[3] = all * plate;
            i[1] = all - i[3];
            i[4] = -i[0] - turned - all;
        };
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        String k = n.get(4);
        String g = SpiceSyntax.volts(n.get(0), k);
        String o = SpiceSyntax.volts(n.get(2), k);
        String all = space.deck(g, SpiceSyntax.volts(n.get(1), k));
        String share = division.deck(SpiceSyntax.volts(n.get(3), k)) + "/(1+exp(-(" + o + "+" + SpiceSyntax.number(half)
                + ")/" + SpiceSyntax.number(width) + "))";
        return List.of(
                SpiceSyntax.current(name + "g", n.get(0), k, grid.deck(g)),
                SpiceSyntax.current(name + "o", n.get(2), k, outer.deck(o)),
                SpiceSyntax.current(name + "a", n.get(3), k, all + "*" + share),
                SpiceSyntax.current(name + "s", n.get(1), k, all + "*(1-" + share + ")"));
    }
}
