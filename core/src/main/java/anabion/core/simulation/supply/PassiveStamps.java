package anabion.core.simulation.supply;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Contact;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.circuit.Circuit;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/** Puts the parts that are plain resistances, to direct current or at mains frequency, into a circuit, with their faults. */
public final class PassiveStamps {
    /** A winding whose resistance nobody stated, in ohms. */
    static final double WINDING = 1;
    /** A closed contact, a fuse. */
    static final double CONTACT = 0.02;
    /** Field coils warm up by some 60 K: copper gains 0.39 % a kelvin. */
    private static final double HOT_COIL = 1.23;
    /** Insulation of a sound electrolytic: ohms times farads. Of others: ohms. */
    public static final double ELECTROLYTIC = 500;

    /** Share of a winding's turns that are shorted, where a fault does not say. */
    public static final double SHORTED = 0.15;

    private static final double PAPER = 2e9;
    private final Chassis chassis;
    private final Setting setting;
    private final Faults faults;
    private final double electrolytics;

    /** With electrolytics of the usual insulation. */
    public PassiveStamps(Chassis chassis, Setting setting, Faults faults) {
        this(chassis, setting, faults, 1);
    }

    /** @param electrolytics insulation of electrolytics against the usual */
    public PassiveStamps(Chassis chassis, Setting setting, Faults faults, double electrolytics) {
        this.electrolytics = electrolytics;
        this.chassis = chassis;
        this.setting = setting;
        this.faults = faults;
    }

    /** Adds a part if it is one of these. */
    public void add(Part p, Circuit.Builder c) {
        Component k = p.component();
        String ref = p.reference();
        if (k instanceof Component.Resistor r) resistor(p, r.ohms(), c);
        else if (k instanceof Component.Potentiometer pot) potentiometer(p, pot.ohms(), c);
        else if (k instanceof Capacitor cap) capacitor(p, cap, c);
        else if (k instanceof Component.Windings w) windings(p, w.windings(), c);
        else if (k instanceof Component.Fuse) pass(ref, p, CONTACT, c);
        else if (k instanceof Component.Speaker s) pass(ref, p, Math.max(0.1, 0.85 * s.ohms()), c);
        else if (k instanceof Component.Switch s && !AcSupply.vibrates(p)) contacts(p, s, c);
    }

    /** Internal ohms of a battery; a weak one has ten times as many, or what the fault says. */
    public static double inner(Part p, Component.Battery b, Faults faults) {
        double ohms = b.ohms() > 0 ? b.ohms() : 0.1 * Math.max(1, b.volts());
        return faults.ohms(p.reference(), FaultMode.WEAK, faults.is(p.reference(), FaultMode.WEAK) ? 10 * ohms : ohms);
    }

    /** A battery with its internal ohms.
     *
     * @param scale of its volts against the stated ones
     */
    public void battery(Part p, Component.Battery b, double scale, Circuit.Builder c) {
        if (faults.is(p.reference(), FaultMode.OPEN)) return;
        c.source(p.reference(), p.reference() + ".emf", faults.net(p, "2"), b.volts() * scale);
        c.resistor(p.reference() + ".inner", p.reference() + ".emf", faults.net(p, "1"), inner(p, b, faults));
    }

    /** Joints that still conduct, between a pin and its net. */
    public void joints(Part p, Predicate<String> net, Circuit.Builder c) {
        faults.resistiveJoints(p).forEach((pin, ohms) -> {
            String to = p.nets().getOrDefault(pin, "");
            if (net.test(to)) c.resistor(p.reference() + "." + pin + ".joint", faults.net(p, pin), to, ohms);
        });
    }

    private void pass(String name, Part p, double ohms, Circuit.Builder c) {
        if (!faults.is(p.reference(), FaultMode.OPEN)) c.resistor(name, faults.net(p, "1"), faults.net(p, "2"), ohms);
    }

    private void resistor(Part p, double ohms, Circuit.Builder c) {
        String ref = p.reference();
        double sound = ohms * setting.trim(ref);
        double value = faults.ohms(ref, sound);
        if (value > 0) pass(ref, p, value, c);
    }

