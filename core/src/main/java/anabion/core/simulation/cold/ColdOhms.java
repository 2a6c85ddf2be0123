package anabion.core.simulation.cold;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.DcSolver;
import anabion.core.circuit.Element;
import anabion.core.circuit.LinearizedCircuit;
import anabion.core.circuit.Solution;
import anabion.core.device.DeviceType;
import anabion.core.device.Semiconductor;
import anabion.core.device.SemiconductorKind;
import anabion.core.device.model.Fit;
import anabion.core.device.model.LampLaw;
import anabion.core.device.model.RectifierLaw;
import anabion.core.error.InputException;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.simulation.supply.PassiveStamps;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What an ohmmeter shows between two nets with the power off and the tubes cold.
 *
 * <p>Method: the meter is a source of its test volts behind its own resistance; its ohms are volts by current at the probes. Junctions
 * and filaments are solved as they are, so the answer depends on test volts and polarity; the range spans both polarities and
 * electrolytics from new-formed to badly leaking. Parts that stay within a few per cent of each other give no range worth the name.
 */
public final class ColdOhms {
    /** Above this the path is open. */
    public static final double OPEN = 1e9;
    /** Source resistance of the meter, in ohms. */
    private static final double METER = 1000;
    /** A long-idle electrolytic leaks so much more than a formed one, and a new one so much less. */
    public static final double WORN = 0.02;

    public static final double FORMED = 10;

    private ColdOhms() {}

    /**
     * @param ohms with the positive probe on the first net and electrolytics in usual state
     * @param low least value that a sound set can show
     * @param high largest
     */
    public record Answer(double ohms, double low, double high) {}

    /**
     * @param test volts of the ohmmeter with open probes
     * @throws InputException if the chassis has no such net
     */
    public static Answer between(Chassis chassis, Setting setting, String a, String b, double test) {
        for (String net : List.of(a, b))
            if (!Simulator.nets(chassis).contains(net))
                throw InputException.at("net " + net)
                        .because("this chassis has no such net")
                        .so("name one of its nets or pins");
        double usual = measure(chassis, setting, a, b, test, 1);
        double low = usual;
        double high = usual;
        for (double state : new double[] {WORN, 1, FORMED})
            for (double volts : new double[] {test, -test}) {
                double r = measure(chassis, setting, a, b, volts, state);
                low = Math.min(low, r);
                high = Math.max(high, r);
            }
        return new Answer(usual, low, high);
    }

    private static double measure(
            Chassis chassis, Setting setting, String a, String b, double test, double electrolytics) {
        if (a.equals(b)) return 0;
        Circuit cold =
                circuit(chassis, setting, chassis.reference(), electrolytics).build();
        return shown(new DcSolver().solve(metered(cold, a, b, test)), a, b);
    }

    /** A cold set with an ohmmeter between two nets. */
    public static Circuit metered(Circuit cold, String a, String b, double test) {
        return cold.more()
                .source("meter", "METER", b, test)
                .resistor("probe", "METER", a, METER)
                .build();
    }

    private static double amperes(Solution s) {
        List<Element> elements = s.circuit().elements();
        return -s.amperes(elements.get(elements.size() - 2))[0];
    }

    private static double volts(Solution s, String a, String b) {
        return s.volts(a).orElse(0) - s.volts(b).orElse(0);
    }

    /** What the meter shows. */
    public static double shown(Solution s, String a, String b) {
        double amperes = amperes(s);
        double ohms = Math.abs(amperes) < 1e-13 ? OPEN : volts(s, a, b) / amperes;
        return ohms < 0 || ohms > OPEN ? OPEN : ohms;
    }

