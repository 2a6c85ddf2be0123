package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.chassis.PinNames;
import anabion.core.device.DeviceType;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Series;
import anabion.core.rectifier.Cycle;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Holds a reservoir to what its rectifier bears.
 *
 * <p>The maker's limit belongs to a least resistance in the plate: what hurts is the peak current. Where the original is larger than the limit, the resistance
 * is stated that brings the peak down to that of the limit itself.
 */
final class ReservoirLimits {
    private static final double MICRO = 1e6;
    /** Share of the original below which a reservoir smooths too little. */
    private static final double LEAST = 0.8;

    private static final double ABOVE = 1.0001;
    private static final double MOST_OHMS = 1000;

    private final Simulator engine = new Simulator();
    private final Chassis chassis;
    private final OperatingPoint normal;

    ReservoirLimits(Chassis chassis, OperatingPoint normal) {
        this.chassis = chassis;
        this.normal = normal;
    }

    /** A choice of a reservoir that keeps to the limit where the original does, and says what to do where it does not. */
    Choice limited(CapacitorSection c, Choice choice) {
        Optional<Part> rectifier = normal.rectifiers().getOrDefault(c.plus(), List.of()).stream()
                .flatMap(r -> chassis.part(r).stream())
                .findFirst();
        Optional<DeviceType> type = rectifier.flatMap(Sockets::type);
        if (type.isEmpty()) return choice;
        double most = type.get().limits().getOrDefault("reservoirMicrofarads", 0.0) / MICRO;
        String name = rectifier.get().reference() + " " + type.get().name();
        Choice chosen = choice;
        if (most > 0 && chosen.effective() > most * ABOVE)
            chosen = c.farads() > most * ABOVE
                    ? beyond(c, chosen, rectifier.get(), name, most)
                    : within(c, chosen, name, most);
        double limit = type.get().limits().getOrDefault("peakMilliamps", 0.0) / 1000;
        double peak = cycle(c, chosen.effective()).map(Cycle::peak).orElse(0.0);
        if (limit > 0 && peak > limit)
            chosen = chosen.warning(
                    Phrase.of("recap.warn.peak", name, Figures.fixed(1000 * peak, 0), Figures.fixed(1000 * limit, 0)));
        return chosen;
    }

    /** The largest usual value that the limit allows; of two in series, twice that each. */
    private static Choice within(CapacitorSection c, Choice choice, String name, double most) {
        boolean pair = choice.pair().isPresent();
        double value = pair ? Series.E6.atOrBelow(2 * most) : Series.E6.atOrBelow(most);
        double effective = pair ? value / 2 : value;
        if (effective < LEAST * c.farads()) value = (pair ? 2 : 1) * c.farads();
        return choice.valued(value, Phrase.of("recap.rule.limited", name, Figures.fixed(most * MICRO, 0)));
    }

    private Choice beyond(CapacitorSection c, Choice choice, Part rectifier, String name, double most) {
        boolean pair = choice.pair().isPresent();
        double near = Series.E6.nearest(c.farads());
        double value = near <= c.farads() * 1.12 ? near : Series.E6.atOrBelow(c.farads());
        Choice chosen = choice.valued(pair ? 2 * value : value, choice.rule());
        String less = Labels.farads(Series.E6.atOrBelow(most));
        String bears = Figures.fixed(most * MICRO, 0);
        String has = Figures.fixed(value * MICRO, 0);
        double ohms = series(c, rectifier, value, most);
        return chosen.warning(
                ohms > 0
                        ? Phrase.of(
                                "recap.warn.reservoir",
                                c.key(),
                                has,
                                name,
                                bears,
                                less,
                                Figures.si(Quantity.ohms(ohms)))
                        : Phrase.of("recap.warn.reservoir-alone", c.key(), has, name, bears, less));
    }

    /** Ohms of the next preferred value before each plate that bring the peak down to that of the limit; 0 where none is found. */
    private double series(CapacitorSection c, Part rectifier, double farads, double most) {
        double allowed = cycle(c, most).map(Cycle::peak).orElse(0.0);
        if (allowed <= 0) return 0;
        for (double ohms = 10; ohms <= MOST_OHMS; ohms = Series.E12.atOrAbove(1.1 * ohms)) {
            Optional<Cycle> with = cycle(c, before(with(c, farads), rectifier, ohms));
            if (with.isPresent() && with.get().peak() <= allowed) return ohms;
        }
        return 0;
    }

    /** The chassis with a resistor before each plate of a rectifier. */
    private static Chassis before(Chassis set, Part rectifier, double ohms) {
        Map<String, String> nets = new LinkedHashMap<>(rectifier.nets());
        List<Part> parts = new ArrayList<>(set.parts());
        Map<String, String> functions = rectifier.device().orElseThrow().functions();
        for (Map.Entry<String, String> pin : rectifier.nets().entrySet()) {
            if (!PinNames.isPlate(functions.getOrDefault(pin.getKey(), ""))) continue;
            String inner = rectifier.reference() + ".before" + pin.getKey();
            nets.put(pin.getKey(), inner);
            parts.add(rectifier
                    .withReference("R" + inner)
                    .withComponent(new Component.Resistor(ohms, 0, 0))
                    .withNets(Map.of("1", pin.getValue(), "2", inner)));
        }
        parts.replaceAll(p -> p.reference().equals(rectifier.reference()) ? p.withNets(nets) : p);
        return set.withParts(parts);
    }

    /** The steady cycle at high line with another value of a reservoir. */
    Optional<Cycle> cycle(CapacitorSection c, double farads) {
        return cycle(c, with(c, farads));
    }

    private Optional<Cycle> cycle(CapacitorSection c, Chassis set) {
        Setting high = Setting.of(Stresses.high(chassis));
        return Optional.ofNullable(engine.solve(set, high).supplies().get(c.plus()));
    }

    private Chassis with(CapacitorSection c, double farads) {
        Capacitor old = (Capacitor) c.part().component();
        List<Double> all = new ArrayList<>(old.farads());
        all.set(c.section() - 1, farads);
        List<Part> parts = new ArrayList<>(chassis.parts());
        parts.replaceAll(p -> p.equals(c.part()) ? p.withComponent(old.withFarads(all)) : p);
        return chassis.withParts(parts);
    }
}
