package anabion.core.testing;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Contact;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.circuit.Element;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.SemiconductorKind;
import anabion.core.device.model.Fit;
import anabion.core.device.model.RectifierLaw;
import anabion.core.rectifier.RailCurrent;
import anabion.core.simulation.dc.OperatingPoint;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * A set's supply over time, written from its wiring alone: nothing of what our own supply finder thinks goes in. Of our solution it takes the currents that tubes
 * draw, and the volts from which it starts; whatever is wrong with those settles within the run.
 */
public final class TransientDeck {
    private static final int CYCLES = 60;
    private final Chassis set;
    private final double line;
    private final double hertz;
    private final OperatingPoint solved;
    private final Map<String, String> nodes = new LinkedHashMap<>();
    private final List<String> lines = new ArrayList<>();

    private TransientDeck(Chassis set, double line, double hertz, OperatingPoint solved) {
        this.set = set;
        this.line = line;
        this.hertz = hertz;
        this.solved = solved;
        nodes.put(set.reference(), "0");
    }

    /** A deck that measures mean and ripple, peak to peak, between two nets. */
    public static String of(Chassis set, double line, double hertz, OperatingPoint solved, String net, String foot) {
        return new TransientDeck(set, line, hertz, solved).written(net, foot);
    }

    private String written(String net, String foot) {
        boolean mains = set.parts().stream().anyMatch(p -> p.touches("MAINS-L"));
        if (mains) {
            add("Vmains mains %s SIN(0 %s %s)", node("MAINS-N"), number(line * Math.sqrt(2)), number(hertz));
            add("Rmains mains %s 0.01", node("MAINS-L"));
            add("Rinsulation %s 0 1e6", node("MAINS-N"));
        }
        for (Part p : set.parts()) part(p);
        for (Element e : solved.direct().circuit().elements())
            if (e instanceof Element.Device d && !(d.law() instanceof RailCurrent)) load(d);
        nodes.values().stream().filter(n -> !n.equals("0")).forEach(n -> add("Rins_%s %s 0 1e9", n, n));
        double end = CYCLES / hertz;
        add("Eout out 0 %s %s 1", node(net), node(foot));
        add(".tran %s %s 0 %s uic", number(1 / hertz / 400), number(end), number(1 / hertz / 400));
        String window = " from=" + number(end - 4 / hertz) + " to=" + number(end);
        add(".meas tran mean_out AVG v(out)%s", window);
        add(".meas tran ripple_out PP v(out)%s", window);
        add(".options reltol=1e-4 itl4=200");
        return "* supply over time\n" + String.join("\n", lines) + "\n.end\n";
    }

    private void add(String line, Object... fillings) {
        lines.add(String.format(Locale.ROOT, line, fillings));
    }

    private static String number(double v) {
        return String.format(Locale.ROOT, "%.6g", v);
    }

    private String node(String net) {
        return nodes.computeIfAbsent(net, n -> "x" + nodes.size());
    }

    private String at(Part p, String terminal) {
        return node(p.nets().getOrDefault(terminal, p.reference() + "." + terminal));
    }

    private void part(Part p) {
        String r = p.reference();
        if (p.component() instanceof Component.Resistor x)
            add("R%s %s %s %s", r, at(p, "1"), at(p, "2"), number(x.ohms()));
        else if (p.component() instanceof Component.Potentiometer x) {
            add("R%sa %s %s %s", r, at(p, "1"), at(p, "3"), number(x.ohms() / 2));
            add("R%sb %s %s %s", r, at(p, "3"), at(p, "2"), number(x.ohms() / 2));
        } else if (p.component() instanceof Component.Fuse) add("R%s %s %s 0.02", r, at(p, "1"), at(p, "2"));
        else if (p.component() instanceof Component.Lamp x)
            add("R%s %s %s %s", r, at(p, "1"), at(p, "2"), number(x.volts() / x.amperes()));
        else if (p.component() instanceof Component.Speaker x)
            add("R%s %s %s %s", r, at(p, "1"), at(p, "2"), number(x.ohms()));
        else if (p.component() instanceof Component.Switch x) contacts(p, x);
        else if (p.component() instanceof Component.Windings x) windings(p, x);
        else if (p.component() instanceof Component.Capacitor x) capacitor(p, x);
        else if (p.component() instanceof Component.Device x) device(p, x);
    }

