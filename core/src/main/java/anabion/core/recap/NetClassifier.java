package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.DeviceKind;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.PinNames;
import anabion.core.chassis.TerminalNames;
import anabion.core.chassis.Winding;
import anabion.core.device.SemiconductorKind;
import anabion.core.isolation.MainsReach;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What is known about the nets of a solved set: which electrodes are on them, which are the line's, the rails', the chassis's. */
final class NetClassifier {
    /** A resistor up to this joins a net to the chassis as far as signals go. */
    private static final double JOINED = 60;
    /** Shares of the highest rail from which a net counts as one. */
    private static final double HIGH = 0.25;

    private static final double LARGE = 5e-7;

    private final Chassis chassis;
    private final Map<String, List<Part>> parts = new HashMap<>();
    private final List<String[]> windings;
    private final OperatingPoint solved;
    private final String reference;
    private final MainsReach reach;
    private final Set<String> returns;
    private final double highest;

    /** An electrode on a net: the plain function ({@code a}, {@code g1}, {@code k}, {@code b} …) of a system of a device. */
    record Electrode(Part part, String function, String section) {
        boolean is(String... wanted) {
            return List.of(wanted).contains(function);
        }

        boolean rectifies() {
            return part.device()
                    .flatMap(Component.Device::known)
                    .map(t -> t.rectifies()
                            || t.semiconductor()
                                    .filter(s -> s.kind() == SemiconductorKind.RECTIFIER)
                                    .isPresent())
                    .orElse(part.device()
                            .filter(d -> d.deviceKind() == DeviceKind.DIODE)
                            .isPresent());
        }

        /** A diode of its own; that of a tube with other systems shares a cathode that is theirs. */
        boolean diode() {
            return part.device().filter(d -> d.deviceKind() == DeviceKind.DIODE).isPresent();
        }

        boolean transistor() {
            return part.device()
                    .filter(d -> d.deviceKind() == DeviceKind.TRANSISTOR)
                    .isPresent();
        }
    }

    NetClassifier(Chassis chassis, OperatingPoint solved) {
        this.chassis = chassis;
        for (Part p : chassis.parts())
            for (String net : Set.copyOf(p.nets().values()))
                parts.computeIfAbsent(net, n -> new ArrayList<>()).add(p);
        this.windings = windings(chassis);
        this.solved = solved;
        this.reference = chassis.reference();
        this.reach = MainsReach.of(chassis);
        this.returns = new HashSet<>(chassis.returns());
        returns.addAll(solved.feet());
        this.highest = Simulator.nets(chassis).stream()
                .mapToDouble(n -> Math.abs(dc(n)))
                .max()
                .orElse(0);
    }

    Chassis chassis() {
        return chassis;
    }

    double dc(String net) {
        return solved.volts(net).orElse(0);
    }

    boolean isReference(String net) {
        return net.equals(reference);
    }

    String reference() {
        return reference;
    }

    /** How far the mains reaches. */
    MainsReach reach() {
        return reach;
    }

    /** The chassis is one side of the mains. */
    boolean hot() {
        return reach.liveChassis();
    }

    /** Something is plugged in there, to which nothing else leads. */
    boolean outside(String net) {
        return TerminalNames.of(net).isPresent() && !isReference(net);
    }

    /** The chassis, or a net that a small resistor, a filament or a winding's foot joins to it. */
    boolean earthy(String net) {
        if (returns.contains(net)) return true;
        for (Part p : at(net)) {
            if (p.component() instanceof Component.Resistor r && r.ohms() <= JOINED && p.joins(net, reference))
                return true;
        }
        return electrodes(net).stream().anyMatch(e -> e.function().startsWith("f")) && Math.abs(dc(net)) < 20;
    }

    List<Electrode> electrodes(String net) {
        List<Electrode> found = new ArrayList<>();
        for (Part p : at(net)) {
            if (p.device().isEmpty()) continue;
            for (Map.Entry<String, String> n : p.nets().entrySet()) {
                if (!n.getValue().equals(net)) continue;
                String function = p.device().get().functions().getOrDefault(n.getKey(), n.getKey());
                for (String f : PinNames.plain(function))
                    found.add(new Electrode(p, plain(f), PinNames.section(function)));
            }
        }
        return found;
    }

    private static String plain(String function) {
        return function.matches("a\\d") ? "a" : function.matches("d\\d") ? "d" : function;
    }

    /** An electrode on a net, or at the other end of a coil that begins there. */
    Optional<Electrode> behindCoil(String net, String... functions) {
        return on(net, functions).or(() -> windings.stream()
                .filter(w -> w[0].equals(net) || w[1].equals(net))
                .map(w -> w[0].equals(net) ? w[1] : w[0])
                .filter(n -> !isReference(n))
                .flatMap(n -> on(n, functions).stream())
                .findFirst());
    }

    Optional<Electrode> on(String net, String... functions) {
        return electrodes(net).stream().filter(e -> e.is(functions)).findFirst();
    }

    /** The net of a rectifier's reservoir. */
    boolean reservoir(String net) {
        return solved.supplies().containsKey(net);
    }

    /** Direct volts of a rail, held by a large capacitor or the supply itself. */
    boolean high(String net) {
        return highest > 0 && Math.abs(dc(net)) >= HIGH * highest;
    }

