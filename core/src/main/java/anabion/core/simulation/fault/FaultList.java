package anabion.core.simulation.fault;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.device.DeviceType;
import anabion.core.device.SemiconductorKind;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.simulation.fault.FaultFigures.Severity;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Every way in which one part of a chassis can fail, at a few severities each. */
public final class FaultList {
    /** Farads below which a capacitor tunes or sets a tone, so that a larger one harms. */
    private static final double TUNES = 2e-9;

    private static final FaultFigures FIGURES = FaultFigures.standard();

    /** Coils that stand on iron or in a can, by their role. */
    private static final Set<PartRole> CORED = Set.of(
            PartRole.IF_TRANSFORMER,
            PartRole.RF_TRANSFORMER,
            PartRole.DRIVER_TRANSFORMER,
            PartRole.OUTPUT_TRANSFORMER,
            PartRole.CHOKE,
            PartRole.FIELD_COIL);

    private final List<List<Fault>> ways = new ArrayList<>();

    private final Set<String> returns;
    /** Nets of heaters that have been met. */
    private final Set<String> heated = new HashSet<>();

    private FaultList(Chassis chassis) {
        this.returns = chassis.returns();
    }

    /** Every single fault that the parts of a chassis can have, in their order. */
    public static List<Fault> of(Chassis chassis) {
        return ways(chassis).stream().flatMap(List::stream).toList();
    }

    /** The ways in which parts fail, each with its severities rising; one that has no degrees is a list of one. */
    public static List<List<Fault>> ways(Chassis chassis) {
        FaultList list = new FaultList(chassis);
        for (Part p : chassis.parts()) list.add(p);
        return list.ways.stream().distinct().toList(); // windings of one name fail as one
    }

    private void one(String reference, FaultMode... modes) {
        for (FaultMode mode : modes) ways.add(List.of(Fault.of(reference, mode)));
    }

    private void graded(String reference, FaultMode mode, List<String> amounts) {
        ways.add(amounts.stream().map(a -> new Fault(reference, mode, a)).toList());
    }

    private void graded(String reference, FaultMode mode, double unit, double... factors) {
        graded(
                reference,
                mode,
                Arrays.stream(factors)
                        .mapToObj(x -> Figures.rkm(Quantity.ohms(x * unit)))
                        .toList());
    }

    private void add(Part p) {
        Component k = p.component();
        String ref = p.reference();
        if (k instanceof Component.Resistor r && r.ohms() > 0) {
            one(ref, FaultMode.OPEN);
            graded(ref, FaultMode.DRIFTED, r.ohms(), FIGURES.severities(Severity.RISEN));
            graded(ref, FaultMode.DRIFTED, r.ohms(), FIGURES.severities(Severity.FALLEN));
            graded(ref, FaultMode.WRONG, r.ohms(), FIGURES.severities(Severity.TOO_LARGE));
            graded(ref, FaultMode.WRONG, r.ohms(), FIGURES.severities(Severity.TOO_SMALL));
        } else if (k instanceof Component.Capacitor c)
            capacitor(ref, c, p.role().filter(PartRole::isTrimmer).isPresent());
        else if (k instanceof Component.Windings w) windings(p, w);
        else if (p.device().isPresent()) device(p);
        else if (k instanceof Component.Switch s && !s.contacts().isEmpty())
            s.contacts().forEach(x -> ways.add(List.of(Fault.of(ref, x))));
        else if (k instanceof Component.Potentiometer
                || k instanceof Component.Fuse
                || k instanceof Component.Switch
                || k instanceof Component.Speaker) one(ref, FaultMode.OPEN);
        else if (k instanceof Component.Battery) one(ref, FaultMode.WEAK);
    }

    /** The sections of a can fail one by one, and dry or lose their common lead together. */
    private void capacitor(String ref, Component.Capacitor c, boolean adjusted) {
        int sections = c.farads().size();
        one(ref, FaultMode.OPEN);
        if (sections > 1 && c.is(Dielectric.ELECTROLYTIC))
            graded(ref, FaultMode.DRIED, FIGURES.written(Severity.DRIED));
        for (int n = 1; n <= sections; n++) section(sections > 1 ? ref + "." + n : ref, c);
        if (sections != 1 || adjusted || c.is(Dielectric.AIR)) return;
        double farads = c.farads().get(0);
        fitted(ref, farads, FIGURES.severities(Severity.FARADS_TOO_SMALL));
        if (farads < TUNES) fitted(ref, farads, FIGURES.severities(Severity.FARADS_TOO_LARGE));
    }

    private void section(String ref, Component.Capacitor c) {
        if (c.farads().size() > 1) one(ref, FaultMode.OPEN);
        graded(ref, FaultMode.SHORT, 1, FIGURES.severities(Severity.SHORT_OHMS));
        if (c.is(Dielectric.AIR)) return;
        graded(ref, FaultMode.LEAKY, 1, FIGURES.severities(leak(c)));
        if (c.is(Dielectric.ELECTROLYTIC)) graded(ref, FaultMode.DRIED, FIGURES.written(Severity.DRIED));
    }

