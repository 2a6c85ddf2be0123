package anabion.core.schematic;

import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.Semiconductor;
import anabion.core.device.SemiconductorKind;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * An amplifying system with its nets; an electrode that it lacks, or that is not connected, has the net "".
 *
 * @param inner further control electrodes, such as the first grid of a converter whose third takes the signal
 */
record Device(
        Part part,
        Symbol.Kind kind,
        String section,
        String input,
        String inner,
        String output,
        String screen,
        String cathode) {

    static List<Device> of(Part p) {
        Optional<DeviceType> type = p.device().flatMap(Component.Device::known);
        List<Device> found = new ArrayList<>();
        if (type.isEmpty()) return found;
        if (type.get().semiconductor().isPresent()) {
            Semiconductor s = type.get().semiconductor().get();
            if (s.kind() == SemiconductorKind.BIPOLAR)
                found.add(new Device(
                        p,
                        s.pnp() ? Symbol.Kind.PNP : Symbol.Kind.NPN,
                        "",
                        net(p, "b", ""),
                        "",
                        net(p, "c", ""),
                        "",
                        net(p, "e", "")));
            if (s.kind() == SemiconductorKind.FIELD_EFFECT)
                found.add(new Device(
                        p, Symbol.Kind.FET, "", net(p, "gate", ""), "", net(p, "drain", ""), "", net(p, "source", "")));
            return found;
        }
        for (Section s : type.get().sections()) {
            if (!s.kind().amplifies()) continue;
            boolean heptode = s.kind() == Section.Kind.HEPTODE;
            boolean outer = heptode && !s.oscillator().equals("g3");
            String n = s.name();
            found.add(new Device(
                    p,
                    heptode
                            ? Symbol.Kind.HEPTODE
                            : s.kind() == Section.Kind.TRIODE ? Symbol.Kind.TRIODE : Symbol.Kind.PENTODE,
                    n,
                    net(p, outer ? "g3" : "g1", n),
                    heptode ? net(p, outer ? "g1" : "g3", n) : "",
                    net(p, "a", n),
                    s.kind() == Section.Kind.TRIODE ? "" : net(p, "g2", n),
                    Sockets.cathodePin(p, n).map(p.nets()::get).orElse("")));
        }
        return found;
    }

    private static String net(Part p, String function, String section) {
        return Sockets.pin(p, function, section).map(p.nets()::get).orElse("");
    }

    /** In the order in which its nets are laid out to its right: what leaves at the top first. */
    List<String> right() {
        return List.of(output, screen, cathode);
    }

    List<String> left() {
        return List.of(input, inner);
    }
}
