package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/**
 * A bipolar transistor: base, collector, emitter, in Ebers and Moll's transport form with an Early slope and a collector leakage.
 *
 * <p>I_C = (I_f − I_r)·(1 + |V_CE|/V_A) − I_r/β_r + leak, I_B = I_f/β_f + I_r/β_r − leak; I_f and I_r are exponentials of V_BE and V_BC. A PNP type
 * is the same with all signs turned.
 *
 * @param saturation I_s in amperes
 * @param slope V_T in volts at the junction's temperature
 * @param forward β_f
 * @param reverse β_r
 * @param early V_A in volts
 * @param leak collector-base leakage I_CBO in amperes, in the sense of the collector current
 */
public record BipolarLaw(
        boolean pnp, double saturation, double slope, double forward, double reverse, double early, double leak)
        implements DeviceModel {
    @Override
    public int terminals() {
        return 3;
    }

    @Override
    public void currents(double[] v, double[] i) {
        double s = pnp ? -1 : 1;
        double be = s * (v[0] - v[2]);
        double bc = s * (v[0] - v[1]);
        double f = JunctionLaw.exponential(be, saturation, slope);
        double r = JunctionLaw.exponential(bc, saturation, slope);
        double ce = Smooth.positive(be - bc, slope);
        double cut = leak * Math.tanh(-bc / (4 * slope));
        double collector = (f - r) * (1 + ce / early) - r / reverse + cut;
        double base = f / forward + r / reverse - cut;
        i[0] = s * base;
        i[1] = s * collector;
        i[2] = -i[0] - i[1];
    }

    public BipolarLaw withGain(double beta) {
        return new BipolarLaw(pnp, saturation, slope, beta, reverse, early, leak);
    }

    public BipolarLaw withLeak(double amperes) {
        return new BipolarLaw(pnp, saturation, slope, forward, reverse, early, amperes);
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        String b = n.get(0);
        String c = n.get(1);
        String e = n.get(2);
        String be = pnp ? SpiceSyntax.volts(e, b) : SpiceSyntax.volts(b, e);
        String bc = pnp ? SpiceSyntax.volts(c, b) : SpiceSyntax.volts(b, c);
        String f = exponential(be);
        String r = exponential(bc);
        String ce = Smooth.positive(be + "-" + bc, slope);
        String cut = SpiceSyntax.number(leak) + "*tanh(-" + bc + "/" + SpiceSyntax.number(4 * slope) + ")";
        String collector = "(" + f + "-" + r + ")*(1+" + ce + "/" + SpiceSyntax.number(early) + ")-" + r + "/"
                + SpiceSyntax.number(reverse) + "+" + cut;
        String base = f + "/" + SpiceSyntax.number(forward) + "+" + r + "/" + SpiceSyntax.number(reverse) + "-" + cut;
        return pnp
                ? List.of(SpiceSyntax.current(name + "c", e, c, collector), SpiceSyntax.current(name + "b", e, b, base))
                : List.of(
                        SpiceSyntax.current(name + "c", c, e, collector), SpiceSyntax.current(name + "b", b, e, base));
    }

    private String exponential(String u) {
        return SpiceSyntax.number(saturation) + "*(exp(max(" + u + "/" + SpiceSyntax.number(slope) + ",-80))-1)";
    }
}
