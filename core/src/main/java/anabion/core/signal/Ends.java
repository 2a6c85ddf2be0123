package anabion.core.signal;

import anabion.core.chassis.AerialTerminal;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Stage;
import anabion.core.chassis.TerminalNames;
import anabion.core.circuit.SmallSignal;
import anabion.core.numeric.Phasor;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.Detector;
import anabion.core.simulation.fault.Faults;
import java.util.Optional;
import java.util.stream.Stream;

/** Where the signals of one band go in, and where they come out. */
record Ends(Chassis chassis, Band band, Optional<Part> speaker, Optional<Detector> detector) {
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

    /** Whether the voice coil is open, or a lead of it off. */
    boolean isMute(Faults faults) {
        Part p = speaker.orElseThrow();
        return faults.is(p.reference(), FaultMode.OPEN)
                || p.nets().entrySet().stream()
                        .anyMatch(n -> !faults.net(p, n.getKey()).equals(n.getValue()));
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

    /** The wiper of the volume control, where that is a net of its own: sound goes in there as well. */
    Optional<String> wiper() {
        return parts().filter(p -> p.is(PartRole.VOLUME_CONTROL))
                .flatMap(p -> Optional.ofNullable(p.nets().get("3")).stream())
                .filter(net -> !net.equals(chassis.reference())
                        && !source().filter(net::equals).isPresent())
                .findFirst();
    }

    String sourceStage() {
        if (detector.isEmpty()) return band.stages().get(0);
        return chassis.owner(detector.get().coil()).map(Stage::name).orElse("");
    }

    /** The terminal of an aerial: the free end of a coil of it, else what its name says. */
    Optional<String> aerial() {
        return parts().filter(p -> p.role().filter(PartRole::isOfAerial).isPresent())
                .flatMap(p -> AerialTerminal.of(chassis, p).stream())
                .findFirst()
                .or(() -> Simulator.nets(chassis).stream()
                        .filter(n -> TerminalNames.of(n)
                                .filter(t -> t == TerminalNames.Terminal.AERIAL)
                                .isPresent())
                        .filter(n -> parts().anyMatch(p -> p.touches(n)) && passive(n))
                        .findFirst());
    }

    /** Whether nothing but coils, capacitors and resistors meets there: a net that feeds something is no terminal, whatever its name. */
    private boolean passive(String net) {
        return chassis.partsOn(net).stream()
                .allMatch(p -> p.component() instanceof Component.Windings
                        || p.component() instanceof Component.Capacitor
                        || p.component() instanceof Component.Resistor
                        || p.component() instanceof Component.Other);
    }

    /** The loop, frame or rod that hears by itself where no aerial is plugged in. */
    Optional<Part> loop() {
        return parts().filter(p -> p.is(PartRole.AERIAL_COIL)
                        && p.component() instanceof Component.Windings w
                        && w.windings().stream().anyMatch(x -> x.henries() > 0))
                .findFirst();
    }

    private Stream<Part> parts() {
        return band.stages().stream()
                .flatMap(s -> chassis.stage(s).stream())
                .flatMap(s -> s.parts().stream())
                .flatMap(r -> chassis.part(r).stream());
    }
}
