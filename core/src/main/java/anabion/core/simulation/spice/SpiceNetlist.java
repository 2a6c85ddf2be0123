package anabion.core.simulation.spice;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.Element;
import anabion.core.circuit.Reactances;
import anabion.core.error.InputException;
import anabion.core.rectifier.RailCurrent;
import anabion.core.rectifier.Rectifier;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.Port;
import anabion.core.simulation.supply.Reservoirs;
import anabion.core.simulation.supply.SupplyRail;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Predicate;

/**
 * A set as a plain SPICE-style deck that a batch solver runs as it is.
 *
 * <p>The static deck has each rail as a source of its computed mean, since at an operating point the mains is zero. The deck over time
 * has mains, transformer, rectifier and capacitors, and measures mean, ripple and peak current over the last cycles. Every net is
 * named in a comment: {@code * net NODE = NAME}.
 */
public final class SpiceNetlist {
    /** Cycles to run: a start from the computed mean is settled soon, the capacitor of a doubler starts empty. */
    private static final int SHORT = 8;

    private static final int LONG = 120;
    /** Steps of a cycle. */
    private static final int FINE = 400;

    private static final int COARSE = 60;
    /** For decks whose start is not near their end. */
    private static final String SETTLING =
            ".options reltol=1e-3 abstol=1e-9 vntol=1e-5 gmin=1e-12 itl1=500 itl2=500 itl4=500 cshunt=1e-12";

    private static final double SMALLEST = 1e-9;
    private static final double LEAST = 1e-12;

    private final Chassis chassis;
    private final Setting setting;
    private final DeviceLines devices;
    private final Simulator.PreparedCircuit bench;
    private final OperatingPoint solved;
    private final Faults faults;
    private String options = ".options reltol=1e-5 abstol=1e-12 vntol=1e-7 gmin=1e-14 itl1=500 itl2=500 itl4=200";
    private final Map<String, String> nodes = new LinkedHashMap<>();
    private final List<String> lines = new ArrayList<>();

    private SpiceNetlist(Chassis chassis, Setting setting) {
        this(chassis, setting, DeviceLines.OWN);
    }

    private SpiceNetlist(Chassis chassis, Setting setting, DeviceLines devices) {
        this.chassis = chassis;
        this.setting = setting;
        this.devices = devices;
        this.bench = new Simulator().prepare(chassis, setting);
        this.solved = bench.solve();
        this.faults = new Faults(chassis, setting.faults());
        nodes.put(bench.circuit().reference(), "0");
    }

    /** For the operating point. */
    public static String direct(Chassis chassis, Setting setting) {
        return new SpiceNetlist(chassis, setting).direct();
    }

    /** Over time, with the real supply. */
    public static String overTime(Chassis chassis, Setting setting) {
        SpiceNetlist deck = new SpiceNetlist(chassis, setting);
        return deck.overTime(deck.pumped() ? LONG : SHORT, FINE);
    }

    /**
     * For the mean volts of every net under other laws of its devices: over time where it has a rectifier, else for the operating point. A measure is called
     * {@code mean_} and its node.
     *
     * @param cycles of the mains until all has settled; the means are those of the last four
     */
    public static String means(Chassis chassis, Setting setting, DeviceLines devices, int cycles) {
        SpiceNetlist deck = new SpiceNetlist(chassis, setting, devices);
        if (deck.bench.rails().isEmpty()) return deck.direct();
        deck.options = SETTLING;
        for (String net : deck.bench.circuit().nets()) {
            String node = deck.node(net);
            double cycle = 1 / deck.bench.rails().get(0).rectifier().hertz();
            if (!node.equals("0"))
                deck.line(".meas tran mean_" + node + " AVG v(" + node + ")"
                        + window((cycles - 4) * cycle, cycles * cycle));
        }
        return deck.overTime(cycles, COARSE);
    }

