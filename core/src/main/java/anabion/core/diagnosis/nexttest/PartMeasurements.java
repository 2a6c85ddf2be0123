package anabion.core.diagnosis.nexttest;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.diagnosis.evidence.Across;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.diagnosis.evidence.Tapped;
import anabion.core.diagnosis.hypothesis.Hypothesis;
import anabion.core.diagnosis.prediction.PredictionModel;
import anabion.core.job.Outcome;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What is done with the parts that are likely: they are tried, or lifted to read the set without them. */
public final class PartMeasurements {
    /** Odds from which on a part is worth trying by itself. */
    private static final double TRIED = 0.03;
    /** Odds of leaks from which on it is worth computing what lifting something would show. */
    private static final double LIFTED = 0.1;

    private static final int MOST = 2;
    private static final Set<FaultMode> LEAKS = EnumSet.of(FaultMode.LEAKY, FaultMode.CORE);

    private final PredictionModel predictions;
    private final Chassis chassis;
    private final String reference;
    private final Map<Fault, Double> causes = new LinkedHashMap<>();
    private final Map<Fault, Fault> sized = new HashMap<>();

    private PartMeasurements(PredictionModel predictions, Map<Hypothesis, Double> odds) {
        this.predictions = predictions;
        this.chassis = predictions.chassis();
        this.reference = chassis.reference();
        odds.forEach((h, p) -> h.from().forEach(f -> {
            causes.merge(f.unsized(), p, Double::sum);
            sized.putIfAbsent(f.unsized(), f);
        }));
    }

    /** @param allowed without lifting anything: volts are read under the same conditions */
    public static Set<Measurement> of(
            PredictionModel predictions,
            List<Measurement> allowed,
            Map<Hypothesis, Double> odds,
            List<Observation> evidence) {
        PartMeasurements parts = new PartMeasurements(predictions, odds);
        Set<Measurement> all = new LinkedHashSet<>(
                parts.tried(evidence.stream().map(Observation::measurement).collect(Collectors.toSet())));
        allowed.stream()
                .filter(Measurement.Volts.class::isInstance)
                .map(Measurement.Volts.class::cast)
                .findFirst()
                .ifPresent(v -> {
                    all.addAll(parts.without(v));
                    all.addAll(parts.unloaded(v, read(evidence)));
                });
        all.addAll(parts.behind());
        all.addAll(parts.humming(evidence));
        if (parts.oscillator() > LIFTED) all.addAll(predictions.frequencies());
        return all;
    }

    private static Set<String> read(List<Observation> evidence) {
        return evidence.stream()
                .map(Observation::measurement)
                .filter(Measurement.Volts.class::isInstance)
                .map(m -> ((Measurement.Volts) m).net())
                .collect(Collectors.toSet());
    }

    private List<Measurement> tried(Set<Measurement> done) {
        return causes.entrySet().stream()
                .filter(e -> e.getValue() > TRIED)
                .flatMap(e -> trying(chassis, sized.get(e.getKey()), done).stream())
                .toList();
    }

    /**
     * What tries a part for a fault, and has not been done: a tester errs now and then, so there is another way to try a capacitor again. One that was
     * lifted and measured need not be lifted again. A joint, which is no part, is tapped.
     */
    public static Optional<Measurement> trying(Chassis chassis, Fault f, Set<Measurement> done) {
        if (f.mode() == FaultMode.JOINT)
            return Optional.<Measurement>of(new Tapped(f.part())).filter(t -> !done.contains(t));
        if (f.mode().isOfWiring()) return Optional.empty(); // ohms to the chassis tell
        Optional<Part> resistor = chassis.part(f.part()).filter(p -> p.component() instanceof Component.Resistor);
        if (resistor.isPresent())
            return Optional.<Measurement>of(new Measurement.Value(f.part()))
                    .filter(v -> !done.contains(v) && !done.contains(Measurement.Try.of(resistor.get())));
        return chassis.part(f.part()).stream()
                .flatMap(p -> p.component() instanceof Component.Capacitor
                        ? Stream.of(
                                Across.of(p),
                                Measurement.Try.of(p),
                                new Measurement.Lifted(p.reference(), Measurement.Lifted.What.LEAK),
                                new Measurement.Lifted(p.reference(), Measurement.Lifted.What.VALUE))
                        : Stream.<Measurement.PartTest>of(Measurement.Try.of(p)))
                .filter(p -> p.catches(f) && !done.contains(p) && !(p instanceof Measurement.Try && measured(f, done)))
                .findFirst()
                .map(p -> p);
    }

    private static boolean measured(Fault f, Set<Measurement> done) {
        return done.stream().anyMatch(d -> d instanceof Measurement.Lifted l && l.catches(f));
    }

    /** Volts of the nets of a leaky capacitor, with it lifted at one end: the test that tells its leak from all else there. */
    private List<Measurement> without(Measurement.Volts like) {
        return likeliest(causes, f -> f.mode() == FaultMode.LEAKY).stream()
                .map(Fault::part)
                .filter(p -> component(p) instanceof Component.Capacitor)
                .flatMap(c -> nets(chassis.part(c).orElseThrow())
                        .<Measurement>map(n -> new Measurement.Volts(
                                n, n, like.setting().withFaults(List.of(Fault.of(c, FaultMode.OPEN))), like.meter())))
                .toList();
    }

