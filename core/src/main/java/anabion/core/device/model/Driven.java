package anabion.core.device.model;

import anabion.core.circuit.DeviceModel;
import java.util.ArrayList;
import java.util.List;

/**
 * A law under an oscillation: the mean of its currents over one cycle in which some of its terminals swing sinusoidally.
 *
 * <p>An oscillator's grid rectifies its own drive and so biases itself negative through its leak; solved with the mean currents,
 * that bias comes out of the circuit. The drive follows the supply: its amplitude is a share of the volts between two terminals
 * (screen or oscillator plate, and cathode). Method: the rectangle rule over {@link #POINTS} points of the half cycle, which for a
 * smooth periodic function converges faster than any power of their number.
 *
 * <p>A detector's diode under a carrier is the same with a fixed amplitude.
 *
 * @param swinging which terminals swing, in phase
 * @param fixed amplitude in volts, and …
 * @param share … what is added per volt between the two terminals named next
 */
public record Driven(DeviceModel law, List<Integer> swinging, double fixed, double share, int feeding, int cathode)
        implements DeviceModel {
    /** At the largest drive met, 16 points keep the mean grid current within 1 % of 256 points. */
    private static final int POINTS = 16;

    private static final List<Integer> FIRST = List.of(0);

    private static final double[] COSINES = new double[POINTS];

    static {
        for (int p = 0; p < POINTS; p++) COSINES[p] = Math.cos(Math.PI * (p + 0.5) / POINTS);
    }

    public Driven {
        swinging = List.copyOf(swinging);
    }

    /** An oscillator, whose drive follows its supply. */
    public static Driven oscillating(DeviceModel law, int grid, double share, int feeding, int cathode) {
        return new Driven(law, List.of(grid), 0, share, feeding, cathode);
    }

    /** This swing on another model. */
    public Driven of(DeviceModel other) {
        return new Driven(other, swinging, fixed, share, feeding, cathode);
    }

    /** A diode or grid under a carrier of so many volts at its peaks. */
    public static Driven carrying(DeviceModel law, int terminal, double volts) {
        return new Driven(law, List.of(terminal), volts, 0, 0, 0);
    }

    @Override
    public int terminals() {
        return law.terminals();
    }

    @Override
    public void currents(double[] v, double[] i) {
        java.util.Arrays.fill(i, 0);
        cycle(v, (cosine, now) -> {
            for (int t = 0; t < i.length; t++) i[t] += now[t] / POINTS;
        });
    }

    /** Amplitude of a terminal's current in phase with the swing, in amperes. */
    public double fundamental(double[] v, int terminal) {
        double[] sum = new double[1];
        cycle(v, (cosine, now) -> sum[0] += 2 * now[terminal] * cosine / POINTS);
        return sum[0];
    }

    /**
     * Conversion conductance: the amplitude of the plate's current at the difference frequency per volt at the signal's terminal, half
     * the first harmonic of the mutual conductance (any textbook).
     */
    public double conversion(double[] v, int signal, int plate) {
        double h = 1e-3;
        double[] up = v.clone();
        up[signal] += h;
        double[] sum = new double[1];
        cycle(up, (cosine, now) -> sum[0] += now[plate] * cosine / POINTS / h);
        cycle(v, (cosine, now) -> sum[0] -= now[plate] * cosine / POINTS / h);
        return Math.abs(sum[0]);
    }

    /** The drive's amplitude at a state, in volts. */
    public double amplitude(double[] v) {
        return share == 0 ? fixed : fixed + share * Smooth.positive(v[feeding] - v[cathode], 1);
    }

    private interface Phase {
        void at(double cosine, double[] amperes);
    }

    private void cycle(double[] v, Phase phase) {
        double[] at = v.clone();
        double[] now = new double[v.length];
        double amplitude = amplitude(v);
        // a converter's law is most of what a set costs
        if (law instanceof FirstGrid f && swinging.equals(FIRST)) {
            FirstGrid.Swung swung = f.swung(v);
            for (double c : COSINES) {
                swung.currents(v[0] + amplitude * c, now);
                phase.at(c, now);
            }
            return;
        }
        for (double c : COSINES) {
            for (int s : swinging) at[s] = v[s] + amplitude * c;
            law.currents(at, now);
            phase.at(c, now);
        }
    }

    /** Each phase is the law once more between shifted nodes, whose mean current returns to the terminals. */
    @Override
    public List<String> deck(String name, List<String> nodes) {
        List<String> lines = new ArrayList<>();
        String drive = SpiceSyntax.number(fixed) + "+" + SpiceSyntax.number(share) + "*"
                + Smooth.positive(SpiceSyntax.volts(nodes.get(feeding), nodes.get(cathode)), 1);
        for (int p = 0; p < POINTS; p++) {
            List<String> shifted = new ArrayList<>();
            for (int t = 0; t < nodes.size(); t++) {
                String own = name + "_" + p + "_" + t;
                boolean swings = swinging.contains(t);
                lines.add("B" + own + "v " + own + " 0 V=V(" + nodes.get(t) + ")"
                        + (swings ? "+(" + SpiceSyntax.number(COSINES[p]) + ")*(" + drive + ")" : ""));
                lines.add("B" + own + "i " + nodes.get(t) + " 0 I=-I(B" + own + "v)/" + POINTS);
                shifted.add(own);
            }
            lines.addAll(law.deck(name + "_" + p, shifted));
        }
        return lines;
    }
}