    /** Whether a resistor, choke or switch leads from it to a reservoir or a battery. */
    boolean fed(String net) {
        Set<String> seen = new HashSet<>(Set.of(net));
        List<String> open = new ArrayList<>(List.of(net));
        for (int depth = 0; depth < 3; depth++) {
            List<String> next = new ArrayList<>();
            for (String n : open) {
                if (depth > 0 && (reservoir(n) || battery(n))) return true;
                for (Part p : at(n)) {
                    boolean leads = p.component() instanceof Component.Resistor
                            || p.component() instanceof Component.Switch
                            || p.component() instanceof Component.Fuse
                            || (p.component() instanceof Component.Windings w
                                    && w.windings().size() == 1);
                    if (leads) for (String o : p.nets().values()) if (!isReference(o) && seen.add(o)) next.add(o);
                }
            }
            open = next;
        }
        return open.stream().anyMatch(n -> reservoir(n) || battery(n));
    }

    boolean battery(String net) {
        return !isReference(net) && at(net).stream().anyMatch(p -> p.component() instanceof Component.Battery);
    }

    /** Whether a winding has its ends on the two nets, or begins at one of them. */
    boolean winding(String a, String b) {
        return windings.stream()
                .anyMatch(w -> (w[0].equals(a) && w[1].equals(b)) || (w[0].equals(b) && w[1].equals(a)));
    }

    /** Inductance of the winding across two nets; 0 where none is stated. */
    double henries(String a, String b) {
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Windings w)
                for (Winding x : w.windings()) {
                    String from = p.nets().getOrDefault(x.from(), "");
                    String to = p.nets().getOrDefault(x.to(), "");
                    if ((from.equals(a) && to.equals(b)) || (from.equals(b) && to.equals(a))) return x.henries();
                }
        return 0;
    }

    boolean wound(String net) {
        return windings.stream().anyMatch(w -> w[0].equals(net) || w[1].equals(net));
    }

    private static List<String[]> windings(Chassis chassis) {
        List<String[]> all = new ArrayList<>();
        for (Part p : chassis.parts())
            if (p.component() instanceof Component.Windings w)
                w.windings()
                        .forEach(x -> all.add(new String[] {
                            p.nets().getOrDefault(x.from(), ""), p.nets().getOrDefault(x.to(), "")
                        }));
        return all;
    }

    /** The parts on a net. */
    private List<Part> at(String net) {
        return parts.getOrDefault(net, List.of());
    }

    /** Whether a part of a role is on the net. */
    boolean near(String net, PartRole... roles) {
        return !isReference(net)
                && at(net).stream().anyMatch(p -> Stream.of(roles).anyMatch(p::is));
    }

    /** Whether a winding of a part with a speaker's transformer begins at the net. */
    boolean output(String net) {
        return !isReference(net)
                && !reservoir(net)
                && at(net).stream()
                        .filter(p -> p.component() instanceof Component.Windings)
                        .anyMatch(p -> p.is(PartRole.OUTPUT_TRANSFORMER)
                                || p.nets().values().stream().anyMatch(this::speaker));
    }

    /** The set has a vibrator. */
    boolean vibrates() {
        return chassis.parts().stream().anyMatch(p -> p.is(PartRole.VIBRATOR));
    }

    /** Whether an FM coil is on a net, or on another electrode of a device there. */
    boolean vhf(String net) {
        if (isReference(net)) return false;
        return fmCoil(net)
                || at(net).stream().filter(p -> p.device().isPresent()).anyMatch(p -> p.nets().values().stream()
                        .anyMatch(n -> !isReference(n) && fmCoil(n)));
    }

    private boolean fmCoil(String net) {
        return near(net, PartRole.FM_RF_COIL, PartRole.FM_OSCILLATOR_COIL);
    }

    /** Whether one rectifier ends and another begins at a net: the capacitor there doubles. */
    boolean pumped(String net) {
        List<Electrode> rectifiers =
                electrodes(net).stream().filter(Electrode::rectifies).toList();
        return rectifiers.stream().anyMatch(e -> e.is("a"))
                && rectifiers.stream().anyMatch(e -> e.is("k", "f"));
    }

    /** Whether what the vibrator chops stands between two nets. */
    boolean chopped(String a, String b) {
        return solved.mains()
                .filter(m -> Math.abs(m.volts(a).orElse(0) - m.volts(b).orElse(0)) >= 1)
                .isPresent();
    }

    /** Whether the battery's own volts stand between two nets. */
    boolean battered(String a, String b) {
        double volts = chassis.supply().volts();
        return Math.abs(Math.abs(dc(a) - dc(b)) / volts - 1) < 0.15
                && (wound(a) || wound(b) || battery(a) || battery(b));
    }

    /** Whether sound of the last stage is on a net: its plate, or the speaker's side of its transformer. */
    boolean fromOutput(String net) {
        return output(net) || speaker(net);
    }

    /** Whether a device works into the speaker's transformer. */
    boolean works(Part device) {
        return device.nets().entrySet().stream()
                .filter(n ->
                        PinNames.plain(device.device().orElseThrow().functions().getOrDefault(n.getKey(), "")).stream()
                                .anyMatch(f -> f.matches("a\\d?|c")))
                .anyMatch(n -> output(n.getValue()));
    }

    /** Whether the speaker's side of the output transformer is on a net. */
    boolean speaker(String net) {
        return !isReference(net) && at(net).stream().anyMatch(p -> p.component() instanceof Component.Speaker);
    }

    /** The other ends of the resistors and controls on a net. */
    List<String> behind(String net) {
        List<String> found = new ArrayList<>();
        for (Part p : at(net))
            if (p.component() instanceof Component.Resistor || p.component() instanceof Component.Potentiometer)
                for (String o : p.nets().values()) if (!o.equals(net)) found.add(o);
        return found;
    }

    boolean held(String net) {
        return at(net).stream()
                .anyMatch(p -> p.component() instanceof Capacitor c
                        && c.farads().stream().anyMatch(f -> f >= LARGE));
    }

    OperatingPoint solved() {
        return solved;
    }
}