    private void contacts(Part p, Component.Switch s) {
        if (s.contacts().isEmpty()) {
            add("R%s %s %s 0.02", p.reference(), at(p, "1"), at(p, "2"));
            return;
        }
        int n = 0;
        for (Contact c : s.contacts()) {
            n++;
            boolean closed = c.at().contains("on") || c.at().contains("mains");
            if (closed) add("R%s_%d %s %s 0.02", p.reference(), n, at(p, c.from()), at(p, c.to()));
        }
    }

    private void windings(Part p, Component.Windings w) {
        Winding first = w.windings().get(0);
        String r = p.reference();
        boolean transformer = w.windings().stream().filter(x -> x.volts() > 0).count() > 1;
        for (int n = 0; n < w.windings().size(); n++) {
            Winding x = w.windings().get(n);
            String ohms = number(Math.max(1e-3, x.ohms() > 0 ? x.ohms() : 1));
            if (!transformer && x.henries() >= 0.5) {
                add(
                        "L%s_%d %s %s_%d %s IC=%s",
                        r,
                        n,
                        at(p, x.from()),
                        "m" + r,
                        n,
                        number(x.henries()),
                        number((volts(p, x.from()) - volts(p, x.to())) / x.ohms()));
                add("R%s_%d %s_%d %s %s", r, n, "m" + r, n, at(p, x.to()), ohms);
            } else if (!transformer) add("R%s_%d %s %s %s", r, n, at(p, x.from()), at(p, x.to()), ohms);
            else if (n == 0) add("R%s_0 %s %s_p %s", r, at(p, x.from()), r, ohms);
            else {
                String ratio = number(x.volts() / first.volts());
                add("E%s_%d %s_s%d %s %s_p %s %s", r, n, r, n, at(p, x.to()), r, at(p, first.to()), ratio);
                add("V%s_%d %s_t%d %s_s%d DC 0", r, n, r, n, r, n);
                add("F%s_%d %s_p %s V%s_%d -%s", r, n, r, at(p, first.to()), r, n, ratio);
                add("R%s_%d %s_t%d %s %s", r, n, r, n, at(p, x.from()), ohms);
            }
        }
    }

    private double volts(Part p, String terminal) {
        return solved.volts(p.nets().get(terminal)).orElse(0);
    }

    private void capacitor(Part p, Component.Capacitor c) {
        String common = String.valueOf(c.farads().size() + 1);
        for (int n = 1; n < c.farads().size() + 1; n++)
            if (c.farads().get(n - 1) >= 1e-9)
                add(
                        "C%s_%d %s %s %s IC=%s",
                        p.reference(),
                        n,
                        at(p, String.valueOf(n)),
                        at(p, common),
                        number(c.farads().get(n - 1)),
                        number(volts(p, String.valueOf(n)) - volts(p, common)));
    }

