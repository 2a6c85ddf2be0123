package anabion.core.engine;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.Winding;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import java.util.Optional;

/**
 * The diode that turns the intermediate frequency into sound, found from the nets: an IF coil ends at it.
 *
 * @param element its name in the circuit
 * @param plate its nets
 * @param coil the part that feeds it
 * @param fed the net at which the coil meets it
 * @param audio the net where the sound appears
 */
public record Detector(String element, String plate, String cathode, String coil, String fed, String audio) {
    private static final double EARTHED = 1e-6;

    /** The first detector of a chassis; empty where there is none, as in a set for gramophone or with a detecting grid. */
    public static Optional<Detector> of(Chassis chassis) {
        Sockets sockets = new Sockets(new Faults(chassis, java.util.List.of()));
        for (Part p : chassis.parts()) {
            Optional<DeviceType> type = Sockets.type(p);
            if (type.isEmpty()) continue;
            if (type.get()
                    .semiconductor()
                    .filter(s -> s.law().equals("junction"))
                    .isPresent()) {
                Optional<Detector> found = feeds(chassis, p, sockets.need(p, "a", ""), sockets.need(p, "k", ""));
                if (found.isPresent()) return found;
            }
            for (Section s : type.get().sections()) {
                if (s.kind() != Section.Kind.DIODE) continue;
                String plate = sockets.find(p, s.name(), "").orElseGet(() -> sockets.need(p, "d", s.name()));
                Optional<Detector> found = feeds(chassis, p, plate, sockets.cathode(p, s.name()))
                        .map(d -> d.named(p.reference() + (s.name().isEmpty() ? "" : "." + s.name())));
                if (found.isPresent()) return found;
            }
        }
        return Optional.empty();
    }

    private Detector named(String name) {
        return new Detector(name, plate, cathode, coil, fed, audio);
    }

    /** Whether a diode between two nets detects. */
    static Optional<Detector> feeds(Chassis chassis, Part diode, String plate, String cathode) {
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Windings w) || !p.role().contains("IF")) continue;
            for (Winding x : w.windings())
                for (String net : new String[] {plate, cathode}) {
                    if (net.equals(Engine.reference(chassis))) continue;
                    Optional<String> far = far(p, x, net);
                    if (far.isEmpty()) continue;
                    String audio = earthed(chassis, far.get()) ? (net.equals(plate) ? cathode : plate) : far.get();
                    return Optional.of(new Detector(diode.reference(), plate, cathode, p.reference(), net, audio));
                }
        }
        return Optional.empty();
    }

    private static Optional<String> far(Part coil, Winding w, String net) {
        String from = coil.nets().getOrDefault(w.from(), "");
        String to = coil.nets().getOrDefault(w.to(), "");
        if (from.equals(net)) return Optional.of(to);
        return to.equals(net) ? Optional.of(from) : Optional.empty();
    }

    private static boolean earthed(Chassis chassis, String net) {
        String reference = Engine.reference(chassis);
        if (net.equals(reference)) return true;
        return chassis.parts().stream()
                .anyMatch(p -> p.joins(net, reference)
                        && p.component() instanceof Component.Capacitor c
                        && c.farads().get(0) >= EARTHED);
    }
}
