package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Stage;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.simulation.dc.Detector;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/**
 * The amplifying systems of a band in signal order, each with the nets of its input and output.
 *
 * @param stages from the aerial to the speaker; of a push-pull stage the first half
 * @param converter which of them changes the frequency; empty in a straight set and on pick-up
 * @param pushPull both halves of such stages
 */
record SignalPath(List<Amplifier> stages, Optional<Amplifier> converter, List<Pair> pushPull) {
    /** Two systems that share the two halves of the signal. */
    record Pair(Amplifier first, Amplifier second) {}

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
        private Amplifier within(Domain from, Domain to) {
            return new Amplifier(stage, element, input, inputNet, output, outputNet, signal, plate, from, to);
        }
    }

    static SignalPath of(Chassis chassis, Band band) {
        List<Amplifier> found = new ArrayList<>();
        List<Pair> pairs = new ArrayList<>();
        Optional<Amplifier> converter = Optional.empty();
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
                for (Amplifier system : systems(chassis, name, part.get())) {
                    boolean mixes =
                            now == Domain.RF && converter.isEmpty() && converts(chassis, band, part.get(), system);
                    Amplifier a = system.within(now, mixes ? Domain.IF : now);
                    Optional<Amplifier> mate = mate(chassis, found, a);
                    mate.ifPresent(m -> pairs.add(new Pair(m, a)));
                    if (mate.isPresent()) continue;
                    found.add(a);
                    if (mixes) converter = Optional.of(a);
                    now = a.after();
                }
            }
        }
        return new SignalPath(found, converter, pairs);
    }

    /** The first half of a push-pull stage that a system is the second half of: one transformer feeds both. */
    private static Optional<Amplifier> mate(Chassis chassis, List<Amplifier> before, Amplifier a) {
        return before.stream()
                .filter(b -> b.stage().equals(a.stage()))
                .filter(b -> chassis.parts().stream()
                        .anyMatch(p ->
                                p.component() instanceof Component.Windings && p.joins(a.inputNet(), b.inputNet())))
                .findFirst();
    }

    /** A mixing tube; on FM, and with transistors, the system at a coil of the oscillator. */
    private static boolean converts(Chassis chassis, Band band, Part p, Amplifier system) {
        boolean fm = band.kind() == BandKind.FM;
        DeviceType type = Sockets.type(p).orElseThrow();
        if (type.semiconductor().isPresent())
            return at(
                    chassis,
                    fm ? PartRole.FM_OSCILLATOR_COIL : PartRole.OSCILLATOR_COIL,
                    n -> n.startsWith(p.reference() + ".") && p.touches(n));
        if (fm)
            return at(
                    chassis,
                    PartRole.FM_OSCILLATOR_COIL,
                    n -> n.equals(system.inputNet()) || n.equals(system.outputNet()));
        return type.sections().stream().anyMatch(s -> s.kind() == Section.Kind.HEPTODE);
    }

    private static boolean at(Chassis chassis, PartRole role, Predicate<String> net) {
        return chassis.parts().stream().filter(c -> c.is(role)).anyMatch(c -> c.nets().values().stream()
                .anyMatch(net));
    }

    /** The amplifying systems of a device, the triode of a mixing tube left out. */
    private static List<Amplifier> systems(Chassis chassis, String stage, Part p) {
        Optional<DeviceType> type = Sockets.type(p);
        if (type.isEmpty()) return List.of();
        Sockets sockets = new Sockets(new Faults(chassis, List.of()));
        if (type.get().semiconductor().isPresent())
            return switch (type.get().semiconductor().get().kind()) {
                case BIPOLAR -> List.of(made(stage, p, "", "b", "c", sockets, 0, 1));
                case FIELD_EFFECT -> List.of(made(stage, p, "", "gate", "drain", sockets, 0, 1));
                case JUNCTION, RECTIFIER -> List.of();
            };
        boolean mixer = type.get().sections().stream().anyMatch(x -> x.kind() == Section.Kind.HEPTODE);
        List<Amplifier> found = new ArrayList<>();
        for (Section s : type.get().sections()) {
            if (!s.kind().amplifies()) continue;
            if (s.kind() == Section.Kind.TRIODE && mixer) continue;
            boolean outer = s.kind() == Section.Kind.HEPTODE && !s.oscillator().equals("g3");
            int plate = s.kind() == Section.Kind.TRIODE ? 1 : s.kind() == Section.Kind.PENTODE ? 2 : 3;
            String grid = outer ? "g3" : "g1";
            boolean earthed = sockets.need(p, grid, s.name()).equals(chassis.reference());
            found.add(made(stage, p, s.name(), earthed ? "k" : grid, "a", sockets, outer ? 2 : 0, plate));
        }
        return found;
    }

    private static Amplifier made(
            String stage, Part p, String section, String in, String out, Sockets sockets, int signal, int plate) {
        String input = sockets.need(p, in, section);
        String output = sockets.need(p, out, section);
        return new Amplifier(
                stage,
                section.isEmpty() ? p.reference() : p.reference() + "." + section,
                Sockets.named(p, in, section).orElse(input),
                input,
                Sockets.named(p, out, section).orElse(output),
                output,
                signal,
                plate,
                Domain.AF,
                Domain.AF);
    }
}
