package anabion.benchmarks.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.circuit.DeviceModel;
import anabion.core.circuit.Element;
import anabion.core.device.model.BipolarLaw;
import anabion.core.device.model.DiodeLaw;
import anabion.core.device.model.Division;
import anabion.core.device.model.Driven;
import anabion.core.device.model.Emitted;
import anabion.core.device.model.Heated;
import anabion.core.device.model.HeptodeLaw;
import anabion.core.device.model.JunctionLaw;
import anabion.core.device.model.PentodeLaw;
import anabion.core.device.model.RectifierLaw;
import anabion.core.device.model.SpaceCurrent;
import anabion.core.device.model.TriodeLaw;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.spice.DeviceLines;
import anabion.core.simulation.spice.SpiceNetlist;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Devices as another simulator's library might have them: they agree with ours at the point where a sound set works, and nowhere else.
 *
 * <p>Tubes: the three-halves law of an effective voltage, (V_g + c + U/µ)^1.5, with another contact potential and amplification, and a plate's share of 1 − exp(−U/knee) (textbook forms). Oscillators limit
 * by their own swing. Transistors and junctions: the solver's own, with resistances in series. Rectifiers: another exponent. Electrolytics leak.
 */
final class ForeignLaws implements DeviceLines {
    private static final double CONTACT = 0.85;
    private static final double AMPLIFICATION = 0.92;
    private static final double KNEE = 0.8;
    private static final double DRAWN = 2;
    private static final double EDGE = 0.12;
    /** Of grids and diodes: where their current begins, against ours, and how softly. */
    private static final double LATER = 0.2;

    private static final double ONSET = 0.2;
    /** A bent grid's outer half and width, against ours. */
    private static final double HALF = 1.1;

    private static final double WIDTH = 1.25;
    /** How much more an oscillator swings, and the swing in volts that it cannot exceed. */
    private static final double LIVELIER = 1.2;

    private static final double LIMIT = 40;
    private static final int PHASES = 5;
    /** Ohms in series with a junction, and with a transistor's base and collector. */
    private static final double JUNCTION = 25;

    private static final double BASE = 150;
    private static final double COLLECTOR = 5;
    private static final double THERMAL = 0.025865;
    /** A vacuum rectifier's exponent; with ours it agrees at this drop. */
    private static final double EXPONENT = 1.4;

    private static final double DROP = 20;
    private static final double SILICON = 1.15;
    /** Farads times ohms of what leaks across an electrolytic, and from which size a capacitor is one. */
    private static final double LEAK_SECONDS = 20;

    private static final double ELECTROLYTIC = 0.9e-6;
    /** Where no point is known to agree at: volts of grid and of all else. */
    private static final double GRID = -2;

    private static final double ELSE = 100;

    private final Map<String, Point> points = new HashMap<>();

    /** A device of the sound set, with its volts there. */
    private record Point(DeviceModel law, List<Double> volts) {}

    /** @param sound the set whose working point the laws agree at */
    ForeignLaws(Chassis sound, double line) {
        OperatingPoint solved = new Simulator().prepare(sound, Setting.of(line)).solve();
        for (Element e : solved.direct().circuit().elements())
            if (e instanceof Element.Device d) {
                List<Double> volts = d.nodes().stream()
                        .map(n -> solved.volts(solved.direct().circuit().net(n)).orElse(0.0))
                        .toList();
                points.put(SpiceNetlist.name(d.name()), new Point(d.law(), volts));
            }
    }

    @Override
    public double leak(double farads) {
        return farads < ELECTROLYTIC ? Double.POSITIVE_INFINITY : LEAK_SECONDS / farads;
    }

    @Override
    public String rectifier(RectifierLaw law, String name, String plate, String cathode) {
        if (law instanceof RectifierLaw.Vacuum v) // what is in series with it stands in the circuit
        return source(
                    name,
                    plate,
                    cathode,
                    number(v.perveance() * Math.pow(DROP, 1.5 - EXPONENT)) + "*pow(max(V(" + plate + "," + cathode
                            + "),0)," + EXPONENT + ")");
        if (law instanceof RectifierLaw.Junction)
            return law.weakened(1 / SILICON).deck(name, plate, cathode) + "\nR" + name + "_leak " + plate + " "
                    + cathode + " " + number(1e7);
        return law.weakened(1 / SILICON).deck(name, plate, cathode);
    }

    @Override
    public List<String> device(DeviceModel law, String name, List<String> nodes) {
        Point p = points.getOrDefault(name, new Point(law, usual(law)));
        return new Foreign(law, p.law(), p.volts()).deck(name, nodes);
    }

    private static List<Double> usual(DeviceModel law) {
        List<Double> v = new ArrayList<>(Collections.nCopies(law.terminals(), ELSE));
        v.set(0, GRID);
        v.set(v.size() - 1, 0.0);
        return v;
    }

