package anabion.core.signal;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.circuit.Circuit;
import anabion.core.circuit.DcSolver;
import anabion.core.circuit.Element;
import anabion.core.circuit.SmallSignal;
import anabion.core.circuit.Solution;
import anabion.core.device.DeviceType;
import anabion.core.device.Section;
import anabion.core.device.model.Curves;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How a tube or transistor works in its set: its curves with the operating point and the load that the set puts on them.
 *
 * <p>The load line for direct current is found, not drawn by a rule: the device is taken out, its other electrodes' currents are left
 * flowing, and the plate's volts are solved for two plate currents. So cathode resistors, divided rails and what a rail gives way are in it.
 * The line for sound has the slope of what a tone of {@value #TONE} Hz finds at the plate beside the device's own plate resistance.
 *
 * @param part reference of the device
 * @param section of a tube with several; empty otherwise
 * @param volts of the plate above the cathode at the operating point
 * @param amperes of the plate there
 * @param parameter what stands on the grid (volts above the cathode) or flows into the base there
 * @param open plate volts of the load line where no current flows
 * @param ohms its slope
 * @param sound ohms that sound finds at the plate; empty where the device carries no sound
 */
public record PlateCircuit(
        String part,
        String section,
        Curves curves,
        double volts,
        double amperes,
        double parameter,
        double open,
        double ohms,
        Optional<Double> sound) {
    private static final double TONE = 1000;
    /** A change of plate volts that shows the device's own slope, as a share. */
    private static final double NUDGE = 1e-3;

    /** All working systems of all devices of a type in a set. */
    public static List<PlateCircuit> all(Chassis chassis, Setting setting, String type) {
        return chassis.parts().stream()
                .filter(p -> Sockets.type(p).filter(t -> t.name().equals(type)).isPresent())
                .flatMap(p -> of(chassis, setting, p).stream())
                .toList();
    }

    /** All working systems of a device in a set under a setting; none if the set's circuit does not settle. */
    public static List<PlateCircuit> of(Chassis chassis, Setting setting, Part part) {
        Optional<DeviceType> type = Sockets.type(part);
        if (type.isEmpty()) return List.of();
        OperatingPoint solved = new Simulator().solve(chassis, setting);
        if (!solved.converged()) return List.of();
        List<PlateCircuit> found = new ArrayList<>();
        for (Element e : solved.direct().circuit().elements()) {
            if (!(e instanceof Element.Device d)) continue;
            String ref = part.reference();
            if (!d.name().equals(ref) && !d.name().startsWith(ref + ".")) continue;
            String section = d.name().equals(ref) ? "" : d.name().substring(ref.length() + 1);
            new Working(chassis, setting, solved, d)
                    .circuit(type.get(), ref, section)
                    .ifPresent(found::add);
        }
        return found;
    }

    /** One device while its surroundings are found out. */
    private static final class Working {
        private final Chassis chassis;
        private final Setting setting;
        private final OperatingPoint solved;
        private final Solution direct;
        private final Element.Device device;

        private Working(Chassis chassis, Setting setting, OperatingPoint solved, Element.Device device) {
            this.chassis = chassis;
            this.setting = setting;
            this.solved = solved;
            this.direct = solved.direct();
            this.device = device;
        }

        private Optional<PlateCircuit> circuit(DeviceType type, String ref, String name) {
            if (type.semiconductor().isPresent()) {
                var s = type.semiconductor().get();
                boolean amplifies = s.kind().amplifies();
                return amplifies ? Optional.of(found(ref, "", Curves.of(s), 0, 1, 2)) : Optional.empty();
            }
            Optional<Section> section = type.section(name);
            if (section.isEmpty()) return Optional.empty();
            Section s = section.get();
            return switch (s.kind()) {
                case TRIODE -> Optional.of(found(ref, name, Curves.of(s, 0, volts(1, 2)), 0, 1, 2));
                case PENTODE -> Optional.of(found(ref, name, Curves.of(s, volts(1, 3), volts(2, 3)), 0, 2, 3));
                case HEPTODE ->
                    Optional.of(found(
                            ref,
                            name,
                            Curves.of(s, volts(1, 4), volts(3, 4)),
                            s.oscillator().equals("g3") ? 0 : 2,
                            3,
                            4));
                case DIODE, RECTIFIER, GAS_RECTIFIER, GAS_REGULATOR, BARRETTER -> Optional.empty();
            };
        }

        private double at(int terminal) {
            return direct.at(device.nodes().get(terminal));
        }

        private double volts(int terminal, int cathode) {
            return Math.abs(at(terminal) - at(cathode));
        }

        private PlateCircuit found(String ref, String section, Curves curves, int grid, int plate, int cathode) {
            double[] amperes = direct.amperes(device);
            double sign = curves.stepped() == Curves.Stepped.BASE_AMPERES && at(plate) < at(cathode) ? -1 : 1;
            double now = sign * amperes[plate];
            double operating = sign * (at(plate) - at(cathode));
            double parameter =
                    curves.stepped() == Curves.Stepped.BASE_AMPERES ? sign * amperes[grid] : at(grid) - at(cathode);
            double open = sign * plateVolts(amperes, plate, cathode, 0);
            double ohms = now > 0 ? (open - operating) / now : 0;
            return new PlateCircuit(ref, section, curves, operating, now, parameter, open, ohms, sound(plate, cathode));
        }

        /** Plate volts above the cathode with the device gone, its other currents left and so much in the plate. */
        private double plateVolts(double[] amperes, int plate, int cathode, double current) {
            Circuit.Builder c = direct.circuit().more(e -> !e.equals(device));
            Circuit named = direct.circuit();
            String k = named.net(device.nodes().get(cathode));
            for (int t = 0; t < amperes.length; t++) {
                if (t == cathode) continue;
                String net = named.net(device.nodes().get(t));
                c.current(device.name() + ".left" + t, net, k, t == plate ? current : amperes[t]);
            }
            Solution s = new DcSolver().solve(c.build(), direct.unknowns());
            return s.at(device.nodes().get(plate)) - s.at(device.nodes().get(cathode));
        }

        private Optional<Double> sound(int plate, int cathode) {
            Optional<Band> band = chassis.bands().stream()
                    .filter(b -> b.name().equals(setting.band()))
                    .findFirst()
                    .or(() -> chassis.bands().stream().findFirst());
            boolean audible = band.isPresent()
                    && SignalPath.of(chassis, band.get()).stages().stream()
                            .anyMatch(a -> a.element().equals(device.name()) && a.after() == Domain.AF);
            if (!audible) return Optional.empty();
            SmallSignal network = new Networks(chassis, setting, solved, band).aligned();
            String p = direct.circuit().net(device.nodes().get(plate));
            String k = direct.circuit().net(device.nodes().get(cathode));
            var volts = network.at(TONE).driven(p, k);
            double siemens = 1 / (volts.at(p).minus(volts.at(k))).size() - slope(plate);
            return siemens > 0 ? Optional.of(1 / siemens) : Optional.empty();
        }

        /** The device's own plate conductance. */
        private double slope(int plate) {
            double[] v = device.nodes().stream().mapToDouble(direct::at).toArray();
            double step = NUDGE * Math.max(1, Math.abs(v[plate]));
            double[] before = new double[v.length];
            double[] after = new double[v.length];
            device.law().currents(v, before);
            v[plate] += step;
            device.law().currents(v, after);
            return (after[plate] - before[plate]) / step;
        }
    }
}
