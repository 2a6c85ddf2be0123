package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Stage;
import anabion.core.circuit.SmallSignal;
import anabion.core.numeric.Phasor;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.Detector;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** Where the signals of one band go in, and where they come out. */
record Ends(Chassis chassis, Band band, Optional<Part> speaker, Optional<Detector> detector) {
    private static final List<String> AERIAL_NETS = List.of("AE", "FMA", "AERIAL", "ANT", "ANTENNA");

    /** @param radio whether the band has anything before a detector */
    static Ends of(Chassis chassis, Band band, boolean radio) {
        Optional<Part> speaker = chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Speaker)
                .filter(p -> p.nets().containsKey("1") && p.nets().containsKey("2"))
                .findFirst();
        return new Ends(chassis, band, speaker, radio ? Detector.of(chassis, band) : Optional.empty());
    }

    /** Effective volts at the speaker for the standard output. */
    double standard() {
        return Gains.standard(speaker.orElseThrow());
    }

    Phasor atSpeaker(SmallSignal.Volts volts) {
        return volts.at(speaker.orElseThrow().nets().get("1"))
                .minus(volts.at(speaker.orElseThrow().nets().get("2")));
    }

    Phasor atDiode(SmallSignal.Volts volts) {
        Detector d = detector.orElseThrow();
        return volts.at(d.plate()).minus(volts.at(d.cathode()));
    }

    /** Where sound enters: the detector's output, or the socket of the pick-up. */
    Optional<String> source() {
        if (detector.isPresent()) return detector.map(Detector::audio);
        String reference = chassis.reference();
        return parts().filter(p -> p.component() instanceof Component.Other)
                .flatMap(p -> p.nets().values().stream())
                .filter(n -> !n.equals(reference))
                .findFirst();
    }

    String sourceStage() {
        if (detector.isEmpty()) return band.stages().get(0);
        return chassis.owner(detector.get().coil()).map(Stage::name).orElse("");
    }

    Optional<String> aerial() {
        return Simulator.nets(chassis).stream()
                .filter(n -> AERIAL_NETS.contains(n.toUpperCase(Locale.ROOT)))
                .filter(n -> parts().anyMatch(p -> p.touches(n)))
                .findFirst();
    }

    private Stream<Part> parts() {
        return band.stages().stream()
                .flatMap(s -> chassis.stage(s).stream())
                .flatMap(s -> s.parts().stream())
                .flatMap(r -> chassis.part(r).stream());
    }
}