    /**
     * A device with our currents and the other's deck.
     *
     * @param sound its law in the sound set, with which the other agrees at these volts
     */
    private record Foreign(DeviceModel law, DeviceModel sound, List<Double> at) implements DeviceModel {
        @Override
        public int terminals() {
            return law.terminals();
        }

        @Override
        public void currents(double[] volts, double[] amperes) {
            law.currents(volts, amperes);
        }

        @Override
        public List<String> deck(String name, List<String> n) {
            if (law instanceof Driven d)
                return driven(d, new Foreign(d.law(), sound instanceof Driven s ? s.law() : sound, at), name, n);
            if (law instanceof Heated h)
                return new Heated(new Foreign(h.law(), sound instanceof Heated s ? s.law() : sound, at), h.volts())
                        .deck(name, n);
            if (law instanceof TriodeLaw t && sound instanceof TriodeLaw s) return triode(t, s, name, n);
            if (law instanceof PentodeLaw t && sound instanceof PentodeLaw s) return pentode(t, s, name, n);
            if (law instanceof HeptodeLaw t && sound instanceof HeptodeLaw s) return heptode(t, s, name, n);
            if (law instanceof DiodeLaw d)
                return List.of(source(name, n.get(0), n.get(1), emitted(d.plate(), u(n, 0, 1))));
            if (law instanceof BipolarLaw b) return bipolar(b, name, n);
            if (law instanceof JunctionLaw j) return junction(j, name, n);
            return law.deck(name, n);
        }

        private List<String> triode(TriodeLaw t, TriodeLaw s, String name, List<String> n) {
            String all =
                    space(t.space(), s.space(), at.get(0) - at.get(2), at.get(1) - at.get(2), u(n, 0, 2), u(n, 1, 2));
            return List.of(
                    source(name + "g", n.get(0), n.get(2), emitted(t.grid(), u(n, 0, 2))),
                    source(name + "a", n.get(1), n.get(2), all));
        }

        private List<String> pentode(PentodeLaw t, PentodeLaw s, String name, List<String> n) {
            String all =
                    space(t.space(), s.space(), at.get(0) - at.get(3), at.get(1) - at.get(3), u(n, 0, 3), u(n, 1, 3));
            String share = share(t.division(), at.get(2) - at.get(3), u(n, 2, 3));
            return List.of(
                    source(name + "g", n.get(0), n.get(3), emitted(t.grid(), u(n, 0, 3))),
                    source(name + "a", n.get(2), n.get(3), all + "*" + share),
                    source(name + "s", n.get(1), n.get(3), all + "*(1-" + share + ")"));
        }

        private List<String> heptode(HeptodeLaw t, HeptodeLaw s, String name, List<String> n) {
            String all =
                    space(t.space(), s.space(), at.get(0) - at.get(4), at.get(1) - at.get(4), u(n, 0, 4), u(n, 1, 4));
            String share = share(t.division(), at.get(3) - at.get(4), u(n, 3, 4)) + "/(1+exp(-(" + u(n, 2, 4) + "+"
                    + number(t.half() * HALF) + ")/" + number(t.width() * WIDTH) + "))";
            return List.of(
                    source(name + "g", n.get(0), n.get(4), emitted(t.grid(), u(n, 0, 4))),
                    source(name + "o", n.get(2), n.get(4), emitted(t.outer(), u(n, 2, 4))),
                    source(name + "a", n.get(3), n.get(4), all + "*" + share),
                    source(name + "s", n.get(1), n.get(4), all + "*(1-" + share + ")"));
        }
    }

    /** The three-halves law, scaled to the sound tube's current at its point, and by what is left of its emission. */
    private static String space(
            SpaceCurrent law, SpaceCurrent sound, double grid, double electrode, String g, String u) {
        double there = foreign(sound, grid, electrode);
        double scale = there > 1e-9
                ? sound.amperes(grid, electrode) / there
                : sound.amperes(GRID, ELSE) / foreign(sound, GRID, ELSE);
        scale *= law.perveance() / sound.perveance();
        return "(" + number(scale) + "*" + drawn(u) + "*(" + number(1 - sound.remoteShare()) + "*"
                + power(g, u, sound.mu())
                + (sound.remoteShare() > 0
                        ? "+" + number(sound.remoteShare()) + "*" + power(g, u, sound.remoteMu())
                        : "")
                + "))";
    }

    /** Without an electrode that draws them electrons turn back. */
    private static String drawn(String u) {
        return "(1-exp(-max(" + u + ",0)/" + DRAWN + "))";
    }

    private static double foreign(SpaceCurrent s, double grid, double electrode) {
        return (1 - s.remoteShare()) * power(grid, electrode, s.mu())
                + (s.remoteShare() > 0 ? s.remoteShare() * power(grid, electrode, s.remoteMu()) : 0);
    }

