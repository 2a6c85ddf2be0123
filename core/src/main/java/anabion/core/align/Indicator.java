package anabion.core.align;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.PinNames;
import anabion.core.json.Coded;
import anabion.core.simulation.dc.Detector;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** What shows how near an adjuster is. */
public enum Indicator implements Coded {
    /** Alternating volts at the speaker, under a modulated carrier. */
    OUTPUT_METER,
    /** Direct volts of a ratio detector's large capacitor, under an unmodulated carrier. */
    STABILISER_VOLTS,
    /** Direct volts at the grid of the limiter before a discriminator. */
    LIMITER_VOLTS,
    /** Direct volts where an FM detector gives its sound: zero in tune. */
    DETECTOR_VOLTS,
    /** Volts of the control line, under an unmodulated carrier that is strong enough to make them. */
    AVC_VOLTS,
    /** A tuning indicator, likewise: its shadow is narrowest. */
    EYE,
    /** No instrument: the loudness of the tone. */
    EAR;

    /** Farads from which a capacitor at an FM detector holds its volts: it is a ratio detector. */
    private static final double STABILISES = 1e-6;

    /** Whether what it shows grows in proportion to the signal, so that decibels can be told. */
    public boolean proportional() {
        return this == OUTPUT_METER || this == STABILISER_VOLTS || this == LIMITER_VOLTS;
    }

    /** Whether it shows nothing before the automatic volume control takes part. */
    public boolean wantsControl() {
        return this == AVC_VOLTS || this == EYE;
    }

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Where a meter's leads go, as nets. */
    public record Leads(String plus, String minus) {}

    /**
     * Where the direct volts of an indicator are measured.
     *
     * @return empty for what is heard, seen or measured at the speaker, and where the circuit does not tell
     */
    public Optional<Leads> leads(Chassis chassis, Band band) {
        return switch (this) {
            case STABILISER_VOLTS -> stabiliser(chassis, band).map(Part::nets).flatMap(Indicator::between);
            case DETECTOR_VOLTS -> Detector.of(chassis, band).map(d -> new Leads(d.audio(), chassis.reference()));
            case LIMITER_VOLTS -> limiter(chassis, band).map(g -> new Leads(g, chassis.reference()));
            case AVC_VOLTS ->
                chassis.parts().stream()
                        .filter(p -> p.is(PartRole.AVC_FILTER) && p.component() instanceof Capacitor)
                        .flatMap(p -> p.nets().values().stream())
                        .filter(n -> !chassis.returns().contains(n))
                        .findFirst()
                        .map(n -> new Leads(n, chassis.reference()));
            case OUTPUT_METER, EYE, EAR -> Optional.empty();
        };
    }

    private static Optional<Leads> between(Map<String, String> nets) {
        List<String> both = List.copyOf(nets.values());
        return both.size() == 2 ? Optional.of(new Leads(both.get(0), both.get(1))) : Optional.empty();
    }

    /** The control grid of what drives the detector's transformer. */
    private static Optional<String> limiter(Chassis chassis, Band band) {
        Optional<Part> coil = Detector.of(chassis, band).flatMap(d -> chassis.part(d.coil()));
        return coil.flatMap(c -> chassis.parts().stream()
                .filter(p ->
                        p.device().isPresent() && pins(p, PinNames::isOutput).anyMatch(c::touches))
                .flatMap(p -> pins(p, PinNames::isInput))
                .findFirst());
    }

    private static Stream<String> pins(Part device, Predicate<String> function) {
        return device.nets().entrySet().stream()
                .filter(e ->
                        function.test(device.device().orElseThrow().functions().getOrDefault(e.getKey(), "")))
                .map(Map.Entry::getValue);
    }

    /** What a band's circuits are peaked on: on FM a large capacitor at the detector's pins tells a ratio detector. */
    static Indicator of(Chassis chassis, Band band) {
        if (band.kind() != BandKind.FM) return OUTPUT_METER;
        return stabiliser(chassis, band).isPresent() ? STABILISER_VOLTS : LIMITER_VOLTS;
    }

    private static Optional<Part> stabiliser(Chassis chassis, Band band) {
        return Detector.of(chassis, band)
                .flatMap(d -> chassis.part(reference(d.element())))
                .flatMap(device -> chassis.parts().stream()
                        .filter(p -> p.component() instanceof Capacitor c
                                && c.farads().stream().anyMatch(f -> f >= STABILISES))
                        .filter(p -> p.nets().values().stream()
                                .anyMatch(n -> !n.equals(chassis.reference()) && reaches(chassis, n, device)))
                        .findFirst());
    }

    /** Of the part to which an element of the circuit belongs. */
    private static String reference(String element) {
        int dot = element.indexOf('.');
        return dot < 0 ? element : element.substring(0, dot);
    }

    /** At a pin of the device, at most behind one resistor. */
    private static boolean reaches(Chassis chassis, String net, Part device) {
        if (device.touches(net)) return true;
        return chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Resistor && p.touches(net))
                .flatMap(p -> p.nets().values().stream())
                .anyMatch(n -> !n.equals(net) && !n.equals(chassis.reference()) && device.touches(n));
    }
}
