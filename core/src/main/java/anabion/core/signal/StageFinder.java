package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.BandKind;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.SemiconductorKind;
import anabion.core.error.InputException;
import anabion.core.json.Extra;
import anabion.core.simulation.dc.Detector;
import anabion.core.simulation.fault.Faults;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/**
 * Names the stages of a chassis from its nets: from the speaker backward through couplings to the converter or the first tuned grid.
 * A coupling part goes to the stage that it feeds; what hangs on mains and rectifier is the supply. A proposal, to be edited: it is
 * meant for sets with one signal path; what it cannot place it leaves out.
 */
public final class StageFinder {
    private static final int FAR = 6;
    /** A net with more parts than this is a rail or the chassis: no signal is followed across it. */
    private static final int BUSY = 7;

    private final Chassis chassis;
    private final Sockets sockets;
    private final Optional<Detector> detector;
    private final String reference;
    private final List<Device> path = new ArrayList<>();
    private final Map<String, String> owner = new LinkedHashMap<>();

    /** An amplifying device with the nets of its signal. */
    private record Device(Part part, String in, String out, boolean mixer) {}

    private StageFinder(Chassis chassis) {
        this.chassis = chassis;
        this.sockets = new Sockets(new Faults(chassis, List.of()));
        this.detector = Detector.of(chassis);
        this.reference = chassis.reference();
    }

    /** The chassis with stages found; bands keep their names and get the stages in signal order. */
    public static Chassis named(Chassis chassis) {
        return new StageFinder(chassis).found();
    }

    private Chassis found() {
        List<Device> all = devices();
        order(all);
        if (path.isEmpty())
            throw InputException.at(chassis.name())
                    .because("no tube or transistor leads to a speaker yet")
                    .so("enter the output stage with its transformer and the speaker first");
        List<String> names = names();
        for (int n = 0; n < path.size(); n++) own(path.get(n).part().reference(), names.get(n));
        detector.filter(d -> !d.grid()).ifPresent(d -> own(d.coil(), "Detector"));
        speakers().forEach(p -> own(p.reference(), "Speaker"));
        for (int n = 0; n < path.size(); n++) collect(path.get(n), names.get(n));
        List<String> signal = signal(names);
        spread(signal);
        return chassis.withStages(stages(signal), bands(signal));
    }

    private void own(String part, String stage) {
        owner.putIfAbsent(part, stage);
    }

    private List<Part> speakers() {
        return chassis.parts().stream()
                .filter(p -> p.component() instanceof Component.Speaker)
                .toList();
    }

    private List<Device> devices() {
        List<Device> all = new ArrayList<>();
        for (Part p : chassis.parts()) {
            Optional<DeviceType> type = Sockets.type(p);
            if (type.isEmpty()) continue;
            if (type.get()
                    .semiconductor()
                    .filter(s -> s.kind() == SemiconductorKind.BIPOLAR)
                    .isPresent()) all.add(new Device(p, sockets.need(p, "b", ""), sockets.need(p, "c", ""), false));
            for (Section s : type.get().sections()) {
                boolean mixer = s.kind() == Section.Kind.HEPTODE;
                boolean partner = type.get().sections().stream().anyMatch(x -> x.kind() == Section.Kind.HEPTODE);
                if (!s.kind().amplifies() || (partner && !mixer)) continue;
                String grid = mixer && !s.oscillator().equals("g3") ? "g3" : "g1";
                all.add(new Device(p, sockets.need(p, grid, s.name()), sockets.need(p, "a", s.name()), mixer));
            }
        }
        return all;
    }

    // --- the order ---

    private void order(List<Device> all) {
        Set<String> at = new HashSet<>();
        speakers().forEach(p -> at.addAll(p.nets().values()));
        at.remove(reference);
        List<Device> left = new ArrayList<>(all);
        Optional<Device> next = feeding(left, at);
        while (next.isPresent()) {
            path.add(0, next.get());
            left.remove(next.get());
            Set<String> input = new HashSet<>(Set.of(next.get().in()));
            next = feeding(left, input);
        }
    }

    /** The device whose output reaches some nets by the fewest couplings; through the detector the coil before it. */
    private Optional<Device> feeding(List<Device> left, Set<String> nets) {
        Set<String> reached = new HashSet<>(nets);
        for (int step = 0; step <= FAR; step++) {
            for (Device d : left) if (reached.contains(d.out())) return Optional.of(d);
            for (Part p : chassis.parts()) {
                if (!couples(p)) continue;
                if (p.nets().values().stream().noneMatch(n -> reached.contains(n) && quiet(n))) continue;
                p.nets().values().stream().filter(this::quiet).forEach(reached::add);
            }
        }
        return Optional.empty();
    }

    private boolean couples(Part p) {
        Component c = p.component();
        return c instanceof Component.Capacitor
                || c instanceof Component.Windings
                || c instanceof Component.Potentiometer
                || c instanceof Component.Switch
                || p.is(PartRole.IF_FILTER)
                || p.reference().equals(detector.map(Detector::element).orElse(""));
    }

    private boolean quiet(String net) {
        return !net.equals(reference)
                && chassis.parts().stream().filter(p -> p.touches(net)).count() < BUSY
                && chassis.parts().stream()
                        .noneMatch(p -> p.touches(net)
                                && p.component() instanceof Component.Capacitor c
                                && c.is(Dielectric.ELECTROLYTIC)
                                && p.touches(reference)
                                && !Sockets.isCathode(chassis, net));
    }

