package anabion.core.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.engine.FaultList;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * One thing that may be wrong; empty for a sound set.
 *
 * @param prior weight before any evidence, relative to the others
 */
public record Hypothesis(Optional<Fault> fault, double prior) {
    /** Shares of all odds that a sound set and an unlisted fault have before any evidence. */
    static final double SOUND = 0.04;

    static final double OTHER = 0.05;

    /** How often parts of a kind fail so, relative to a leaky paper capacitor (general knowledge of the trade). */
    private static final Map<String, Double> PAPER = Map.of("leaky", 1.0, "short", 0.35, "open", 0.35);

    private static final Map<String, Double> ELECTROLYTIC =
            Map.of("dried", 1.2, "open", 0.5, "leaky", 0.4, "short", 0.35);
    private static final Map<String, Double> SMALL = Map.of("leaky", 0.1, "short", 0.08, "open", 0.1);
    private static final Map<String, Double> RESISTOR = Map.of("drifted", 0.5, "open", 0.5);
    private static final Map<String, Double> WINDING = Map.of("open", 0.35, "short", 0.08, "leaky", 0.08);
    private static final Map<String, Double> TUBE = Map.of(
            "weak",
            0.8,
            "emission",
            0.5,
            "dead",
            0.4,
            "gassy",
            0.35,
            "heater-open",
            0.35,
            "heater-cathode",
            0.25,
            "joint",
            0.08);
    private static final Map<String, Double> TRANSISTOR =
            Map.of("open", 0.5, "short", 0.5, "leaky", 0.8, "gain", 0.4, "weak", 0.6);
    private static final double REST = 0.25;
    private static final double FAR = 3;
    private static final double PAPER_FROM = 9e-10;

    public String name() {
        return fault.map(Fault::text).orElse("sound");
    }

    /** Every single fault of a chassis, and the sound set. */
    public static List<Hypothesis> of(Chassis chassis) {
        List<Hypothesis> all = new ArrayList<>();
        double sum = 0;
        for (Fault f : faults(chassis)) {
            double weight = chassis.part(f.part()).map(p -> weight(p, f)).orElse(REST);
            all.add(new Hypothesis(Optional.of(f), weight));
            sum += weight;
        }
        List<Hypothesis> scaled = new ArrayList<>();
        for (Hypothesis h : all) scaled.add(new Hypothesis(h.fault(), h.prior() / sum * (1 - SOUND - OTHER)));
        scaled.add(new Hypothesis(Optional.empty(), SOUND));
        return scaled;
    }

    /** The listed faults, and resistors that have drifted further still: old carbon goes to several times its value. */
    private static List<Fault> faults(Chassis chassis) {
        List<Fault> all = new ArrayList<>(FaultList.of(chassis));
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Resistor r && r.ohms() > 0)
                all.add(new Fault(p.reference(), "drifted", Figures.rkm(Quantity.ohms(FAR * r.ohms()))));
        return all;
    }

    private static double weight(Part p, Fault f) {
        Component c = p.component();
        Map<String, Double> kind = Map.of();
        if (c instanceof Component.Capacitor k)
            kind = k.dielectric().equals("electrolytic")
                    ? ELECTROLYTIC
                    : k.farads().get(0) >= PAPER_FROM && !k.dielectric().equals("mica") ? PAPER : SMALL;
        else if (c instanceof Component.Resistor) kind = RESISTOR;
        else if (c instanceof Component.Windings) kind = WINDING;
        else if (c instanceof Component.Device d)
            kind = d.deviceKind() == anabion.core.chassis.DeviceKind.TUBE ? TUBE : TRANSISTOR;
        // several severities of one fault share its odds
        double levels = f.mode().equals("leaky") || f.mode().equals("drifted") ? 3 : 1;
        return kind.getOrDefault(f.mode(), REST) / levels;
    }
}
