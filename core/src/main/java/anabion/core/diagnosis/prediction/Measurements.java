package anabion.core.diagnosis.prediction;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.diagnosis.evidence.AlternatingVolts;
import anabion.core.diagnosis.evidence.Amperes;
import anabion.core.diagnosis.evidence.Evidence;
import anabion.core.diagnosis.evidence.Measurement;
import anabion.core.diagnosis.evidence.Observation;
import anabion.core.error.InputException;
import anabion.core.signal.Domain;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What can be measured on a set without lifting anything. */
public final class Measurements {

    /** Alternating volts of a winding below which nobody asks for them. */
    private static final double LEAST = 1;

    private Measurements() {}

    /** Volts of every net, ohms of every net and across parts, a signal at every point of every band. */
    public static List<Measurement> of(PredictionModel predictions, Setting setting, MeterSpec meter) {
        List<Measurement> all = new ArrayList<>(measured(predictions, setting, meter));
        for (Band b : predictions.chassis().bands()) all.addAll(heard(predictions, b.name()));
        return all;
    }

    /** Volts and ohms; direct volts not where the mains alternates. */
    public static List<Measurement.Metered> measured(PredictionModel predictions, Setting setting, MeterSpec meter) {
        Chassis chassis = predictions.chassis();
        String reference = chassis.reference();
        List<Measurement.Metered> all = new ArrayList<>();
        for (String net : Simulator.nets(chassis))
            if (!net.equals(reference) && predictions.soundSet().steady(net))
                all.add(new Measurement.Volts(net, net, setting, meter));
        predictions.soundSet().alternating().forEach(n -> all.add(new AlternatingVolts(n, n, reference, setting)));
        all.add(Evidence.takesWatts(chassis) ? Measurement.Watts.metered(setting) : new Amperes(setting));
        all.addAll(predictions.unplugged());
        return all;
    }

    /**
     * Nets where alternating volts tell something: of windings and rectifiers' plates that a transformer keeps off the mains, and reservoirs with their ripple.
     * Nobody is sent to volts of the mains itself.
     *
     * @param sound at its nominal line
     */
    static Set<String> alternating(Chassis chassis, OperatingPoint sound) {
        boolean kept = !chassis.supply().arrangement().chassisMayBeLive();
        Set<String> nets = new LinkedHashSet<>(kept ? sound.plates() : Set.of());
        for (Part p : chassis.parts())
            if (kept && p.component() instanceof Component.Windings w && w.isMainsTransformer())
                w.windings().stream()
                        .skip(1)
                        .flatMap(x -> Stream.of(x.from(), x.to()))
                        .forEach(pin -> nets.add(p.nets().getOrDefault(pin, "")));
        nets.removeAll(List.of(AcSupply.L, AcSupply.N));
        nets.removeIf(n -> sound.alternating(n).orElse(0) < LEAST);
        nets.addAll(sound.ripples().keySet());
        nets.remove(chassis.reference());
        return nets;
    }

    /**
     * Pairs of nets between which ohms say something.
     *
     * @param everywhere from every net to the reference, too; else what lies across a resistor is asked for both ways round
     */
    public static Set<Measurement.Ohms> ohms(Chassis chassis, boolean everywhere) {
        String reference = chassis.reference();
        Set<Measurement.Ohms> all = new LinkedHashSet<>();
        for (Part p : chassis.parts()) {
            boolean across = p.component() instanceof Component.Resistor || p.component() instanceof Component.Fuse;
            if (across && p.nets().size() == 2) {
                Measurement.Ohms one = between(p.nets().get("1"), p.nets().get("2"), reference);
                all.add(one);
                // a junction beside it conducts one way: taken both ways, the higher is nearer the resistor's own
                if (!everywhere) all.add(one.reversed());
            }
            if (p.component() instanceof Component.Windings w)
                w.windings()
                        .forEach(x -> all.add(between(
                                p.nets().getOrDefault(x.from(), ""), p.nets().getOrDefault(x.to(), ""), reference)));
        }
        if (everywhere)
            for (String net : Simulator.nets(chassis))
                all.add(new Measurement.Ohms(net, reference, Measurement.OHMMETER_VOLTS));
        all.removeIf(o -> o.net().isEmpty() || o.against().isEmpty() || o.net().equals(o.against()));
        return all;
    }

    /**
     * Evidence of signals that go through the circuit.
     *
     * @throws InputException for a signal put in, or followed to, where none of its kind passes on that band
     */
    public static void check(PredictionModel predictions, List<Observation> evidence) {
        for (Observation o : evidence) {
            if (o.measurement() instanceof Measurement.Inject i) check(predictions, o.measurement(), i);
            if (o.measurement() instanceof Measurement.Level l) check(predictions, o.measurement(), l.ear());
            if (o.measurement() instanceof Measurement.Tap t)
                check(predictions, o.measurement(), new Measurement.Inject(t.band(), t.domain(), t.point()));
        }
    }

    private static void check(PredictionModel predictions, Measurement said, Measurement.Inject at) {
        List<Measurement> passed = heard(predictions, at.band());
        if (passed.isEmpty() || passed.contains(at)) return;
        throw InputException.at(said.text())
                .because("no such signal passes there")
                .so("name one of "
                        + passed.stream()
                                .filter(Measurement.Inject.class::isInstance)
                                .map(p -> ((Measurement.Inject) p).domain().code() + " "
                                        + ((Measurement.Inject) p).point())
                                .collect(Collectors.joining(", ")));
    }

    /** With levels for outcomes on some bands, where a generator and a meter at the speaker tell more finely than an ear. */
    public static List<Measurement> levels(PredictionModel predictions, List<Measurement> allowed, Set<String> bands) {
        return allowed.stream()
                .map(p -> p instanceof Measurement.Inject i && bands.contains(i.band())
                        ? predictions.level(i).<Measurement>map(l -> l).orElse(p)
                        : p)
                .toList();
    }

    private static Measurement.Ohms between(String a, String b, String reference) {
        if (a == null || b == null) return new Measurement.Ohms("", "", Measurement.OHMMETER_VOLTS);
        return a.equals(reference)
                ? new Measurement.Ohms(b, a, Measurement.OHMMETER_VOLTS)
                : new Measurement.Ohms(a, b, Measurement.OHMMETER_VOLTS);
    }

    /** A band listened to, and a signal at every point of it; none where the circuit does not say how the band sounds. */
    public static List<Measurement> heard(PredictionModel predictions, String band) {
        List<Measurement> all = new ArrayList<>();
        predictions.loudness(band).ifPresent(l -> {
            all.add(new Measurement.Listen(band));
            for (String key : l.decibels().keySet()) {
                int space = key.indexOf(' ');
                Domain domain = Domain.valueOf(key.substring(0, space).toUpperCase(java.util.Locale.ROOT));
                all.add(new Measurement.Inject(band, domain, key.substring(space + 1)));
            }
        });
        return all;
    }
}