    // --- names ---

    private List<String> names() {
        int mixer = -1;
        for (int n = 0; n < path.size(); n++) if (path.get(n).mixer() || converts(path.get(n))) mixer = n;
        int sound = 0;
        for (int n = 0; n < path.size(); n++)
            if (n > 0 && !ofRadio(path.get(n)) && !converts(path.get(n)) && sound == 0) sound = n;
        List<String> names = new ArrayList<>();
        int between = (int) path.stream()
                .filter(d -> ofRadio(d) && !d.mixer() && !converts(d))
                .count();
        int number = 0;
        for (int n = 0; n < path.size(); n++) {
            Device d = path.get(n);
            if (n == path.size() - 1) names.add("Output");
            else if (d.mixer() || converts(d)) names.add("Mixer");
            else if (ofRadio(d)) {
                String name = mixer >= 0 && n > mixer ? "IF" : mixer >= 0 ? "RF" : "IF";
                number++;
                names.add(between > 1 && !name.equals("Mixer") ? name + " " + number : name);
            } else names.add(n == path.size() - 2 && n > sound ? "Driver" : "Audio");
        }
        return names;
    }

    private boolean converts(Device d) {
        return chassis.parts().stream()
                .anyMatch(p -> p.is(PartRole.OSCILLATOR_COIL)
                        && d.part().nets().values().stream()
                                .anyMatch(n ->
                                        p.touches(n) && n.startsWith(d.part().reference() + ".")));
    }

    /** Its output works into an IF coil or another one for radio frequency. */
    private boolean ofRadio(Device d) {
        return chassis.parts().stream()
                .anyMatch(p ->
                        (p.is(PartRole.IF_TRANSFORMER) || p.is(PartRole.RF_TRANSFORMER) || p.is(PartRole.FM_RF_COIL))
                                && p.touches(d.out()));
    }

    // --- what belongs to which ---

    private void collect(Device d, String stage) {
        for (Part p : chassis.parts()) if (p.touches(d.in()) && free(p)) own(p.reference(), stage);
        for (String net : d.part().nets().values()) {
            if (!net.startsWith(d.part().reference() + ".") || net.equals(d.out())) continue;
            for (Part p : chassis.parts()) if (p.touches(net) && free(p)) own(p.reference(), stage);
        }
        for (Part p : chassis.parts())
            if (p.touches(d.out()) && free(p) && path.stream().noneMatch(x -> !x.equals(d) && p.touches(x.in())))
                own(p.reference(), stage);
    }

    private boolean free(Part p) {
        return !owner.containsKey(p.reference()) && p.device().isEmpty();
    }

    /** Parts behind parts: a filter between two of one stage is that stage's. */
    private void spread(List<String> signal) {
        for (int round = 0; round < FAR; round++)
            for (Part p : chassis.parts()) {
                if (!free(p)) continue;
                for (String net : p.nets().values()) {
                    if (!quiet(net)) continue;
                    for (Part other : chassis.parts()) {
                        String stage = owner.get(other.reference());
                        if (stage != null && other.touches(net) && signal.contains(stage)) own(p.reference(), stage);
                    }
                }
            }
    }

    private List<String> signal(List<String> names) {
        List<String> signal = new ArrayList<>();
        boolean aerial = false;
        for (Part p : chassis.parts())
            if (p.role().filter(PartRole::isOfAerial).isPresent() || p.is(PartRole.TUNING_GANG)) {
                own(p.reference(), "Aerial");
                aerial = true;
            }
        if (aerial) signal.add("Aerial");
        for (int n = 0; n < names.size(); n++) {
            if (detector.isPresent()
                    && !signal.contains("Detector")
                    && n > 0
                    && !ofRadio(path.get(n))
                    && ofRadio(path.get(n - 1))) signal.add("Detector");
            if (!signal.contains(names.get(n))) signal.add(names.get(n));
        }
        if (!speakers().isEmpty()) signal.add("Speaker");
        return signal;
    }

    private List<Stage> stages(List<String> signal) {
        List<Stage> all = new ArrayList<>();
        for (String name : signal) all.add(stage(name, StripRow.SIGNAL, owned(name)));
        List<String> rest = chassis.parts().stream()
                .map(Part::reference)
                .filter(r -> !signal.contains(owner.getOrDefault(r, "")))
                .toList();
        if (!rest.isEmpty()) all.add(stage("Supply", StripRow.SUPPLY, rest));
        return all;
    }

    private List<String> owned(String stage) {
        return chassis.parts().stream()
                .map(Part::reference)
                .filter(r -> stage.equals(owner.get(r)))
                .toList();
    }

    private Stage stage(String name, StripRow line, List<String> parts) {
        return chassis.stage(name)
                .map(s -> new Stage(s.id(), name, line, s.detail(), parts, s.point(), s.extra()))
                .orElseGet(() -> new Stage(UUID.randomUUID(), name, line, "", parts, "", Extra.NONE));
    }

    private List<Band> bands(List<String> signal) {
        List<Band> all = new ArrayList<>();
        for (Band b : chassis.bands()) {
            if (b.kind() == BandKind.DISPLAY) {
                all.add(b);
                continue;
            }
            List<String> own = b.kind() == BandKind.PICK_UP
                    ? signal.stream()
                            .filter(s -> List.of("Audio", "Driver", "Output", "Speaker")
                                    .contains(s))
                            .toList()
                    : signal;
            all.add(b.withStages(own));
        }
        return all;
    }
}
