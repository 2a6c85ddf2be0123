package anabion.core.simulation.spice;

import anabion.core.circuit.Circuit;
import anabion.core.circuit.Element;
import anabion.core.circuit.Reactances;
import anabion.core.rectifier.Characteristic;
import java.util.List;
import java.util.function.Predicate;

/**
 * Adds to a deck what alternating currents see, for its {@code .ac} analysis: capacitors, coupled coils, and each rail as its mean
 * with the slope of its characteristic. A generator of one volt stands behind its ohms and capacitor at one net.
 */
public final class AcNetlist implements Reactances {
    private final SpiceNetlist deck;
    private final double hertz;
    private int count;

    /** @param hertz at which the losses of coils hold */
    public AcNetlist(SpiceNetlist deck, double hertz) {
        this.deck = deck;
        this.hertz = hertz;
    }

    public void elements(Circuit circuit, Predicate<Element> replaced) {
        for (Element e : circuit.elements()) {
            if (e instanceof Element.Device d && d.law() instanceof Characteristic k) rail(d, k, circuit);
            else if (!replaced.test(e)) deck.element(e);
            else if (e instanceof Element.Device d) atRest(d, circuit);
        }
    }

    /** A detector's diode: its mean current keeps the operating point, what it takes from the carrier is among the reactances. */
    private void atRest(Element.Device d, Circuit circuit) {
        deck.line("I" + SpiceNetlist.name(d.name()) + " "
                + deck.node(circuit.net(d.nodes().get(0))) + " "
                + deck.node(circuit.net(d.nodes().get(1))) + " DC " + SpiceNetlist.number(deck.amperes(d)));
    }

    private void rail(Element.Device d, Characteristic k, Circuit circuit) {
        String back = circuit.net(d.nodes().get(1));
        String reservoir = circuit.net(d.nodes().get(2));
        double volts = deck.volts(reservoir, back);
        double h = 1e-3 * Math.max(1, volts);
        double slope = (k.amperes(volts + h) - k.amperes(volts - h)) / (2 * h);
        deck.line("B" + SpiceNetlist.name(d.name()) + " " + deck.node(back) + " "
                + deck.node(circuit.net(d.nodes().get(0)))
                + " I=" + SpiceNetlist.number(k.amperes(volts)) + "+(" + SpiceNetlist.number(slope) + ")*((V("
                + deck.node(reservoir)
                + ")-V(" + deck.node(back) + "))-" + SpiceNetlist.number(volts) + ")");
    }

    public void generator(String net, double ohms, double farads) {
        deck.line("Vgen gen 0 DC 0 AC 1");
        deck.line("Rgen gen lead " + SpiceNetlist.number(ohms));
        deck.line("Cgen lead " + deck.node(net) + " " + SpiceNetlist.number(farads));
    }

    @Override
    public void capacitor(String a, String b, double farads, double siemens) {
        if (!deck.known(a) || !deck.known(b)) return;
        count++;
        if (farads > 0)
            deck.line("Ca" + count + " " + deck.node(a) + " " + deck.node(b) + " " + SpiceNetlist.number(farads));
        if (siemens <= 0) return;
        deck.line("Ra" + count + " " + deck.node(a) + " r" + count + " " + SpiceNetlist.number(1 / siemens));
        deck.line("Cb" + count + " r" + count + " " + deck.node(b) + " 1");
    }

    @Override
    public void coils(List<String[]> ends, double[] ohms, double[] loss, double[][] henries) {
        count++;
        for (int k = 0; k < ends.size(); k++) {
            String own = count + "_" + k;
            double resistance = ohms[k] + 2 * Math.PI * hertz * henries[k][k] * loss[k];
            deck.line(
                    "Rw" + own + " " + deck.node(ends.get(k)[0]) + " w" + own + " " + SpiceNetlist.number(resistance));
            deck.line("Lw" + own + " w" + own + " " + deck.node(ends.get(k)[1]) + " "
                    + SpiceNetlist.number(henries[k][k]));
            for (int j = 0; j < k; j++) {
                double coupling = henries[k][j] / Math.sqrt(henries[k][k] * henries[j][j]);
                if (coupling != 0)
                    deck.line("Kw" + own + "_" + j + " Lw" + count + "_" + j + " Lw" + own + " "
                            + SpiceNetlist.number(coupling));
            }
        }
    }
}
