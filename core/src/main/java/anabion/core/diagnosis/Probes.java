package anabion.core.diagnosis;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Part;
import anabion.core.error.BadInput;
import anabion.core.signal.Domain;
import anabion.core.simulation.Setting;
import anabion.core.simulation.Simulator;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/** What can be measured on a set without lifting anything. */
public final class Probes {
    /** Open-probe volts of a usual ohmmeter. */
    public static final double TEST = 1.5;

    private Probes() {}

    /** Volts of every net, ohms of every net and across parts, a signal at every point of every band. */
    public static List<Probe> of(PredictionModel forecasts, Setting setting, MeterSpec meter) {
        List<Probe> all = new ArrayList<>(measured(forecasts, setting, meter));
        for (Band b : forecasts.chassis().bands()) all.addAll(heard(forecasts, b.name()));
        return all;
    }

    /** Volts and ohms. */
    public static List<Probe.Measured> measured(PredictionModel forecasts, Setting setting, MeterSpec meter) {
        Chassis chassis = forecasts.chassis();
        String reference = Simulator.reference(chassis);
        List<Probe.Measured> all = new ArrayList<>();
        for (String net : Simulator.nets(chassis))
            if (!net.equals(reference)) all.add(new Probe.Volts(net, net, setting, meter));
        all.addAll(forecasts.unplugged());
        return all;
    }

    static Set<Probe.Ohms> ohms(Chassis chassis, boolean everywhere) {
        String reference = Simulator.reference(chassis);
        Set<Probe.Ohms> all = new LinkedHashSet<>();
        for (Part p : chassis.parts()) {
            boolean across = p.component() instanceof Component.Resistor || p.component() instanceof Component.Fuse;
            if (across && p.nets().size() == 2) {
                Probe.Ohms one = between(p.nets().get("1"), p.nets().get("2"), reference);
                all.add(one);
                // a junction beside it conducts one way: taken both ways, the higher is nearer the resistor's own
                if (!everywhere) all.add(one.reversed());
            }
            if (p.component() instanceof Component.Windings w)
                w.windings()
                        .forEach(x -> all.add(between(
                                p.nets().getOrDefault(x.from(), ""), p.nets().getOrDefault(x.to(), ""), reference)));
        }
        if (everywhere) for (String net : Simulator.nets(chassis)) all.add(new Probe.Ohms(net, reference, TEST));
        all.removeIf(o -> o.net().isEmpty() || o.against().isEmpty() || o.net().equals(o.against()));
        return all;
    }

    /**
     * Evidence of signals that go through the circuit.
     *
     * @throws BadInput for a signal put in, or followed to, where none of its kind passes on that band
     */
    public static void check(PredictionModel forecasts, List<Observation> evidence) {
        for (Observation o : evidence) {
            if (o.probe() instanceof Probe.Inject i) check(forecasts, o.probe(), i);
            if (o.probe() instanceof Probe.Level l) check(forecasts, o.probe(), l.ear());
            if (o.probe() instanceof Probe.Tap t)
                check(forecasts, o.probe(), new Probe.Inject(t.band(), t.domain(), t.point()));
        }
    }

    private static void check(PredictionModel forecasts, Probe said, Probe.Inject at) {
        List<Probe> passed = heard(forecasts, at.band());
        if (passed.isEmpty() || passed.contains(at)) return;
        throw BadInput.at(said.text())
                .because("no such signal passes there")
                .so("name one of "
                        + passed.stream()
                                .filter(Probe.Inject.class::isInstance)
                                .map(p -> ((Probe.Inject) p).domain().code() + " " + ((Probe.Inject) p).point())
                                .collect(Collectors.joining(", ")));
    }

    /** With levels for outcomes on some bands, where a generator and a meter at the speaker tell more finely than an ear. */
    public static List<Probe> levels(PredictionModel forecasts, List<Probe> allowed, Set<String> bands) {
        return allowed.stream()
                .map(p -> p instanceof Probe.Inject i && bands.contains(i.band())
                        ? forecasts.level(i).<Probe>map(l -> l).orElse(p)
                        : p)
                .toList();
    }

    private static Probe.Ohms between(String a, String b, String reference) {
        if (a == null || b == null) return new Probe.Ohms("", "", TEST);
        return a.equals(reference) ? new Probe.Ohms(b, a, TEST) : new Probe.Ohms(a, b, TEST);
    }

    /** A band listened to, and a signal at every point of it; none where the circuit does not say how the band sounds. */
    public static List<Probe> heard(PredictionModel forecasts, String band) {
        List<Probe> all = new ArrayList<>();
        forecasts.loudness(band).ifPresent(l -> {
            all.add(new Probe.Listen(band));
            for (String key : l.decibels().keySet()) {
                int space = key.indexOf(' ');
                Domain domain = Domain.valueOf(key.substring(0, space).toUpperCase(java.util.Locale.ROOT));
                all.add(new Probe.Inject(band, domain, key.substring(space + 1)));
            }
        });
        return all;
    }
}