    private void potentiometer(Part p, double ohms, Circuit.Builder c) {
        String ref = p.reference();
        double at = Math.max(0, Math.min(1, setting.controls().getOrDefault(ref, 0.5)));
        double whole = faults.ohms(ref, FaultMode.DRIFTED, ohms);
        String wiper = faults.net(p, p.nets().containsKey("3") ? "3" : "2");
        if (!faults.is(ref, FaultMode.OPEN)) {
            c.resistor(ref + ".upper", faults.net(p, "1"), wiper, Math.max(1, (1 - at) * whole));
            if (p.nets().containsKey("3"))
                c.resistor(ref + ".lower", wiper, faults.net(p, "2"), Math.max(1, at * whole));
        }
    }

    private void capacitor(Part p, Capacitor k, Circuit.Builder c) {
        String ref = p.reference();
        int last = k.farads().size() + 1;
        for (int n = 1; n < last; n++) {
            if (faults.isOf(p, n, FaultMode.OPEN)) continue;
            double ohms = faults.leak(p, n).orElse(insulation(k, k.farads().get(n - 1)));
            if (ohms > 0)
                c.resistor(
                        last == 2 ? ref : ref + "." + n,
                        faults.net(p, String.valueOf(n)),
                        faults.net(p, String.valueOf(last)),
                        ohms);
        }
    }

    private double insulation(Capacitor k, double farads) {
        if (k.is(Dielectric.ELECTROLYTIC)) return electrolytics * ELECTROLYTIC / Math.max(farads, 1e-7);
        return k.is(Dielectric.PAPER) ? PAPER : 0;
    }

    private void windings(Part p, List<Winding> all, Circuit.Builder c) {
        for (int n = 0; n < all.size(); n++) {
            Winding w = all.get(n);
            if (openWinding(p, w, n)) continue;
            c.resistor(winding(p, n), faults.net(p, w.from()), faults.net(p, w.to()), ohms(p, w));
            String target =
                    n == 0 && faults.is(p.reference(), FaultMode.CORE) ? p.reference() : p.reference() + "." + w.name();
            if (faults.is(target, FaultMode.CORE))
                c.resistor(
                        target + ".core." + n,
                        faults.net(p, w.from()),
                        Chassis.METAL,
                        faults.ohms(target, FaultMode.CORE, 100e3));
        }
        if (faults.is(p.reference(), FaultMode.LEAKY) && all.size() > 1)
            c.resistor(
                    p.reference() + ".leak",
                    faults.net(p, all.get(0).from()),
                    faults.net(p, all.get(1).from()),
                    faults.ohms(p.reference(), FaultMode.LEAKY, 1e6));
    }

    /** The name of a winding's element. */
    public static String winding(Part p, int n) {
        return p.reference() + "." + (n + 1);
    }

    /** @param n its place among the windings */
    public boolean openWinding(Part p, Winding w, int n) {
        if (faults.is(p.reference() + "." + w.name(), FaultMode.OPEN)) return true;
        return n == 0 && faults.is(p.reference(), FaultMode.OPEN);
    }

    /** A winding's ohms, warm or cold, with shorted turns taken off. */
    public double ohms(Part p, Winding w) {
        double stated = w.ohms() > 0 ? w.ohms() : WINDING;
        double heat = setting.warm() && p.is(PartRole.FIELD_COIL) ? HOT_COIL : 1;
        boolean own = faults.is(p.reference() + "." + w.name(), FaultMode.SHORT);
        double shorted = own || faults.is(p.reference(), FaultMode.SHORT) ? 1 - 2 * turns(p, w) : 1;
        return Math.max(1e-3, stated * heat * shorted);
    }

    /** The share of a winding's turns that a short takes away: as stated of it, else the usual. */
    double turns(Part p, Winding w) {
        String own = p.reference() + "." + w.name();
        return faults.number(own, FaultMode.SHORT, faults.number(p.reference(), FaultMode.SHORT, SHORTED));
    }