    /**
     * Volts of a reservoir with its load off, where rectifier or reservoir are likely: low still, they are to blame; else the load is. Only where the sound set
     * bears it, and nobody lifts a load before the rail was read with it.
     */
    private List<Measurement> unloaded(Measurement.Volts like, Set<String> read) {
        List<Measurement> all = new ArrayList<>();
        for (String reservoir : predictions.soundSet().reservoirs()) {
            if (!read.contains(reservoir)) continue;
            double blamed = causes.entrySet().stream()
                    .filter(e -> chassis.part(e.getKey().part()).stream().anyMatch(p -> p.touches(reservoir)))
                    .mapToDouble(Map.Entry::getValue)
                    .sum();
            List<Part> feeds =
                    chassis.parts().stream().filter(p -> feeds(p, reservoir)).toList();
            if (blamed < LIFTED || feeds.isEmpty() || feeds.size() > MOST) continue;
            Setting off = like.setting()
                    .withFaults(feeds.stream()
                            .map(p -> Fault.of(p.reference(), FaultMode.OPEN))
                            .toList());
            if (predictions.soundSet().bears(off))
                all.add(new Measurement.Volts(reservoir, reservoir, off, like.meter()));
        }
        return all;
    }

    /** Whether it leads from a reservoir on into the set: a resistor, a choke, a winding that begins there. */
    private boolean feeds(Part p, String reservoir) {
        if (p.component() instanceof Component.Resistor)
            return p.touches(reservoir) && !p.touches(reference) && p.nets().size() == 2;
        if (!(p.component() instanceof Component.Windings w) || w.isMainsTransformer()) return false;
        Set<String> ends = Stream.of(
                        w.windings().get(0).from(), w.windings().get(0).to())
                .flatMap(pin -> Stream.ofNullable(p.nets().get(pin)))
                .collect(Collectors.toSet());
        return ends.size() == 2 && ends.contains(reservoir) && !ends.contains(reference);
    }

    /** Odds that something of an oscillator is to blame. */
    private double oscillator() {
        return causes.entrySet().stream()
                .filter(e -> chassis.part(e.getKey().part())
                        .flatMap(Part::role)
                        .filter(PartRole::isOfOscillator)
                        .isPresent())
                .mapToDouble(Map.Entry::getValue)
                .sum();
    }

    /** Where a band hums, whether it still does with the volume down: what hums then comes in behind the control. */
    private List<Measurement> humming(List<Observation> evidence) {
        Map<String, Double> down = Controls.volume(chassis, 0);
        if (down.isEmpty()) return List.of();
        return evidence.stream()
                .filter(o -> o instanceof Observation.Heard h && h.outcome() == Outcome.HUM)
                .map(Observation::measurement)
                .filter(m -> m instanceof Measurement.Listen l && l.controls().isEmpty())
                .<Measurement>map(m -> new Measurement.Listen(((Measurement.Listen) m).band(), down))
                .toList();
    }

    /** Ohms where leaks are likely, without the electrolytics that hide them. */
    private List<Measurement> behind() {
        Map<String, Double> leaks = new LinkedHashMap<>();
        causes.forEach((f, p) -> {
            if (LEAKS.contains(f.mode())) at(f).forEach(n -> leaks.merge(n, p, Double::sum));
        });
        return likeliest(leaks, n -> true).stream()
                .map(n -> new Measurement.Ohms(n, reference, Measurement.OHMMETER_VOLTS))
                .map(o -> o.without(predictions.through(o)))
                .filter(o -> !o.off().isEmpty())
                .<Measurement>map(o -> o)
                .toList();
    }

    private static <K> List<K> likeliest(Map<K, Double> odds, Predicate<K> which) {
        return odds.entrySet().stream()
                .filter(e -> e.getValue() > LIFTED && which.test(e.getKey()))
                .sorted(Map.Entry.<K, Double>comparingByValue().reversed())
                .limit(MOST)
                .map(Map.Entry::getKey)
                .toList();
    }

    private Component component(String part) {
        return chassis.part(part).orElseThrow().component();
    }

    /** The nets that a leak draws on. */
    private Stream<String> at(Fault leak) {
        Part part = chassis.part(leak.part()).orElseThrow();
        if (!(part.component() instanceof Component.Windings w)) return nets(part);
        boolean whole = leak.target().equals(leak.part());
        List<Winding> of = whole
                ? w.windings().subList(0, 1)
                : w.windings().stream()
                        .filter(x -> leak.target().endsWith("." + x.name()))
                        .toList();
        return of.stream()
                .flatMap(x -> Stream.of(part.nets().get(x.from()), part.nets().get(x.to())))
                .filter(Objects::nonNull)
                .distinct();
    }

    private Stream<String> nets(Part part) {
        return part.nets().values().stream().filter(n -> !n.equals(reference)).distinct();
    }
}