    /**
     * For small signals: a sweep with one volt of a generator at a net.
     *
     * @param replaced elements that the reactances stand for
     * @param reactances told to what takes them in
     */
    public static String alternating(
            Chassis chassis,
            Setting setting,
            Predicate<Element> replaced,
            Consumer<Reactances> reactances,
            AcPorts probe) {
        SpiceNetlist deck = new SpiceNetlist(chassis, setting);
        AcNetlist alternating = new AcNetlist(deck, probe.hertz());
        alternating.elements(deck.bench.circuit(), replaced);
        deck.insulation();
        reactances.accept(alternating);
        alternating.generator(probe.net(), probe.ohms(), probe.farads());
        deck.line(".ac lin " + probe.points() + " " + number(probe.from()) + " " + number(probe.to()));
        deck.line(".print ac vm(" + deck.node(probe.output()) + ") vp(" + deck.node(probe.output()) + ")");
        return deck.text("small signals");
    }

    /**
     * Where a small-signal deck is driven and read.
     *
     * @param hertz at which the losses of coils hold
     */
    public record AcPorts(
            String net, String output, double ohms, double farads, double hertz, double from, double to, int points) {}

    /** Adds a line as it stands. */
    public void line(String line) {
        lines.add(line);
    }

    /** From one net to another, to the millivolt. */
    public double volts(String from, String to) {
        return rounded(solved.volts(from).orElse(0) - solved.volts(to).orElse(0));
    }

    /** Direct current into a terminal of an element, to the tenth of a nanoampere. */
    public double amperes(Element e, int terminal) {
        return Math.rint(solved.direct().amperes(e)[terminal] * 1e10) / 1e10;
    }

    /** What was computed is rounded far below what matters, so that a deck changes only with the set, not with the last digits of its solution. */
    private static double rounded(double volts) {
        return Math.rint(volts * 1e3) / 1e3;
    }

    /** Whether the circuit has a net. */
    public boolean known(String net) {
        return bench.circuit().node(net).isPresent();
    }

    /** A net's name in the deck. */
    public String node(String net) {
        return nodes.computeIfAbsent(net, n -> "n" + nodes.size());
    }

    private String net(int at) {
        return node(bench.circuit().net(at));
    }

    /** With nine significant digits, as every solver reads them. */
    public static String number(double v) {
        return String.format(Locale.ROOT, "%.9g", v);
    }

    /** One line, whatever stands in a name: a line end in it would make the rest a command to the solver. */
    private static String comment(String text) {
        return "* " + text.replaceAll("[\\p{Cntrl}\\u0085\\u2028\\u2029]", " ") + "\n";
    }

    /** An element’s name in letters, digits and underscores. */
    public static String name(String element) {
        return element.replaceAll("[^A-Za-z0-9]", "_");
    }

    private String direct() {
        for (Element e : bench.circuit().elements()) {
            if (e instanceof Element.Device d && d.law() instanceof RailCurrent r) rail(d, r);
            else element(e);
        }
        insulation();
        lines.add(".op");
        return text("operating point");
    }

    /** The volts of its reservoir; what it draws on its way from what feeds it is drawn there. */
    private void rail(Element.Device d, RailCurrent r) {
        String foot = bench.circuit().net(d.nodes().get(r.reservoir() + 1));
        String reservoir = bench.circuit().net(d.nodes().get(r.reservoir()));
        double volts = volts(reservoir, foot);
        lines.add("V" + name(d.name()) + " " + node(reservoir) + " " + node(foot) + " DC " + number(volts));
        for (int k = r.given(); k < r.reservoir(); k++)
            if (!net(d.nodes().get(k)).equals(node(foot)))
                lines.add("I" + name(d.name()) + k + " " + net(d.nodes().get(k)) + " " + node(foot) + " DC "
                        + number(amperes(d, k)));
    }

    /** Adds the line or lines of an element. */
    public void element(Element e) {
        String n = name(e.name());
        if (e instanceof Element.Resistor r)
            lines.add("R" + n + " " + net(r.a()) + " " + net(r.b()) + " " + number(1 / r.siemens()));
        else if (e instanceof Element.Source v)
            lines.add("V" + n + " " + net(v.plus()) + " " + net(v.minus()) + " DC " + number(v.volts()));
        else if (e instanceof Element.Current i)
            lines.add("I" + n + " " + net(i.from()) + " " + net(i.to()) + " DC " + number(i.amperes()));
        else if (e instanceof Element.Device d)
            lines.addAll(
                    devices.device(d.law(), n, d.nodes().stream().map(this::net).toList()));
    }