    private void contacts(Part p, Component.Switch s, Circuit.Builder c) {
        if (s.contacts().isEmpty()) {
            if (!position(p, s).equalsIgnoreCase("off")) pass(p.reference(), p, CONTACT, c);
            return;
        }
        for (Contact k : closed(p, s))
            c.resistor(
                    p.reference() + "." + (s.contacts().indexOf(k) + 1),
                    faults.net(p, k.from()),
                    faults.net(p, k.to()),
                    CONTACT);
    }

    private List<Contact> closed(Part p, Component.Switch s) {
        String at = position(p, s);
        return s.contacts().stream()
                .filter(k -> k.at().contains(at) && !faults.parts(p.reference(), k, at))
                .toList();
    }

    /**
     * Where a part leads from one of its nets by plain resistance: a fuse, a closed contact, a lamp, a resistor.
     *
     * @return ohms by net; empty for a part that is open, or blocks, or is wound
     */
    public Map<String, Double> leads(Part p, String net) {
        Component k = p.component();
        Map<String, Double> found = new LinkedHashMap<>();
        if (faults.is(p.reference(), FaultMode.OPEN)) return found;
        if (k instanceof Component.Switch s && !AcSupply.vibrates(p)) {
            List<String[]> pairs = s.contacts().isEmpty()
                    ? position(p, s).equalsIgnoreCase("off") ? List.of() : List.<String[]>of(new String[] {"1", "2"})
                    : closed(p, s).stream()
                            .map(c -> new String[] {c.from(), c.to()})
                            .toList();
            for (String[] pair : pairs) across(p, pair, net, CONTACT, found);
        } else if (k instanceof Component.Fuse) across(p, new String[] {"1", "2"}, net, CONTACT, found);
        else if (k instanceof Component.Lamp l && l.amperes() > 0)
            across(p, new String[] {"1", "2"}, net, l.volts() / l.amperes(), found);
        else if (k instanceof Component.Resistor r)
            across(
                    p,
                    new String[] {"1", "2"},
                    net,
                    faults.ohms(p.reference(), r.ohms() * setting.trim(p.reference())),
                    found);
        return found;
    }

    private void across(Part p, String[] pins, String net, double ohms, Map<String, Double> found) {
        String from = faults.net(p, pins[0]);
        String to = faults.net(p, pins[1]);
        if (from.equals(net)) found.put(to, ohms);
        else if (to.equals(net)) found.put(from, ohms);
    }

    /** The nets to which a part leads from one of its nets with little resistance, whatever its switches' positions. */
    public static List<String> joined(Part p, String net) {
        Component k = p.component();
        if (AcSupply.vibrates(p)) return List.of();
        if (k instanceof Component.Switch s && !s.contacts().isEmpty()) {
            List<String> nets = new ArrayList<>();
            for (Contact c : s.contacts()) {
                String from = p.nets().getOrDefault(c.from(), "");
                String to = p.nets().getOrDefault(c.to(), "");
                if (from.equals(net)) nets.add(to);
                if (to.equals(net)) nets.add(from);
            }
            return nets;
        }
        boolean leads = (k instanceof Component.Resistor r && r.ohms() <= 5 * SupplyFinder.SURGE)
                || k instanceof Component.Fuse
                || k instanceof Component.Switch
                || (k instanceof Component.Windings w && w.windings().size() == 1);
        return leads ? List.copyOf(p.nets().values()) : List.of();
    }

    /** Where a switch stands: as set, where the band wants it, on, or in its first position that is not off. */
    private String position(Part p, Component.Switch s) {
        Map<String, String> set = setting.switches();
        if (set.containsKey(p.reference())) return set.get(p.reference());
        List<String> wanted = new ArrayList<>(List.of(band(chassis, setting), "on"));
        for (String w : wanted) for (String q : s.positions()) if (q.equalsIgnoreCase(w)) return q;
        return s.positions().stream()
                .filter(q -> !q.equalsIgnoreCase("off"))
                .findFirst()
                .orElse(s.positions().isEmpty() ? "" : s.positions().get(0));
    }

    /** The band set; the first where none is. */
    public static String band(Chassis chassis, Setting setting) {
        if (!setting.band().isEmpty() || chassis.bands().isEmpty()) return setting.band();
        return chassis.bands().get(0).name();
    }
}
