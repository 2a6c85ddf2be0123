package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.ArrayList;
import java.util.List;

/**
 * A tube whose heater or filament is fed with direct current of the same circuit: two more terminals, the heater's ends, scale all
 * currents by the share of the emission that their volts give. So a filament that breaks in a series chain darkens every tube, and a
 * weak battery weakens them, within one solution.
 *
 * @param volts rated
 */
public record Heated(DeviceModel law, double volts) implements DeviceModel {
    /** Emission against the heater's share of its rated volts: half at 0.68, a fiftieth at a half. */
    private static final double HALF = 0.68;

    private static final double WIDTH = 0.045;
    /** Below this there is none. */
    private static final double DARK = 1e-5;
    /** What a cold cathode still gives: keeps Newton's matrix regular. */
    private static final double COLD = 1e-9;

    /** Share of the full emission at a share of the rated volts, 0 to 1. */
    public static double emission(double heat) {
        double full = 1 + Math.exp(-(1 - HALF) / WIDTH);
        return Math.max(0, Math.min(1, full / (1 + Math.exp(-(heat - HALF) / WIDTH)) - DARK));
    }

    @Override
    public int terminals() {
        return law.terminals() + 2;
    }

    @Override
    public void currents(double[] v, double[] i) {
        int n = law.terminals();
        double[] own = new double[n];
        System.arraycopy(v, 0, own, 0, n);
        double[] flows = new double[n];
        law.currents(own, flows);
        double share = COLD + emission(Math.abs(v[n] - v[n + 1]) / volts);
        for (int t = 0; t < n; t++) i[t] = share * flows[t];
        i[n] = 0;
        i[n + 1] = 0;
    }

    /** Every current of the law's own deck, times the share. */
    @Override
    public List<String> deck(String name, List<String> nodes) {
        int n = law.terminals();
        double full = 1 + Math.exp(-(1 - HALF) / WIDTH);
        String heat = "abs(" + SpiceSyntax.volts(nodes.get(n), nodes.get(n + 1)) + ")/" + SpiceSyntax.number(volts);
        String share = "(" + SpiceSyntax.number(COLD) + "+max(0,min(1," + SpiceSyntax.number(full) + "/(1+exp(-(" + heat
                + "-" + SpiceSyntax.number(HALF) + ")/" + SpiceSyntax.number(WIDTH) + "))-" + SpiceSyntax.number(DARK)
                + ")))";
        List<String> lines = new ArrayList<>();
        for (String line : law.deck(name, nodes.subList(0, n))) {
            int at = line.indexOf(" I=");
            lines.add(at < 0 ? line : line.substring(0, at) + " I=" + share + "*(" + line.substring(at + 3) + ")");
        }
        return lines;
    }
}
