package anabion.core.simulation.dc;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Winding;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.SemiconductorKind;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The diode that turns the intermediate frequency into sound, found from the nets: an IF coil ends at it.
 *
 * @param element its name in the circuit
 * @param plate its nets
 * @param coil the part that feeds it
 * @param fed the net at which the coil meets it
 * @param audio the net where the sound appears
 * @param grid whether it is the grid of a tube that goes on to amplify
 */
public record Detector(
        String element, String plate, String cathode, String coil, String fed, String audio, boolean grid) {
    private static final double EARTHED = 1e-6;

    /** A grid that detects: its capacitor has that role. The sound appears at the grid itself. */
    public static Optional<Detector> ofGrid(Chassis chassis) {
        Optional<Part> capacitor = chassis.parts().stream()
                .filter(p -> p.is(PartRole.DETECTOR_GRID_CAPACITOR))
                .findFirst();
        if (capacitor.isEmpty()) return Optional.empty();
        Sockets sockets = new Sockets(new Faults(chassis, List.of()));
        for (Part p : chassis.parts()) {
            if (Sockets.type(p).isEmpty()
                    || Sockets.type(p).get().semiconductor().isPresent()) continue;
            String grid = sockets.need(p, "g1", "");
            if (capacitor.get().touches(grid))
                return Optional.of(
                        new Detector(p.reference(), grid, sockets.cathode(p, ""), p.reference(), grid, grid, true));
        }
        return Optional.empty();
    }

    /** The detector of a band: the one whose coil stands in its stages. */
    public static Optional<Detector> of(Chassis chassis, Band band) {
        List<Detector> all = all(chassis);
        for (Detector d : all)
            for (String name : band.stages())
                if (chassis.stage(name)
                        .filter(s -> s.parts().contains(d.coil()))
                        .isPresent()) return Optional.of(d);
        return Optional.empty();
    }

    /** The first detector of a chassis; empty where there is none, as in a set for gramophone or with a detecting grid. */
    public static Optional<Detector> of(Chassis chassis) {
        return all(chassis).stream().findFirst();
    }

    /** All that one coil feeds. */
    public static List<Detector> feeding(Chassis chassis, Part coil) {
        return all(chassis).stream()
                .filter(d -> d.coil().equals(coil.reference()))
                .toList();
    }

    private static List<Detector> all(Chassis chassis) {
        Sockets sockets = new Sockets(new Faults(chassis, List.of()));
        List<Detector> found = new ArrayList<>();
        for (Part p : chassis.parts()) {
            Optional<DeviceType> type = Sockets.type(p);
            if (type.isEmpty()) continue;
            if (type.get()
                    .semiconductor()
                    .filter(s -> s.kind() == SemiconductorKind.JUNCTION)
                    .isPresent())
                feeds(chassis, p, sockets.need(p, "a", ""), sockets.need(p, "k", ""))
                        .ifPresent(found::add);
            for (Section s : type.get().sections()) {
                if (s.kind() != Section.Kind.DIODE) continue;
                String plate = sockets.find(p, s.name(), "").orElseGet(() -> sockets.need(p, "d", s.name()));
                feeds(chassis, p, plate, sockets.cathode(p, s.name()))
                        .map(d -> d.named(p.reference() + (s.name().isEmpty() ? "" : "." + s.name())))
                        .ifPresent(found::add);
            }
        }
        ofGrid(chassis).ifPresent(found::add);
        return found;
    }

    private Detector named(String name) {
        return new Detector(name, plate, cathode, coil, fed, audio, grid);
    }

    /** Whether a diode between two nets detects. */
    public static Optional<Detector> feeds(Chassis chassis, Part diode, String plate, String cathode) {
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Windings w) || !p.is(PartRole.IF_TRANSFORMER)) continue;
            for (Winding x : w.windings())
                for (String net : new String[] {plate, cathode}) {
                    if (net.equals(chassis.reference())) continue;
                    Optional<String> far = far(p, x, net);
                    if (far.isEmpty()) continue;
                    String audio = earthed(chassis, far.get()) ? (net.equals(plate) ? cathode : plate) : far.get();
                    return Optional.of(
                            new Detector(diode.reference(), plate, cathode, p.reference(), net, audio, false));
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
        String reference = chassis.reference();
        if (net.equals(reference)) return true;
        return chassis.parts().stream()
                .anyMatch(p -> p.joins(net, reference)
                        && p.component() instanceof Component.Capacitor c
                        && c.farads().get(0) >= EARTHED);
    }
}
