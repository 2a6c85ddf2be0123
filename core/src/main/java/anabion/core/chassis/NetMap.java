package anabion.core.chassis;

import anabion.core.device.DeviceType;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What meets on each net of a chassis: parts, electrodes, and the nets that a switch joins to it. */
final class NetMap {
    /** What an electrode is to a signal. */
    enum Electrode {
        INPUT,
        OUTPUT,
        DIODE,
        OTHER
    }

    /** An electrode of a device: its pin belongs to it, too. */
    record Pin(Part device, String terminal, Electrode electrode) {}

    private final Set<String> returns;
    private final Map<String, List<Part>> parts = new LinkedHashMap<>();
    private final Map<String, List<Pin>> pins = new LinkedHashMap<>();
    private final Map<String, Set<String>> switched = new LinkedHashMap<>();

    NetMap(List<Part> all, String reference) {
        this.returns = Chassis.returns(all, reference);
        for (Part p : all) {
            p.nets().values().stream().distinct().forEach(n -> parts.computeIfAbsent(n, x -> new ArrayList<>())
                    .add(p));
            p.device().ifPresent(d -> pins(p, d));
            if (p.component() instanceof Component.Switch s) contacts(p, s);
        }
    }

    private void pins(Part p, Component.Device d) {
        boolean rectifies = d.known()
                .filter(t -> t.semiconductor().isEmpty()
                        && t.sections().stream().allMatch(s -> s.kind().rectifies()))
                .isPresent();
        boolean junction = d.deviceKind() == DeviceKind.DIODE
                && d.known().flatMap(DeviceType::semiconductor).isPresent();
        p.nets().forEach((terminal, net) -> {
            String function = d.functions().getOrDefault(terminal, d.functions().isEmpty() ? terminal : "");
            if (function.isEmpty() || PinNames.isHeater(function) || PinNames.isUnused(function) || rectifies) return;
            Electrode e = electrode(function, d.deviceKind());
            if (d.deviceKind() == DeviceKind.DIODE && !junction) return;
            pins.computeIfAbsent(net, x -> new ArrayList<>()).add(new Pin(p, terminal, e));
        });
    }

    private static Electrode electrode(String function, DeviceKind kind) {
        if (kind == DeviceKind.DIODE) return Electrode.DIODE;
        if (PinNames.isInput(function)) return Electrode.INPUT;
        if (PinNames.isDiode(function)) return Electrode.DIODE;
        return PinNames.isOutput(function) ? Electrode.OUTPUT : Electrode.OTHER;
    }

    private void contacts(Part p, Component.Switch s) {
        if (s.contacts().isEmpty() && p.nets().size() == 2) {
            List<String> both = List.copyOf(p.nets().values());
            join(both.get(0), both.get(1));
        }
        for (Contact c : s.contacts())
            join(p.nets().getOrDefault(c.from(), ""), p.nets().getOrDefault(c.to(), ""));
    }

    private void join(String a, String b) {
        switched.computeIfAbsent(a, x -> new LinkedHashSet<>()).add(b);
        switched.computeIfAbsent(b, x -> new LinkedHashSet<>()).add(a);
    }

    boolean isReference(String net) {
        return returns.contains(net);
    }

    List<Part> at(String net) {
        return parts.getOrDefault(net, List.of());
    }

    List<Pin> pins(String net) {
        return isReference(net) ? List.of() : pins.getOrDefault(net, List.of());
    }

    boolean has(String net, Electrode electrode) {
        return pins(net).stream().anyMatch(p -> p.electrode() == electrode);
    }

    /** The nets of a part but the reference. */
    List<String> ends(Part p) {
        return p.nets().values().stream()
                .filter(n -> !isReference(n) && !n.isEmpty())
                .distinct()
                .toList();
    }

    /** The net at the other end of a part with two. */
    Optional<String> across(Part p, String net) {
        List<String> nets = p.nets().values().stream().distinct().toList();
        return nets.size() == 2 && nets.contains(net)
                ? Optional.of(nets.get(net.equals(nets.get(0)) ? 1 : 0))
                : Optional.empty();
    }

    /** A net and those that some position of a switch joins to it; never the reference. */
    Set<String> joined(String net) {
        Set<String> all = new HashSet<>(Set.of(net));
        List<String> left = new ArrayList<>(all);
        while (!left.isEmpty())
            for (String n : switched.getOrDefault(left.remove(0), Set.of()))
                if (!isReference(n) && all.add(n)) left.add(n);
        return all;
    }

    /** Farads of a capacitor with one section; 0 for any other part. */
    static double farads(Part p) {
        return p.component() instanceof Component.Capacitor c && c.farads().size() == 1
                ? c.farads().get(0)
                : 0;
    }
}
