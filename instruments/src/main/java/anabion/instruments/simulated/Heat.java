package anabion.instruments.simulated;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.power.PowerModel;
import anabion.core.power.SupplyPoint;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.Overload;
import anabion.instruments.Hands.Seen;
import anabion.instruments.Hands.Sign;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How hot parts are that take more than they are rated for, and which of them have burnt.
 *
 * <p>Method: a part warms towards the ratio of its power to its rating with a time constant of its own; at a multiple of its rated warmth it fails. Time
 * constants and multiples are the trade's experience: a carbon resistor at five times its rating lasts some ten seconds, at three times a minute or more.
 */
final class Heat {
    /** Warmth, in times of the rated one, from which it smells and smokes; at which a plate shows red. */
    private static final double SMOKES = 2;

    private static final double RED = 1.6;
    /** From which a finger notices. */
    private static final double HOT = 1.2;
    /** A mains transformer that gives so many times its usual current, for so many seconds. */
    private static final double WINDING = 2.5;

    private static final double WINDING_SECONDS = 90;
    /** A fuse goes in seconds at twice its rating. */
    private static final double FUSE_SECONDS = 3;

    private static final double FUSE = 1.6;

    /** What becomes hot. */
    private record Spot(String part, Overload.Place place) {}

    private final Chassis chassis;
    private final Map<Spot, Double> warmth = new HashMap<>();
    private final List<Fault> burnt = new ArrayList<>();
    private double winding;
    private double fuse;

    Heat(Chassis chassis) {
        this.chassis = chassis;
    }

    /** Some seconds at work. */
    void warm(SupplyPoint at, PowerModel nominal, double seconds) {
        Map<Spot, Double> ratios = new HashMap<>();
        for (Overload o : at.overloads())
            ratios.merge(new Spot(OperatingPoint.reference(o.part()), o.place()), o.watts() / o.limit(), Math::max);
        for (Spot s : ratios.keySet()) warmth.putIfAbsent(s, 1.0);
        for (Spot s : List.copyOf(warmth.keySet())) {
            double x = towards(warmth.get(s), ratios.getOrDefault(s, 1.0), seconds, seconds(s.place()));
            warmth.put(s, x);
            if (x >= limit(s)) burn(s);
        }
        double usual = nominal.sound().at(nominal.nominal()).amperes();
        winding = towards(winding, at.amperes() / usual, seconds, WINDING_SECONDS);
        chassis.parts().forEach(p -> {
            if (p.component() instanceof Component.Fuse f && f.amperes() > 0) {
                fuse = towards(fuse, at.amperes() / f.amperes(), seconds, FUSE_SECONDS);
                if (fuse > FUSE) burn(Fault.of(p.reference(), FaultMode.OPEN));
            }
            if (p.component() instanceof Component.Windings w && w.isMainsTransformer() && winding > WINDING)
                burn(Fault.of(p.reference(), FaultMode.SHORT));
        });
    }

    /** Some seconds switched off. */
    void cool(double seconds) {
        warmth.replaceAll((s, x) -> towards(x, 0, seconds, seconds(s.place())));
        winding = towards(winding, 0, seconds, WINDING_SECONDS);
        fuse = towards(fuse, 0, seconds, FUSE_SECONDS);
    }

    private static double towards(double from, double to, double seconds, double constant) {
        return to + (from - to) * Math.exp(-seconds / constant);
    }

    private static double seconds(Overload.Place place) {
        return switch (place) {
            case BODY -> 12;
            case PLATE -> 20;
            case SCREEN -> 8;
        };
    }

    private double limit(Spot s) {
        boolean transistor = chassis.part(s.part())
                .flatMap(Part::device)
                .filter(d -> d.deviceKind() != DeviceKind.TUBE)
                .isPresent();
        return switch (s.place()) {
            case BODY -> transistor ? 1.8 : 3;
            case PLATE -> 4;
            case SCREEN -> 3;
        };
    }

    private void burn(Spot s) {
        boolean device = chassis.part(s.part()).flatMap(Part::device).isPresent();
        FaultMode how = s.place() == Overload.Place.BODY ? device ? FaultMode.SHORT : FaultMode.OPEN : FaultMode.DEAD;
        burn(Fault.of(s.part(), how));
    }

    private void burn(Fault f) {
        if (!burnt.contains(f)) burnt.add(f);
    }

    List<Fault> burnt() {
        return List.copyOf(burnt);
    }

    void renewed(String part) {
        burnt.removeIf(f -> f.part().equals(part));
        warmth.keySet().removeIf(s -> s.part().equals(part));
    }

    /** What eyes and nose find, by kind and part. */
    List<Seen> signs() {
        List<Seen> all = new ArrayList<>();
        warmth.forEach((s, x) -> sign(s, x).ifPresent(k -> all.add(new Seen(k, s.part()))));
        if (winding > SMOKES) all.add(new Seen(Sign.SMELL, ""));
        burnt.forEach(f -> all.add(new Seen(Sign.BURNT, f.part())));
        all.sort(Comparator.comparing(Seen::text));
        return all;
    }

    private static Optional<Sign> sign(Spot s, double warmth) {
        if (s.place() != Overload.Place.BODY && warmth > RED) return Optional.of(Sign.RED_PLATE);
        if (warmth > SMOKES) return Optional.of(Sign.SMOKE);
        return warmth > HOT ? Optional.of(Sign.HOT_PART) : Optional.empty();
    }
}
