package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Stage;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.engine.Detector;
import anabion.core.engine.Faults;
import anabion.core.engine.Sockets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The amplifying systems of a band in signal order, each with the nets of its input and output.
 *
 * @param stages from the aerial to the speaker
 * @param converter which of them changes the frequency; empty in a straight set and on pick-up
 */
record SignalPath(List<Amplifier> stages, Optional<Amplifier> converter) {
    /**
     * One amplifying system.
     *
     * @param element its name in the circuit
     * @param input the pin that the signal enters, as people name it
     * @param signal which terminal of the law the signal enters, and …
     * @param plate … which one it leaves
     */
    record Amplifier(
            String stage,
            String element,
            String input,
            String inputNet,
            String output,
            String outputNet,
            int signal,
            int plate,
            Domain before,
            Domain after) {
        private Amplifier named(String other) {
            return new Amplifier(stage, other, input, inputNet, output, outputNet, signal, plate, before, after);
        }
    }

    static SignalPath of(Chassis chassis, Band band) {
        List<Amplifier> found = new ArrayList<>();
        Optional<Amplifier> converter = Optional.empty();
        boolean converts = band.stages().stream()
                .flatMap(s -> chassis.stage(s).stream())
                .flatMap(s -> s.parts().stream())
                .anyMatch(r -> chassis.part(r).filter(p -> converts(chassis, p)).isPresent());
        Optional<Detector> detector = Detector.of(chassis, band);
        boolean radio = detector.isPresent()
                && band.stages().stream()
                        .flatMap(s -> chassis.stage(s).stream())
                        .anyMatch(s -> s.parts().contains(detector.get().coil()));
        Domain now = radio ? Domain.RF : Domain.AF;
        for (String name : band.stages()) {
            Optional<Stage> stage = chassis.stage(name);
            if (stage.isEmpty()) continue;
            boolean detects =
                    radio && stage.get().parts().contains(detector.get().coil());
            if (detects) now = Domain.AF;
            for (String reference : stage.get().parts()) {
                Optional<Part> part = chassis.part(reference);
                if (part.isEmpty() || part.get().device().isEmpty()) continue;
                boolean mixes = now == Domain.RF && converts && converts(chassis, part.get());
                Domain after = mixes ? Domain.IF : now;
                Optional<Amplifier> a = amplifier(chassis, name, part.get(), now, after);
                if (a.isEmpty() || mate(chassis, found, a.get())) continue;
                found.add(a.get());
                if (mixes) converter = a;
                now = after;
            }
        }
        return new SignalPath(found, converter);
    }

    /** The second half of a push-pull stage: one transformer feeds both. */
    private static boolean mate(Chassis chassis, List<Amplifier> before, Amplifier a) {
        return before.stream().filter(b -> b.stage().equals(a.stage())).anyMatch(b -> chassis.parts().stream()
                .anyMatch(p -> p.component() instanceof Component.Windings && p.joins(a.inputNet(), b.inputNet())));
    }

    /** A mixing tube, or a transistor at a coil of the oscillator. */
    private static boolean converts(Chassis chassis, Part p) {
        Optional<DeviceType> type = Sockets.type(p);
        if (type.isEmpty()) return false;
        if (type.get().semiconductor().isPresent())
            return chassis.parts().stream()
                    .anyMatch(c -> c.component() instanceof Component.Windings
                            && c.role().contains("oscillator")
                            && p.nets().values().stream()
                                    .anyMatch(n -> c.touches(n) && n.startsWith(p.reference() + ".")));
        return type.get().sections().stream().anyMatch(s -> s.kind() == Section.Kind.HEPTODE);
    }

    private static Optional<Amplifier> amplifier(Chassis chassis, String stage, Part p, Domain before, Domain after) {
        DeviceType type = Sockets.type(p).orElse(null);
        if (type == null) return Optional.empty();
        Sockets sockets = new Sockets(new Faults(chassis, List.of()));
        if (type.semiconductor().isPresent())
            return switch (type.semiconductor().get().law()) {
                case "bipolar" -> Optional.of(made(stage, p, "", "b", "c", sockets, 0, 1, before, after));
                case "field-effect" -> Optional.of(made(stage, p, "", "gate", "drain", sockets, 0, 1, before, after));
                default -> Optional.empty();
            };
        for (Section s : type.sections()) {
            if (s.kind() == Section.Kind.DIODE || s.kind() == Section.Kind.RECTIFIER) continue;
            boolean partner = type.sections().stream().anyMatch(x -> x.kind() == Section.Kind.HEPTODE);
            if (s.kind() == Section.Kind.TRIODE && partner) continue;
            String element = s.name().isEmpty() ? p.reference() : p.reference() + "." + s.name();
            boolean outer = s.kind() == Section.Kind.HEPTODE && !s.oscillator().equals("g3");
            int plate = s.kind() == Section.Kind.TRIODE ? 1 : s.kind() == Section.Kind.PENTODE ? 2 : 3;
            return Optional.of(
                    made(stage, p, s.name(), outer ? "g3" : "g1", "a", sockets, outer ? 2 : 0, plate, before, after)
                            .named(element));
        }
        return Optional.empty();
    }

    private static Amplifier made(
            String stage,
            Part p,
            String section,
            String in,
            String out,
            Sockets sockets,
            int signal,
            int plate,
            Domain before,
            Domain after) {
        String input = sockets.need(p, in, section);
        String output = sockets.need(p, out, section);
        return new Amplifier(
                stage,
                p.reference(),
                Sockets.named(p, in, section).orElse(input),
                input,
                Sockets.named(p, out, section).orElse(output),
                output,
                signal,
                plate,
                before,
                after);
    }
}
