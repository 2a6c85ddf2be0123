package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.circuit.Element;
import anabion.core.circuit.Solution;
import anabion.core.device.model.Driven;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.setting.Setting;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Where the oscillator of a superhet's band runs while the dial shows a signal's frequency, sound or with something wrong in its circuit. */
public final class OscillatorFrequency {
    /** Share of a sound set's swing, or of its transistor's current, below which an oscillator stops. */
    private static final double SWINGS = 0.15;

    private final Chassis chassis;
    private final FrontEnd frontEnd;
    private final Set<String> nets = new HashSet<>();

    private OscillatorFrequency(Chassis chassis, FrontEnd frontEnd) {
        this.chassis = chassis;
        this.frontEnd = frontEnd;
        FrontEnd.Circuit own = frontEnd.circuits().get(0);
        nets.add(own.net());
        own.parts().forEach(p -> nets.addAll(p.nets().values()));
        nets.remove(chassis.reference());
    }

    /** @return empty where the band has no front end, see {@link FrontEnd#of} */
    public static Optional<OscillatorFrequency> of(Simulator engine, Chassis chassis, Setting setting, Band band) {
        return FrontEnd.of(engine, chassis, setting, band).map(f -> new OscillatorFrequency(chassis, f));
    }

    /** Two places of the dial at which it is worth asking, in hertz: where its padder or core sets it, and where its trimmer does. */
    public List<Double> dials() {
        return List.of(frontEnd.low(), frontEnd.high());
    }

    /** Hertz as aligned. */
    public double at(double dial) {
        return frontEnd.oscillator(dial);
    }

    /**
     * Hertz with something wrong; 0 where it does not run, NaN where it is off by more than a quarter.
     *
     * @param now the set solved with it, and {@code sound} without
     */
    public double at(double dial, List<Fault> faults, OperatingPoint now, OperatingPoint sound) {
        if (!runs(new Faults(chassis, faults), now, sound)) return 0;
        List<Fault> felt = faults.stream().filter(this::concerns).toList();
        return felt.isEmpty() ? at(dial) : frontEnd.oscillator(dial, felt);
    }

    private boolean runs(Faults faults, OperatingPoint now, OperatingPoint sound) {
        Map<String, Double> usually = swings(sound);
        Map<String, Double> swings = swings(now);
        boolean tubes = usually.entrySet().stream()
                .allMatch(e -> !faults.stopsOscillator(chassis, e.getKey())
                        && swings.getOrDefault(e.getKey(), 0.0) > SWINGS * e.getValue());
        return tubes
                && chassis.parts().stream()
                        .filter(q -> q.is(PartRole.OSCILLATOR))
                        .allMatch(q -> !faults.stopsOscillator(chassis, q.reference())
                                && collector(q, now) > SWINGS * collector(q, sound));
    }

    /** The tubes that oscillate, each with the volts by which it swings. */
    private static Map<String, Double> swings(OperatingPoint o) {
        Map<String, Double> all = new HashMap<>();
        Solution direct = o.direct();
        for (Element e : direct.circuit().elements())
            if (e instanceof Element.Device d && d.law() instanceof Driven law && law.share() > 0)
                all.put(
                        OperatingPoint.reference(d.name()),
                        law.amplitude(d.nodes().stream().mapToDouble(direct::at).toArray()));
        return all;
    }

    /** Amperes of a transistor's collector. */
    private static double collector(Part q, OperatingPoint o) {
        return o.direct().circuit().device(q.reference()).stream()
                .mapToDouble(d -> Math.abs(o.direct().amperes(d)[1]))
                .findFirst()
                .orElse(0);
    }

    /** Of what moves its tuning: coils and capacitors at its nets. */
    private boolean concerns(Fault f) {
        Optional<Part> part = chassis.part(f.part());
        return part.filter(p ->
                        p.component() instanceof Component.Windings || p.component() instanceof Component.Capacitor)
                .filter(p -> p.nets().values().stream().anyMatch(nets::contains))
                .isPresent();
    }
}
