package anabion.core.simulation.spice;

import anabion.core.circuit.Circuit;
import anabion.core.circuit.Element;
import anabion.core.circuit.HybridPi;
import anabion.core.circuit.Reactances;
import anabion.core.rectifier.Characteristic;
import anabion.core.rectifier.RailCurrent;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;

/**
 * Adds to a deck what alternating currents see, for its {@code .ac} analysis: capacitors, coupled coils, and each rail as its mean
 * with the slope of its characteristic. A generator of one volt stands behind its ohms and capacitor at one net.
 */
public final class AcNetlist implements Reactances {
    /** Ohms of a lead that has none. */
    private static final double LEAST = 1e-6;
    /** Ohms by which a net behind capacitors is tied down. */
    private static final double TIED = 1e8;

    private final SpiceNetlist deck;
    private final double hertz;
    private int count;

    /** @param hertz at which the losses of coils hold */
    public AcNetlist(SpiceNetlist deck, double hertz) {
        this.deck = deck;
        this.hertz = hertz;
    }

    /** @param replaced elements for which reactances stand */
    public void elements(Circuit circuit, Predicate<Element> replaced) {
        for (Element e : circuit.elements()) {
            if (e instanceof Element.Device d && d.law() instanceof RailCurrent r) rail(d, r, circuit);
            else if (!replaced.test(e)) deck.element(e);
            else if (e instanceof Element.Device d) atRest(d, circuit);
        }
    }

    /** A device whose currents keep the operating point; what it is to small signals is among the reactances. */
    private void atRest(Element.Device d, Circuit circuit) {
        int last = d.nodes().size() - 1;
        for (int k = 0; k < last; k++)
            deck.line("I" + SpiceNetlist.name(d.name()) + (k == 0 ? "" : "_" + k) + " "
                    + deck.node(circuit.net(d.nodes().get(k))) + " "
                    + deck.node(circuit.net(d.nodes().get(last))) + " DC " + SpiceNetlist.number(deck.amperes(d, k)));
    }

    private void rail(Element.Device d, RailCurrent r, Circuit circuit) {
        Characteristic k = r.characteristic();
        String reservoir = circuit.net(d.nodes().get(r.reservoir()));
        String foot = circuit.net(d.nodes().get(r.reservoir() + 1));
        double volts = deck.volts(reservoir, foot);
        double h = 1e-3 * Math.max(1, volts);
        double share = 1.0 / (r.given() * r.drawn());
        double slope = share * (k.amperes(volts + h) - k.amperes(volts - h)) / (2 * h);
        for (int to = 0; to < r.given(); to++)
            for (int from = r.given(); from < r.reservoir(); from++)
                deck.line("B" + SpiceNetlist.name(d.name()) + (to + from == 1 ? "" : "_" + to + "_" + from) + " "
                        + deck.node(circuit.net(d.nodes().get(from))) + " "
                        + deck.node(circuit.net(d.nodes().get(to)))
                        + " I=" + rounded(share * k.amperes(volts)) + "+(" + rounded(slope) + ")*((V("
                        + deck.node(reservoir)
                        + ")-V(" + deck.node(foot) + "))-" + SpiceNetlist.number(volts) + ")");
    }

    /** @param ohms and farads in series with it */
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

    /** Behind capacitors of a farad, so that no direct current flows; a source that copies a net takes no current from it. */
    @Override
    public void transistor(String base, String collector, String emitter, HybridPi model) {
        if (!deck.known(base) || !deck.known(collector) || !deck.known(emitter)) return;
        count++;
        String n = String.valueOf(count);
        String b = "qb" + n;
        String c = "qc" + n;
        String e = "qe" + n;
        lead("b" + n, base, b, model.baseOhms());
        lead("c" + n, collector, c, 0);
        lead("e" + n, emitter, e, model.emitterOhms());
        HybridPi.Slopes s = model.slopes();
        slope(n + "_0b", b, b, e, s.input());
        slope(n + "_0c", b, c, e, model.neutralised() ? 0 : s.reverse());
        slope(n + "_1b", c, b, e, s.forward());
        slope(n + "_1c", c, c, e, s.output());
        deck.line("Cq" + n + "d " + b + " " + e + " " + SpiceNetlist.number(model.diffusion()));
        if (model.neutralised()) {
            deck.line("Cq" + n + "i " + b + " " + e + " " + SpiceNetlist.number(model.feedback()));
            deck.line("Eq" + n + " copy" + n + " 0 " + b + " 0 1");
            deck.line("Cq" + n + "o " + c + " copy" + n + " " + SpiceNetlist.number(model.feedback()));
        } else deck.line("Cq" + n + "f " + b + " " + c + " " + SpiceNetlist.number(model.feedback()));
    }

    /** Current into a net by another's volts, both against the emitter. */
    private void slope(String name, String into, String by, String emitter, double siemens) {
        deck.line("Gq" + name + " " + into + " " + emitter + " " + by + " " + emitter + " " + rounded(siemens));
    }

    private void lead(String name, String net, String inner, double ohms) {
        deck.line("Cq" + name + " " + deck.node(net) + " q" + name + "x 1");
        deck.line("Rq" + name + " q" + name + "x " + inner + " " + SpiceNetlist.number(Math.max(ohms, LEAST)));
        deck.line("Rq" + name + "g " + inner + " 0 " + SpiceNetlist.number(TIED));
    }

    /** To five digits, so that a deck does not change with the last of its solution. */
    private static String rounded(double value) {
        return String.format(Locale.ROOT, "%.4e", value);
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
