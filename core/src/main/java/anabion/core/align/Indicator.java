package anabion.core.align;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.json.Coded;
import anabion.core.simulation.dc.Detector;
import java.util.Locale;
import java.util.Optional;

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

    /** What a band's circuits are peaked on: on FM a large capacitor at the detector's pins tells a ratio detector. */
    static Indicator of(Chassis chassis, Band band) {
        if (band.kind() != BandKind.FM) return OUTPUT_METER;
        Optional<Part> device = Detector.of(chassis, band).flatMap(d -> chassis.part(reference(d.element())));
        boolean ratio = device.isPresent()
                && chassis.parts().stream()
                        .filter(p -> p.component() instanceof Capacitor c
                                && c.farads().stream().anyMatch(f -> f >= STABILISES))
                        .flatMap(p -> p.nets().values().stream())
                        .anyMatch(n -> !n.equals(chassis.reference()) && reaches(chassis, n, device.get()));
        return ratio ? STABILISER_VOLTS : LIMITER_VOLTS;
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
