package anabion.core.device.law;

import anabion.core.circuit.Law;
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
 * @param swinging which terminals swing, in phase
 * @param share amplitude in volts per volt between the two terminals named next
 */
public record Driven(Law law, List<Integer> swinging, double share, int feeding, int cathode) implements Law {
    /** At the largest drive met, 16 points keep the mean grid current within 1 % of 256 points. */
    private static final int POINTS = 16;

    private static final double[] COSINES = new double[POINTS];

    static {
        for (int p = 0; p < POINTS; p++) COSINES[p] = Math.cos(Math.PI * (p + 0.5) / POINTS);
    }

    public Driven {
        swinging = List.copyOf(swinging);
    }

    @Override
    public int terminals() {
        return law.terminals();
    }

    @Override
    public void currents(double[] v, double[] i) {
        int n = v.length;
        double[] at = v.clone();
        double[] now = new double[n];
        java.util.Arrays.fill(i, 0);
        double amplitude = share * Smooth.positive(v[feeding] - v[cathode], 1);
        for (double c : COSINES) {
            for (int t = 0; t < swinging.size(); t++) {
                int s = swinging.get(t);
                at[s] = v[s] + amplitude * c;
            }
            law.currents(at, now);
            for (int t = 0; t < n; t++) i[t] += now[t];
        }
        for (int t = 0; t < n; t++) i[t] /= POINTS;
    }

    /** Each phase is the law once more between shifted nodes, whose mean current returns to the terminals. */
    @Override
    public List<String> deck(String name, List<String> nodes) {
        List<String> lines = new ArrayList<>();
        String drive =
                Deck.number(share) + "*" + Smooth.positive(Deck.volts(nodes.get(feeding), nodes.get(cathode)), 1);
        for (int p = 0; p < POINTS; p++) {
            List<String> shifted = new ArrayList<>();
            for (int t = 0; t < nodes.size(); t++) {
                String own = name + "_" + p + "_" + t;
                boolean swings = swinging.contains(t);
                lines.add("B" + own + "v " + own + " 0 V=V(" + nodes.get(t) + ")"
                        + (swings ? "+(" + Deck.number(COSINES[p]) + ")*" + drive : ""));
                lines.add("B" + own + "i " + nodes.get(t) + " 0 I=-I(B" + own + "v)/" + POINTS);
                shifted.add(own);
            }
            lines.addAll(law.deck(name + "_" + p, shifted));
        }
        return lines;
    }
}