    private static double power(double grid, double electrode, double mu) {
        double e = (grid + CONTACT + Math.max(electrode, 0) / (mu * AMPLIFICATION)) / EDGE;
        return Math.pow(EDGE * (Math.max(e, 0) + Math.log1p(Math.exp(-Math.abs(e)))), 1.5);
    }

    private static String power(String g, String u, double mu) {
        String e = "((" + g + "+" + CONTACT + "+max(" + u + ",0)/" + number(mu * AMPLIFICATION) + ")/" + EDGE + ")";
        return "pow(" + EDGE + "*(max(" + e + ",0)+ln(1+exp(-abs(" + e + ")))),1.5)";
    }

    private static String share(Division d, double volts, String u) {
        double knee = d.knee() * KNEE;
        double full = 1 - Math.exp(-Math.max(volts, 1) / knee);
        double most = Math.min(0.98, d.plate(Math.max(volts, 1)) / full);
        return "(" + number(most) + "*(1-exp(-max(" + u + ",0)/" + number(knee) + ")))";
    }

    private static String emitted(Emitted e, String u) {
        String x = "((" + u + "+" + number(e.contact() - LATER) + ")/" + ONSET + ")";
        return number(e.perveance()) + "*pow(" + ONSET + "*(max(" + x + ",0)+ln(1+exp(-abs(" + x + ")))),1.5)";
    }

    /** The mean over some phases of a swing that grows with the supply, and not without end. */
    private static List<String> driven(Driven d, DeviceModel inner, String name, List<String> n) {
        String grown =
                number(LIVELIER * d.share()) + "*max(V(" + n.get(d.feeding()) + "," + n.get(d.cathode()) + "),0)";
        String swing = d.share() == 0 ? number(d.fixed()) : "(" + LIMIT + "*tanh((" + grown + ")/" + LIMIT + "))";
        List<String> lines = new ArrayList<>();
        for (int p = 0; p < PHASES; p++) {
            List<String> shifted = new ArrayList<>();
            double cosine = Math.cos(Math.PI * (p + 0.5) / PHASES);
            for (int t = 0; t < n.size(); t++) {
                String own = name + "_" + p + "_" + t;
                lines.add("B" + own + "v " + own + " 0 V=V(" + n.get(t) + ")"
                        + (d.swinging().contains(t) ? "+(" + number(cosine) + ")*" + swing : ""));
                lines.add("B" + own + "i " + n.get(t) + " 0 I=-I(B" + own + "v)/" + PHASES);
                shifted.add(own);
            }
            lines.addAll(inner.deck(name + "_" + p, shifted));
        }
        return lines;
    }

    private static List<String> bipolar(BipolarLaw b, String name, List<String> n) {
        String model = "Q" + name + "_m";
        String leak = b.pnp() ? "V(" + n.get(0) + "," + n.get(1) + ")" : "V(" + n.get(1) + "," + n.get(0) + ")";
        String from = b.pnp() ? n.get(0) : n.get(1);
        String to = b.pnp() ? n.get(1) : n.get(0);
        return List.of(
                "Q" + name + " " + n.get(1) + " " + n.get(0) + " " + n.get(2) + " " + model,
                ".model " + model + " " + (b.pnp() ? "PNP" : "NPN") + "(IS=" + number(b.saturation()) + " NF="
                        + number(b.slope() / THERMAL) + " NR=" + number(b.slope() / THERMAL) + " BF="
                        + number(b.forward()) + " BR=" + number(b.reverse()) + " VAF=" + number(b.early()) + " RE="
                        + number(Math.max(b.lossOhms(), 1e-3)) + " RB=" + BASE + " RC=" + COLLECTOR + ")",
                source(name + "l", from, to, number(b.leak() * 1.3) + "*tanh(" + leak + "/0.2)"));
    }

    private static List<String> junction(JunctionLaw j, String name, List<String> n) {
        String model = "D" + name + "_m";
        return List.of(
                "D" + name + " " + n.get(0) + " " + n.get(1) + " " + model,
                ".model " + model + " D(IS=" + number(j.saturation()) + " N=" + number(j.slope() / THERMAL) + " RS="
                        + JUNCTION + ")",
                "R" + name + "_leak " + n.get(0) + " " + n.get(1) + " " + number(1 / Math.max(j.leak(), 1e-12)));
    }

    private static String u(List<String> n, int plus, int minus) {
        return "V(" + n.get(plus) + "," + n.get(minus) + ")";
    }

    private static String source(String name, String from, String to, String amperes) {
        return "B" + name + " " + from + " " + to + " I=" + amperes;
    }

    private static String number(double v) {
        return String.format(Locale.ROOT, "%.7g", v);
    }
}
