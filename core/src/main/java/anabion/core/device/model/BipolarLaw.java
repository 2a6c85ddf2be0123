package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import anabion.core.circuit.HybridPi;
import java.util.ArrayList;
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
 * @param lossOhms in the emitter's lead: of the emitter itself, and of the base as seen from there, a (β + 1)th of it
 */
public record BipolarLaw(
        boolean pnp,
        double saturation,
        double slope,
        double forward,
        double reverse,
        double early,
        double leak,
        double lossOhms)
        implements DeviceModel {
    private static final int ROUNDS = 60;
    private static final double SETTLED = 1e-12;
    /** Steps in which Newton's method settles where it does. */
    private static final int QUICK = 25;

    private static final double STEP = 1e-7;
    /** Volts beyond which no root is sought. */
    private static final double FAR = 1000;

    @Override
    public int terminals() {
        return 3;
    }

    @Override
    public void currents(double[] v, double[] i) {
        double s = pnp ? -1 : 1;
        double be = s * (v[0] - v[2]);
        double bc = s * (v[0] - v[1]);
        double[] inner = ideal(inner(be, bc), bc);
        i[0] = s * inner[0];
        i[1] = s * inner[1];
        i[2] = -i[0] - i[1];
    }

    /** Base and collector current of the inner transistor at its own volts. */
    private double[] ideal(double be, double bc) {
        double f = JunctionLaw.exponential(be, saturation, slope);
        double r = JunctionLaw.exponential(bc, saturation, slope);
        double ce = Smooth.positive(be - bc, slope);
        double cut = leak * Math.tanh(-bc / (4 * slope));
        return new double[] {f / forward + r / reverse - cut, (f - r) * (1 + ce / early) - r / reverse + cut};
    }

    /**
     * V_BE of the inner transistor: x + R·I_E(x) = V_BE, which rises with x, ever more steeply, so that Newton's method settles from the right; else between
     * bounds that always hold the root, which are halved where it leaves them.
     */
    private double inner(double be, double bc) {
        if (lossOhms <= 0) return be;
        double near = be;
        for (int n = 0; n < QUICK; n++) {
            double miss = miss(near, be, bc);
            double step = miss * STEP / (miss(near + STEP, be, bc) - miss);
            near -= step;
            if (Math.abs(step) < SETTLED) return near;
        }
        return between(be, bc);
    }

    /** Where Newton's method alone does not settle: between bounds. */
    private double between(double be, double bc) {
        double low = be - 1;
        double high = be + 1;
        while (miss(low, be, bc) > 0 && be - low < FAR) low -= be - low;
        while (miss(high, be, bc) < 0 && high - be < FAR) high += high - be;
        double x = Math.min(be, high);
        for (int n = 0; n < ROUNDS && high - low > SETTLED; n++) {
            double miss = miss(x, be, bc);
            if (miss > 0) high = x;
            else low = x;
            double rise = (miss(x + STEP, be, bc) - miss) / STEP;
            double next = x - miss / rise;
            if (!(next > low && next < high)) next = 0.5 * (low + high);
            if (Math.abs(next - x) < SETTLED) return next;
            x = next;
        }
        return x;
    }

    private double miss(double x, double be, double bc) {
        double[] now = ideal(x, bc);
        return x + lossOhms * (now[0] + now[1]) - be;
    }

    /**
     * Slopes of the inner transistor, before what its own leads lose.
     *
     * @param v volts of base, collector and emitter
     */
    public HybridPi.Slopes slopes(double... v) {
        double s = pnp ? -1 : 1;
        double bc = s * (v[0] - v[1]);
        double be = inner(s * (v[0] - v[2]), bc);
        double[] base = difference(ideal(be + STEP, bc + STEP), ideal(be - STEP, bc - STEP));
        double[] collector = difference(ideal(be, bc - STEP), ideal(be, bc + STEP));
        return new HybridPi.Slopes(base[0], collector[0], base[1], collector[1]);
    }

    private static double[] difference(double[] above, double[] below) {
        return new double[] {(above[0] - below[0]) / (2 * STEP), (above[1] - below[1]) / (2 * STEP)};
    }

    /** @param beta forward current gain, above zero */
    public BipolarLaw withGain(double beta) {
        return new BipolarLaw(pnp, saturation, slope, beta, reverse, early, leak, lossOhms);
    }

    /** @param amperes of collector-base leakage */
    public BipolarLaw withLeak(double amperes) {
        return new BipolarLaw(pnp, saturation, slope, forward, reverse, early, amperes, lossOhms);
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        String b = n.get(0);
        String c = n.get(1);
        String e = name + "_inner_e";
        String be = pnp ? SpiceSyntax.volts(e, b) : SpiceSyntax.volts(b, e);
        String bc = pnp ? SpiceSyntax.volts(c, b) : SpiceSyntax.volts(b, c);
        String f = exponential(be);
        String r = exponential(bc);
        String ce = Smooth.positive(be + "-" + bc, slope);
        String cut = SpiceSyntax.number(leak) + "*tanh(-" + bc + "/" + SpiceSyntax.number(4 * slope) + ")";
        String collector = "(" + f + "-" + r + ")*(1+" + ce + "/" + SpiceSyntax.number(early) + ")-" + r + "/"
                + SpiceSyntax.number(reverse) + "+" + cut;
        String base = f + "/" + SpiceSyntax.number(forward) + "+" + r + "/" + SpiceSyntax.number(reverse) + "-" + cut;
        List<String> lines = new ArrayList<>();
        lines.add("R" + name + "_re " + n.get(2) + " " + e + " " + SpiceSyntax.number(Math.max(lossOhms, 1e-6)));
        lines.add(
                pnp
                        ? SpiceSyntax.current(name + "c", e, c, collector)
                        : SpiceSyntax.current(name + "c", c, e, collector));
        lines.add(pnp ? SpiceSyntax.current(name + "b", e, b, base) : SpiceSyntax.current(name + "b", b, e, base));
        return lines;
    }

    private String exponential(String u) {
        return SpiceSyntax.number(saturation) + "*(exp(max(" + u + "/" + SpiceSyntax.number(slope) + ",-80))-1)";
    }
}