    /** The picosiemens with which our own solution ties every net. */
    private void insulation() {
        for (String net : bench.circuit().nets())
            lines.add("Rins_" + node(net) + " " + node(net) + " 0 " + number(1 / LEAST));
    }

    private boolean pumped() {
        return bench.rails().stream()
                .findFirst()
                .filter(r -> r.rectifier().pump() > 0)
                .isPresent();
    }

    private String overTime(int cycles, int steps) {
        if (bench.rails().isEmpty())
            throw InputException.at(chassis.name())
                    .because("no rectifier with a reservoir is entered")
                    .so("enter the supply, or use the deck for direct current");
        Rectifier first = bench.rails().get(0).rectifier();
        double hertz = first.hertz();
        for (Element e : bench.circuit().elements()) {
            boolean own = e instanceof Element.Device d && d.law() instanceof RailCurrent;
            boolean mains = e.name().equals("mains") || transformer(OperatingPoint.reference(e.name()));
            boolean glows = e.name().contains(".heater") && !coldInMains(OperatingPoint.reference(e.name()));
            if (own || mains || glows) continue;
            Optional<Part> choke =
                    chassis.part(OperatingPoint.reference(e.name())).filter(Reservoirs::isChoke);
            if (choke.isPresent() && e instanceof Element.Resistor r) choke(r, Reservoirs.henries(choke.get()));
            else element(e);
        }
        insulation();
        strays();
        alternating(first);
        for (SupplyRail r : bench.rails()) rectifiers(r);
        for (Part p : chassis.parts()) if (p.component() instanceof Capacitor c) capacitor(p, c);
        double cycle = 1 / hertz;
        double end = cycles * cycle;
        lines.add(".tran " + number(cycle / steps) + " " + number(end) + " 0 " + number(cycle / steps) + " uic");
        for (SupplyRail r : bench.rails()) measures(r, end - 4 * cycle, end);
        if (steps == FINE) lines.add(".options reltol=1e-4");
        return text("over time");
    }

    /** Its copper, and behind it the coil with what flows there. */
    private void choke(Element.Resistor r, double henries) {
        String n = name(r.name());
        lines.add("R" + n + " " + net(r.a()) + " " + n + "x " + number(1 / r.siemens()));
        lines.add("L" + n + " " + n + "x " + net(r.b()) + " " + number(henries) + " IC=" + number(amperes(r, 0)));
    }

    /** What a winding has against its core: without it a solver finds no way through the instant in which all diodes block. */
    private void strays() {
        for (Part p : chassis.parts())
            if (transformer(p.reference()))
                for (String net : p.nets().values())
                    if (!node(net).equals("0")) lines.add("Cstray_" + node(net) + " " + node(net) + " 0 1e-10 IC=0");
    }

    private boolean transformer(String reference) {
        return chassis.part(reference)
                .filter(p -> p.component() instanceof Component.Windings w && w.isMainsTransformer())
                .isPresent();
    }

    /** Mains, ideal transformer with copper, heaters and lamps at their working resistance. */
    private void alternating(Rectifier rectifier) {
        Circuit mains = solved.mains().orElseThrow().circuit();
        for (Element e : mains.elements()) {
            String n = "m_" + name(e.name());
            if (e instanceof Element.Source v)
                lines.add("V" + n + " " + node(mains.net(v.plus())) + " " + node(mains.net(v.minus())) + " "
                        + rectifier.wave().deck(v.volts(), rectifier.hertz()));
            else if (e instanceof Element.Transformer t) {
                String s1 = node(mains.net(t.s1()));
                String s2 = node(mains.net(t.s2()));
                String p1 = node(mains.net(t.p1()));
                String p2 = node(mains.net(t.p2()));
                lines.add("E" + n + " " + s1 + "x " + s2 + " " + p1 + " " + p2 + " " + number(t.ratio()));
                lines.add("V" + n + " " + s1 + "x " + s1 + " DC 0");
                lines.add("F" + n + " " + p1 + " " + p2 + " V" + n + " " + number(t.ratio()));
            } else if (e instanceof Element.Device d && !coldInMains(e.name())) {
                double u =
                        rounded(Math.abs(volt(d.nodes().get(0)) - volt(d.nodes().get(1))));
                lines.add("R" + n + " " + node(mains.net(d.nodes().get(0))) + " "
                        + node(mains.net(d.nodes().get(1))) + " "
                        + number(((anabion.core.device.model.FilamentLaw) d.law()).ohms(u)));
            } else if (e instanceof Element.Resistor r && mainsOnly(e.name()))
                lines.add("R" + n + " " + node(mains.net(r.a())) + " " + node(mains.net(r.b())) + " "
                        + number(1 / r.siemens()));
        }
    }

