package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.FaultList;
import anabion.core.simulation.setting.Setting;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What can have destroyed a part: every single fault of the set that makes the part take several times the power, or a rectifier several times
 * the current, that it takes in a sound set; a tube also what overheats its heater. Nothing new is fitted in its place before one of these is found.
 */
public final class Causes {
    /** How many times the usual power counts as destroying. */
    private static final double TIMES = 2.5;

    /** Of a heater: its life falls with a high power of its volts. */
    private static final double HEATER_TIMES = 1.5;
    /** A part that takes less than this when sound has no usual load to be compared with. */
    private static final double LEAST = 1e-3;

    private static final int MOST = 8;

    private Causes() {}

    /** A fault and how many times its usual load the part then takes. */
    public record Cause(Fault fault, double times) {}

    /** The worst first, eight at most: of each way of failing its worst degree. */
    public static List<Cause> of(Chassis chassis, Part burnt) {
        Simulator engine = new Simulator();
        Setting usual = Setting.of(chassis.supply().volts());
        OperatingPoint well = engine.solve(chassis, usual);
        Map<String, Cause> found = new LinkedHashMap<>();
        for (Fault f : FaultList.of(chassis)) {
            if (f.part().equals(burnt.reference())) continue;
            OperatingPoint o = engine.solve(chassis, usual.withFaults(List.of(f)));
            if (!o.converged()) continue;
            double times = ratio(load(o, burnt), load(well, burnt));
            double hot =
                    burnt.isTube() ? ratio(o.heaterWatts(burnt.reference()), well.heaterWatts(burnt.reference())) : 0;
            if (times > TIMES || hot > HEATER_TIMES)
                found.merge(
                        f.cause(),
                        new Cause(f.mode() == FaultMode.SHORT ? f.unsized() : f, Math.max(times, hot)),
                        (a, b) -> a.times() >= b.times() ? a : b);
        }
        return found.values().stream()
                .sorted(Comparator.comparingDouble(Cause::times).reversed())
                .limit(MOST)
                .toList();
    }

    private static double ratio(double now, double usual) {
        return usual < LEAST ? 0 : now / usual;
    }

    /** Watts of a resistor or winding; amperes of a rectifier. */
    private static double load(OperatingPoint o, Part part) {
        if (part.component() instanceof Component.Device)
            return o.supplies().values().stream()
                    .mapToDouble(c -> c.effective())
                    .max()
                    .orElse(0);
        Map<String, Double> watts = o.watts();
        return watts.getOrDefault(part.reference(), 0.0);
    }
}
