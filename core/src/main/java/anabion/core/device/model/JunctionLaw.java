package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.List;

/**
 * A signal diode: anode, cathode. Shockley's law, continued as a straight line above {@link #MOST} so that no iteration overflows,
 * with a leakage in parallel.
 *
 * @param saturation I_s in amperes
 * @param slope n·V_T in volts
 * @param leak leakage conductance in siemens
 */
public record JunctionLaw(double saturation, double slope, double leak) implements DeviceModel {
    /** Amperes above which the exponential goes on as its tangent. */
    static final double MOST = 1;

    @Override
    public int terminals() {
        return 2;
    }

    @Override
    public void currents(double[] v, double[] i) {
        double u = v[0] - v[1];
        i[0] = exponential(u, saturation, slope) + leak * u;
        i[1] = -i[0];
    }

    static double exponential(double u, double saturation, double slope) {
        double corner = slope * Math.log(MOST / saturation);
        if (u <= corner) return saturation * Math.expm1(Math.max(u / slope, -80));
        return MOST * (1 + (u - corner) / slope) - saturation;
    }

    @Override
    public List<String> deck(String name, List<String> n) {
        String u = SpiceSyntax.volts(n.get(0), n.get(1));
        return List.of(SpiceSyntax.current(
                name,
                n.get(0),
                n.get(1),
                SpiceSyntax.number(saturation) + "*(exp(max(" + u + "/" + SpiceSyntax.number(slope) + ",-80))-1)+"
                        + SpiceSyntax.number(leak) + "*" + u));
    }
}