    /** A heater that gets nothing from the mains hangs on direct current. */
    private boolean coldInMains(String name) {
        for (Element e : solved.mains().orElseThrow().circuit().elements())
            if (e instanceof Element.Device d && d.name().equals(name)) {
                double u = Math.abs(volt(d.nodes().get(0)) - volt(d.nodes().get(1)));
                return u < 0.01 * ((anabion.core.device.model.FilamentLaw) d.law()).volts();
            }
        return true;
    }

    private boolean mainsOnly(String element) {
        return element.equals("line") || element.equals("insulation") || transformer(OperatingPoint.reference(element));
    }

    private double volt(int node) {
        return node < 0 ? 0 : solved.mains().orElseThrow().unknowns()[node];
    }

    private void rectifiers(SupplyRail r) {
        for (int n = 0; n < r.ports().size(); n++) {
            Port port = r.ports().get(n);
            String sensed = "sense_" + name(r.name()) + "_" + n;
            lines.add("V" + sensed + " " + node(port.plate()) + " " + sensed + " DC 0");
            lines.add(devices.rectifier(port.law(), name(r.name()) + "_" + n, sensed, node(port.cathode())));
        }
    }

    private void capacitor(Part p, Capacitor c) {
        String last = String.valueOf(c.farads().size() + 1);
        for (int n = 1; n <= c.farads().size(); n++) {
            double farads = faults.farads(p, n, c.farads().get(n - 1));
            String a = p.nets().getOrDefault(String.valueOf(n), "");
            String b = p.nets().getOrDefault(last, "");
            if (farads < SMALLEST || a.isEmpty() || b.isEmpty()) continue;
            lines.add("C" + name(p.reference()) + "_" + n + " " + node(a) + " " + node(b) + " " + number(farads)
                    + " IC=" + number(volts(a, b)));
            double leak = devices.leak(farads);
            if (leak < Double.POSITIVE_INFINITY)
                lines.add("Rleak" + name(p.reference()) + "_" + n + " " + node(a) + " " + node(b) + " " + number(leak));
        }
    }

    private void measures(SupplyRail r, double from, double to) {
        String between = "across_" + name(r.name());
        lines.add("E" + between + " " + between + " 0 " + node(r.reservoir()) + " " + node(r.foot()) + " 1");
        String v = "v(" + between + ")";
        String window = window(from, to);
        String n = name(r.name()).toLowerCase(Locale.ROOT);
        lines.add(".meas tran mean_" + n + " AVG " + v + window);
        lines.add(".meas tran ripple_" + n + " PP " + v + window);
        lines.add(".meas tran peak_" + n + " MAX i(Vsense_" + name(r.name()) + "_0)" + window);
        for (int k = 1; k < r.ports().size(); k++)
            lines.add(".meas tran peak_" + n + "_" + k + " MAX i(Vsense_" + name(r.name()) + "_" + k + ")" + window);
        lines.add(".meas tran effective_" + n + " RMS i(Vsense_" + name(r.name()) + "_0)" + window);
    }

    private static String window(double from, double to) {
        return " from=" + number(from) + " to=" + number(to);
    }

    private String text(String what) {
        StringBuilder deck = new StringBuilder();
        deck.append(comment(chassis.name() + ", " + what + " at " + number(setting.line()) + " V"));
        nodes.forEach((net, node) -> deck.append(comment("net " + node + " = " + net)));
        deck.append(options).append('\n');
        lines.forEach(l -> deck.append(l).append('\n'));
        return deck.append(".end\n").toString();
    }
}
