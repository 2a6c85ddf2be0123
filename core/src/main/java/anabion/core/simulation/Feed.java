package anabion.core.simulation;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.chassis.FaultMode;
import anabion.core.chassis.Part;
import anabion.core.circuit.Circuit;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.fault.Sockets;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.supply.AcSupply;
import anabion.core.simulation.supply.SupplyRail;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;

/**
 * What feeds a set: the same for every fault that lies elsewhere.
 *
 * @param circuit of the set under this setting, without the rails
 * @param solved operating points that it feeds, by their settings
 */
record Feed(
        Chassis chassis,
        Setting setting,
        double series,
        Optional<AcSupply> mains,
        List<SupplyRail> rails,
        Circuit circuit,
        Map<String, AcSupply> nudged,
        Map<String, List<SupplyRail>> nudgedRails,
        Map<Setting, OperatingPoint> solved) {
    List<SupplyRail> rails(String nudge, Supplier<List<SupplyRail>> found) {
        return nudgedRails.computeIfAbsent(nudge, k -> found.get());
    }

    boolean isOf(Chassis other, Setting wanted, double ohms) {
        return chassis.equals(other) && series == ohms && setting.equals(wanted);
    }

    /** Whether it feeds that setting but for the carrier, of which no supply knows. */
    boolean isOfCarrier(Chassis other, Setting wanted, double ohms) {
        return isOf(other, wanted.withCarrier(setting.carrier()).withDeviation(setting.deviation()), ohms);
    }

    Feed under(Setting other, Circuit without) {
        return new Feed(chassis, other, series, mains, rails, without, nudged, nudgedRails, solved);
    }

    boolean touches(Fault f) {
        if (mains.isEmpty()) return false; // a battery is part of the circuit
        if (reachesMains(f)) return true;
        for (String net : chassis.part(f.part()).orElseThrow().nets().values())
            for (SupplyRail r : rails)
                if (net.equals(r.output())
                        || net.equals(r.reservoir())
                        || r.plates().contains(net)) return true;
        return false;
    }

    boolean reachesMains(Fault f) {
        Optional<Part> part = chassis.part(f.part());
        if (part.isEmpty() || f.mode().isOfHeater() || mains.isEmpty()) return true;
        if (f.mode() == FaultMode.JOINT && Sockets.heats(part.get(), f.target())) return true;
        boolean tube = part.get().device().isPresent();
        return part.get().nets().values().stream()
                .anyMatch(net -> mains.get().alternates(net) && (!tube || f.mode() == FaultMode.JOINT));
    }
}