    /**
     * By which share of itself each resistor moves what the meter shows, at the current that it drives: the slope of the ohms V/I against the part,
     * with junctions as they stand there. Empty where nothing passes.
     */
    public static Map<String, Double> shares(Solution s, String a, String b) {
        Optional<LinearizedCircuit> tangent = LinearizedCircuit.at(s);
        double volts = volts(s, a, b);
        double amperes = amperes(s);
        if (tangent.isEmpty() || shown(s, a, b) >= OPEN || volts * amperes <= 0) return Map.of();
        double[] sensed = tangent.get()
                .sensed(
                        s.circuit().node(a).orElse(Circuit.REFERENCE),
                        s.circuit().node(b).orElse(Circuit.REFERENCE));
        Map<String, Double> shares = new HashMap<>();
        for (Element e : s.circuit().elements())
            if (e instanceof Element.Resistor r && !r.name().equals("probe")) {
                double across = at(sensed, r.a()) - at(sensed, r.b());
                double moved = across * s.amperes(r)[0];
                shares.merge(r.name(), moved / volts + moved / (METER * amperes), Double::sum);
            }
        return shares;
    }

    private static double at(double[] all, int node) {
        return node == Circuit.REFERENCE ? 0 : all[node];
    }

    /** The set with the power off; every net of it is there, whatever is wrong. */
    public static Circuit.Builder circuit(Chassis chassis, Setting setting, String reference, double electrolytics) {
        Circuit.Builder c = Circuit.of(reference);
        for (Part p : chassis.parts()) p.nets().values().forEach(c::node);
        Faults faults = new Faults(chassis, setting.faults());
        PassiveStamps linear = new PassiveStamps(chassis, setting.cold(), faults, electrolytics);
        Sockets sockets = new Sockets(faults);
        for (Part p : chassis.parts()) {
            if (p.component() instanceof Component.Lamp l && l.amperes() > 0) {
                if (!faults.is(p.reference(), FaultMode.OPEN))
                    c.device(
                            p.reference(),
                            new LampLaw(l.volts(), l.amperes(), LampLaw.LAMP),
                            faults.net(p, "1"),
                            faults.net(p, "2"));
            } else if (p.device().isPresent()) {
                device(p, faults, sockets, c);
                sockets.earthed(p, reference).forEach(l -> c.resistor(l.name(), l.heater(), l.to(), l.ohms()));
                linear.joints(p, net -> true, c);
            } else linear.add(p, c);
        }
        return c;
    }

    /** A cold tube is its heater; a semiconductor works as ever. */
    private static void device(Part p, Faults faults, Sockets sockets, Circuit.Builder c) {
        Optional<DeviceType> type = Sockets.type(p);
        if (type.isEmpty()) return;
        Optional<Semiconductor> s = type.get().semiconductor();
        if (s.isEmpty()) {
            List<Sockets.HeaterPiece> pieces = sockets.pieces(p, type.get());
            for (int n = 0; n < pieces.size() && !sockets.isOpen(p); n++)
                c.device(
                        p.reference() + (n == 0 ? "" : ".tap"),
                        Fit.filament(
                                type.get(), pieces.get(n).volts(), pieces.get(n).amperes(), AcSupply.HEATER),
                        pieces.get(n).from(),
                        pieces.get(n).to());
            return;
        }
        if (faults.is(p.reference(), FaultMode.OPEN)) return;
        if (s.get().kind() == SemiconductorKind.RECTIFIER) {
            RectifierLaw.Junction j = (RectifierLaw.Junction) Fit.silicon();
            c.device(
                    p.reference(),
                    new anabion.core.device.model.JunctionLaw(j.saturation(), j.slope(), 1e-9),
                    sockets.need(p, "a", ""),
                    sockets.need(p, "k", ""));
        } else if (s.get().kind() == SemiconductorKind.JUNCTION)
            c.device(p.reference(), Fit.law(s.get()), sockets.need(p, "a", ""), sockets.need(p, "k", ""));
        else if (s.get().kind() == SemiconductorKind.BIPOLAR)
            c.device(
                    p.reference(),
                    Fit.law(s.get()),
                    sockets.need(p, "b", ""),
                    sockets.need(p, "c", ""),
                    sockets.need(p, "e", ""));
    }
}
