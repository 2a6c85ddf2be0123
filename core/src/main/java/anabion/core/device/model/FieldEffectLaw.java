package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/**
 * A junction field-effect transistor, n-channel: gate, drain, source. Square law with a soft pinch-off and a smooth knee, and the gate's
 * junction. (Shichman and Hodges, 1968.)
 *
 * @param full I_DSS in amperes
 * @param pinch V_P in volts, above zero
 */
public record FieldEffectLaw(double full, double pinch) implements DeviceModel {
    private static final double GATE = 1e-14;
    private static final double SLOPE = 0.026;

    @Override
    public int terminals() {
        return 3;
    }

    @Override
    public void currents(double[] v, double[] i) {
        double open = 0.05 * Smooth.softplus((v[0] - v[2] + pinch) / 0.05);
        double ds = v[1] - v[2];
        double drain = full * (open / pinch) * (open / pinch) * Math.tanh(2 * ds / Math.max(open, 0.05));
        i[0] = JunctionLaw.exponential(v[0] - v[2], GATE, SLOPE);
        i[1] = drain;
        i[2] = -i[0] - i[1];
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        String gs = SpiceSyntax.volts(n.get(0), n.get(2));
        String open = "(0.05*" + Smooth.softplus("(" + gs + "+" + SpiceSyntax.number(pinch) + ")/0.05") + ")";
        return List.of(
                SpiceSyntax.current(
                        name + "d",
                        n.get(1),
                        n.get(2),
                        SpiceSyntax.number(full / pinch / pinch) + "*" + open + "*" + open + "*tanh(2*"
                                + SpiceSyntax.volts(n.get(1), n.get(2)) + "/max(" + open + ",0.05))"),
                SpiceSyntax.current(
                        name + "g",
                        n.get(0),
                        n.get(2),
                        SpiceSyntax.number(GATE) + "*(exp(" + gs + "/" + SLOPE + ")-1)"));
    }
}
