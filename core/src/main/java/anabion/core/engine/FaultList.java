package anabion.core.engine;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.device.DeviceType;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Every way in which one part of a chassis can fail, at a few severities each. */
public final class FaultList {
    private static final double[] LEAKS = {10e6, 1e6, 100e3};

    private FaultList() {}

    public static List<Fault> of(Chassis chassis) {
        List<Fault> all = new ArrayList<>();
        for (Part p : chassis.parts()) add(p, all);
        return all.stream().distinct().toList(); // windings of one name fail as one
    }

    private static void add(Part p, List<Fault> all) {
        Component k = p.component();
        String ref = p.reference();
        if (k instanceof Component.Resistor r && r.ohms() > 0) {
            all.add(Fault.of(ref, "open"));
            all.add(new Fault(ref, "drifted", ohms(1.5 * r.ohms())));
            all.add(new Fault(ref, "drifted", ohms(0.6 * r.ohms())));
        } else if (k instanceof Component.Capacitor c) capacitor(ref, c, all);
        else if (k instanceof Component.Windings w) windings(ref, w, all);
        else if (p.device().isPresent()) device(p, all);
        else if (k instanceof Component.Potentiometer || k instanceof Component.Fuse || k instanceof Component.Switch)
            all.add(Fault.of(ref, "open"));
        else if (k instanceof Component.Battery) all.add(Fault.of(ref, "weak"));
    }

    private static void capacitor(String ref, Component.Capacitor c, List<Fault> all) {
        all.add(Fault.of(ref, "open"));
        all.add(Fault.of(ref, "short"));
        if (c.dielectric().equals("air")) return;
        for (double leak : LEAKS) all.add(new Fault(ref, "leaky", ohms(leak)));
        if (c.dielectric().equals("electrolytic")) all.add(Fault.of(ref, "dried"));
    }

    private static void windings(String ref, Component.Windings w, List<Fault> all) {
        if (w.windings().size() == 1) all.add(Fault.of(ref, "open"));
        else w.windings().forEach(x -> all.add(Fault.of(ref + "." + x.name(), "open")));
        all.add(Fault.of(ref, "short"));
        if (w.windings().size() > 1 && !Mains.transformer(w)) all.add(Fault.of(ref, "leaky", 1e6));
    }

    private static void device(Part p, List<Fault> all) {
        String ref = p.reference();
        Optional<DeviceType> type = Sockets.type(p);
        if (type.flatMap(DeviceType::semiconductor).isPresent()) {
            for (String mode : List.of("open", "short", "leaky", "gain")) all.add(Fault.of(ref, mode));
            return;
        }
        if (p.device().orElseThrow().deviceKind() != DeviceKind.TUBE) {
            for (String mode : List.of("open", "weak")) all.add(Fault.of(ref, mode));
            return;
        }
        for (String mode : List.of("dead", "weak", "heater-open", "heater-cathode")) all.add(Fault.of(ref, mode));
        if (p.device().orElseThrow().functions().values().stream().anyMatch(f -> f.startsWith("g1")))
            all.add(Fault.of(ref, "gassy"));
        all.add(new Fault(ref, "emission", "0.25"));
        for (String pin : p.nets().keySet()) all.add(Fault.of(ref + "." + pin, "joint"));
    }

    private static String ohms(double value) {
        return Figures.rkm(Quantity.ohms(value));
    }
}