    private static Severity leak(Component.Capacitor c) {
        if (c.is(Dielectric.ELECTROLYTIC)) return Severity.ELECTROLYTIC_LEAK_OHMS;
        return c.is(Dielectric.MICA) ? Severity.MICA_LEAK_OHMS : Severity.LEAK_OHMS;
    }

    private void fitted(String ref, double farads, double... factors) {
        ways.add(Arrays.stream(factors)
                .mapToObj(x -> Fault.of(ref, FaultMode.WRONG, Quantity.farads(x * farads)))
                .toList());
    }

    private void windings(Part p, Component.Windings w) {
        String ref = p.reference();
        if (p.is(PartRole.IF_TRANSFORMER))
            w.windings().stream()
                    .map(x -> w.windings().size() == 1 ? ref : ref + "." + x.name())
                    .distinct()
                    .forEach(x -> graded(x, FaultMode.MISTUNED, FIGURES.written(Severity.DETUNED)));
        if (w.windings().size() == 1) one(ref, FaultMode.OPEN);
        else w.windings().forEach(x -> one(ref + "." + x.name(), FaultMode.OPEN));
        if (w.windings().size() == 1) graded(ref, FaultMode.SHORT, FIGURES.written(Severity.SHORTED_TURNS));
        else
            w.windings().stream()
                    .map(x -> ref + "." + x.name())
                    .distinct()
                    .forEach(x -> graded(x, FaultMode.SHORT, FIGURES.written(Severity.SHORTED_TURNS)));
        if (w.windings().size() > 1 && !w.isMainsTransformer())
            graded(ref, FaultMode.LEAKY, 1, FIGURES.severities(Severity.WINDING_LEAK_OHMS));
        if (!w.isMainsTransformer() && p.role().filter(CORED::contains).isPresent())
            w.windings().stream()
                    .filter(x -> !p.nets().getOrDefault(x.from(), Chassis.METAL).equals(Chassis.METAL)
                            && !p.nets().getOrDefault(x.to(), Chassis.METAL).equals(Chassis.METAL))
                    .forEach(x -> graded(
                            w.windings().size() == 1 ? ref : ref + "." + x.name(),
                            FaultMode.CORE,
                            1,
                            FIGURES.severities(Severity.CORE_OHMS)));
    }

    private void device(Part p) {
        String ref = p.reference();
        Optional<DeviceType> type = Sockets.type(p);
        if (type.flatMap(DeviceType::semiconductor).isPresent()) {
            one(ref, FaultMode.OPEN, FaultMode.SHORT);
            if (!type.flatMap(DeviceType::semiconductor)
                    .filter(s -> s.kind() == SemiconductorKind.BIPOLAR)
                    .isPresent()) return;
            graded(ref, FaultMode.LEAKY, 1, FIGURES.severities(Severity.TRANSISTOR_LEAK_OHMS));
            graded(ref, FaultMode.GAIN, FIGURES.written(Severity.GAIN));
            one(ref + "." + Faults.BASE_EMITTER, FaultMode.SHORT);
            graded(
                    ref + "." + Faults.BASE_COLLECTOR,
                    FaultMode.LEAKY,
                    1,
                    FIGURES.severities(Severity.TRANSISTOR_LEAK_OHMS));
            joints(p);
            return;
        }
        if (!p.isTube()) {
            one(ref, FaultMode.OPEN);
            graded(ref, FaultMode.WEAK, 1, FIGURES.severities(Severity.WEAK_OHMS));
            return;
        }
        one(ref, FaultMode.DEAD, FaultMode.HEATER_OPEN);
        for (String piece : Sockets.tapped(p)) ways.add(List.of(new Fault(ref, FaultMode.HEATER_OPEN, piece)));
        List<String> cathodes = Sockets.cathodes(p);
        for (String pin : cathodes)
            graded(
                    cathodes.size() == 1 ? ref : ref + "." + pin,
                    FaultMode.HEATER_CATHODE,
                    1,
                    FIGURES.severities(Severity.HEATER_CATHODE_OHMS));
        graded(ref, FaultMode.EMISSION, FIGURES.written(Severity.EMISSION));
        if (p.device().orElseThrow().functions().values().stream().anyMatch(f -> f.startsWith("g1")))
            graded(ref, FaultMode.GASSY, FIGURES.written(Severity.GAS_AMPERES));
        earthed(p);
        joints(p);
    }

    /** Of all heaters' pins that hang together the first alone: the lead that touches may be any of theirs. */
    private void earthed(Part p) {
        if (returns.size() > 1) return; // what touches a chassis that floats passes nothing
        for (String pin : Sockets.heaterPins(p)) {
            String net = p.nets().get(pin);
            if (!returns.contains(net) && heated.add(net)) one(p.reference() + "." + pin, FaultMode.EARTHED);
        }
    }

    private void joints(Part p) {
        for (String pin : p.nets().keySet()) {
            String at = p.reference() + "." + pin;
            // a heater behind so many ohms is as good as off
            if (Sockets.conductsBadly(p, pin) && !Sockets.heats(p, at))
                graded(at, FaultMode.JOINT, 1, FIGURES.severities(Severity.JOINT_OHMS));
            one(at, FaultMode.JOINT);
        }
    }
}