    private void device(Part p, Component.Device d) {
        Optional<DeviceType> type = d.known();
        if (type.isEmpty()) {
            if (d.functions().containsKey("a"))
                lines.add(Fit.selenium(line, 0.06).deck(p.reference(), at(p, "a"), at(p, "k")));
            return;
        }
        if (type.get()
                .semiconductor()
                .filter(s -> s.kind() == SemiconductorKind.RECTIFIER)
                .isPresent()) lines.add(Fit.silicon().deck(p.reference(), at(p, pin(d, "a")), at(p, pin(d, "k"))));
        List<String> ends = d.functions().entrySet().stream()
                .filter(f -> f.getValue().matches("[hf]([+-].*)?"))
                .map(Map.Entry::getKey)
                .filter(p.nets()::containsKey)
                .collect(Collectors.collectingAndThen(
                        Collectors.toList(),
                        all -> all.size() < 2 ? all : List.of(all.get(0), all.get(all.size() - 1))));
        double ohms = type.get().heaterAmperes() > 0
                ? type.get().heaterVolts() / type.get().heaterAmperes()
                : 0;
        // a filament with a middle tap is rated with its halves in parallel
        if (d.functions().values().stream().anyMatch(f -> f.startsWith("fm"))) ohms *= 4;
        if (ends.size() > 1 && ohms > 0) heater(p, d, type.get(), ends, ohms);
        for (Section s : type.get().sections()) {
            if (!s.kind().rectifies()) continue;
            RectifierLaw law = Fit.rectifier(s);
            String k = pin(d, d.functions().containsValue("k" + s.name()) ? "k" + s.name() : "k", ends);
            // a filament gives half of its current at each end
            List<String> cathodes = d.functions().get(k).startsWith("f") ? ends : List.of(k);
            for (String cathode : cathodes)
                d.functions().forEach((pin, f) -> {
                    if (f.matches("a\\d?" + s.name()) && p.nets().containsKey(pin))
                        lines.add(law.weakened(1.0 / cathodes.size())
                                .deck(p.reference() + "_" + pin + "_" + cathode, at(p, pin), at(p, cathode)));
                });
        }
    }

    private void heater(Part p, Component.Device d, DeviceType type, List<String> ends, double ohms) {
        Optional<String> tap = d.functions().entrySet().stream()
                .filter(f -> f.getValue().equals("hm") && p.nets().containsKey(f.getKey()))
                .map(Map.Entry::getKey)
                .findFirst();
        if (tap.isEmpty()) {
            add("Rh%s %s %s %s", p.reference(), at(p, ends.get(0)), at(p, ends.get(1)), number(ohms));
            return;
        }
        // of a rectifier with a tap for the lamp: 7.5 V of it lie beside the lamp
        double part = type.limits().getOrDefault("heaterTapVolts", type.heaterVolts() / 2) / type.heaterAmperes();
        boolean first = Integer.parseInt(tap.get()) - Integer.parseInt(ends.get(0))
                < Integer.parseInt(ends.get(1)) - Integer.parseInt(tap.get());
        boolean last = Integer.parseInt(tap.get()) > Integer.parseInt(ends.get(1));
        String beside = first && !last ? ends.get(0) : ends.get(1);
        String other = first && !last ? ends.get(1) : ends.get(0);
        add("Rh%s %s %s %s", p.reference(), at(p, beside), at(p, tap.get()), number(part));
        add("Rg%s %s %s %s", p.reference(), at(p, tap.get()), at(p, other), number(ohms - part));
    }

    private static String pin(Component.Device d, String function, List<String> ends) {
        return d.functions().entrySet().stream()
                .filter(f -> List.of(f.getValue().split("\\+")).contains(function))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseGet(() -> ends.get(0));
    }

    private static String pin(Component.Device d, String function) {
        return pin(d, function, List.of());
    }

    /** What a tube or transistor draws, from each of its terminals to the last. */
    private void load(Element.Device d) {
        double[] i = solved.direct().amperes(d);
        String last = net(d.nodes().get(i.length - 1));
        for (int n = 0; n < i.length - 1; n++)
            if (Math.abs(i[n]) > 1e-9)
                add(
                        "I%s_%d %s %s DC %s",
                        d.name().replaceAll("[^A-Za-z0-9]", "_"),
                        n,
                        net(d.nodes().get(n)),
                        last,
                        number(i[n]));
    }

    private String net(int at) {
        return at < 0 ? "0" : node(solved.direct().circuit().nets().get(at));
    }
}
