package anabion.core.chassis;

import anabion.core.device.DeviceType;
import anabion.core.error.InputException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Finds probe points in a chassis by pin ({@code V4.6}), function ({@code V4.g2}) or net ({@code B2}). Case does not matter. */
public final class Points {
    private final Chassis chassis;
    /** By names in small letters, made when first asked for; the first of a name counts. */
    private Optional<Map<String, Part>> devices = Optional.empty();

    private Optional<Map<String, String>> nets = Optional.empty();

    private Points(Chassis chassis) {
        this.chassis = chassis;
    }

    /** All that can be probed in a chassis: pins, nets, terminals. */
    public static Points of(Chassis chassis) {
        return new Points(chassis);
    }

    /** The names of all nets, in the order of the parts. */
    public Set<String> nets() {
        Set<String> nets = new LinkedHashSet<>();
        for (Part p : chassis.parts()) nets.addAll(p.nets().values());
        return nets;
    }

    /** The point of a name as people type it ({@code v4.1}, {@code B2}); empty if there is none. */
    public Optional<Point> find(String name) {
        String wanted = name.strip();
        return wanted.indexOf('.') > 0 ? pin(wanted) : net(wanted);
    }

    /**
     * The point of that name.
     *
     * @throws InputException if the chassis has none
     */
    public Point need(String name) {
        return find(name).orElseThrow(() -> InputException.at("point " + name)
                .because("this chassis has no pin or net of that name")
                .so(hint(name)));
    }

    private String hint(String name) {
        int dot = name.indexOf('.');
        Optional<Part> device = dot > 0 ? device(name.substring(0, dot)) : Optional.empty();
        if (device.isPresent()) {
            return device.get().reference() + " has pins "
                    + String.join(", ", device.get().nets().keySet());
        }
        List<String> devices = new ArrayList<>();
        for (Part p : chassis.parts()) if (p.device().isPresent()) devices.add(p.reference());
        return devices.isEmpty()
                ? "enter the parts on the Study sheet first"
                : "name a pin of " + String.join(", ", devices) + " or a net";
    }

    private Optional<Point> pin(String name) {
        int dot = name.indexOf('.');
        if (dot <= 0) return Optional.empty();
        String terminal = name.substring(dot + 1);
        return device(name.substring(0, dot))
                .flatMap(part -> byPin(part, terminal).or(() -> byFunction(part, terminal)));
    }

    private Optional<Part> device(String reference) {
        if (devices.isEmpty()) {
            Map<String, Part> all = new HashMap<>();
            for (Part p : chassis.parts())
                if (p.device().isPresent()) all.putIfAbsent(p.reference().toLowerCase(Locale.ROOT), p);
            devices = Optional.of(all);
        }
        return Optional.ofNullable(devices.get().get(reference.toLowerCase(Locale.ROOT)));
    }

    private Optional<Point> byPin(Part part, String pin) {
        String net = part.nets().get(pin);
        return net == null ? Optional.empty() : Optional.of(point(part, pin, net));
    }

    private Optional<Point> byFunction(Part part, String function) {
        Map<String, String> labels = part.device()
                .flatMap(Component.Device::known)
                .map(DeviceType::labels)
                .orElse(Map.of());
        Optional<Point> labelled = pinsOf(part).stream()
                .filter(p -> List.of(labels.getOrDefault(p.pin(), "").split("\\+"))
                        .contains(function.toLowerCase(Locale.ROOT)))
                .findFirst();
        if (labelled.isPresent()) return labelled;
        return pinsOf(part).stream()
                .filter(p -> p.function().equalsIgnoreCase(function) || p.carries(function.toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    private Optional<Point> net(String name) {
        if (nets.isEmpty()) {
            Map<String, String> all = new HashMap<>();
            for (String n : nets()) all.putIfAbsent(n.toLowerCase(Locale.ROOT), n);
            nets = Optional.of(all);
        }
        return Optional.ofNullable(nets.get().get(name.toLowerCase(Locale.ROOT)))
                .map(n -> new Point(n, n, Optional.empty(), "", ""));
    }

    /** The connected pins of a device, in pin order. */
    public List<Point> pinsOf(Part part) {
        List<Point> points = new ArrayList<>();
        part.nets().forEach((pin, net) -> points.add(point(part, pin, net)));
        return points;
    }

    private static Point point(Part part, String pin, String net) {
        String function =
                part.device().map(d -> d.functions().getOrDefault(pin, "")).orElse("");
        return new Point(part.reference() + "." + pin, net, Optional.of(part), pin, function);
    }
}
