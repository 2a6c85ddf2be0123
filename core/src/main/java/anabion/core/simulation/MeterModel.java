package anabion.core.simulation;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** A meter on a computed set: what it shows at a net. It remembers what it has read. */
final class MeterModel {
    private final Simulator.PreparedCircuit bench;
    private final OperatingPoint free;
    private final Map<Probed, OptionalDouble> read = new HashMap<>();

    private record Probed(String net, double ohms) {}

    MeterModel(Simulator.PreparedCircuit bench) {
        this.bench = bench;
        this.free = bench.solve();
    }

    boolean works() {
        return free.converged();
    }

    Optional<Sensitivity> sensitivity(Simulator engine, Chassis chassis, Setting setting) {
        return Sensitivity.about(engine, chassis, setting, free);
    }

    List<Overload> overloads(Chassis chassis) {
        return Overload.of(chassis, free);
    }

    /** Volts without a meter. */
    double free(String net, Measure measure) {
        return measure == Measure.AC_VOLTS
                ? free.alternating(net).orElse(0)
                : free.volts(net).orElse(0);
    }

    /** What a meter shows; a direct-current meter loads the circuit. Empty if that does not settle, or there is no such net. */
    OptionalDouble read(String net, Measure measure, MeterSpec meter) {
        if (measure == Measure.AC_VOLTS) return free.alternating(net);
        if (free.volts(net).isEmpty()) return OptionalDouble.empty();
        if (net.equals(bench.circuit().reference())) return OptionalDouble.of(0);
        return read.computeIfAbsent(new Probed(net, meter.ohmsAt(free(net, measure))), this::loaded);
    }

    private OptionalDouble loaded(Probed at) {
        OperatingPoint o = bench.solveWithMeter(at.net(), at.ohms());
        return o.converged() ? o.volts(at.net()) : OptionalDouble.empty();
    }

    /** The settings of the controls in a chart's or reading's words. */
    static Map<String, Double> controls(Chassis chassis, String volume) {
        double at = volume.isEmpty() || volume.startsWith("least") || volume.startsWith("min") ? 0 : 1;
        return Controls.volume(chassis, at);
    }

    /** The setting that a chart was taken in. */
    static Setting charted(Chassis chassis, Chart.Conditions c) {
        return Setting.of(c.line()).withBand(known(chassis, c.band())).withControls(controls(chassis, c.volume()));
    }

    /** A band by its name; empty where the chassis has no such band. */
    static String known(Chassis chassis, String band) {
        return chassis.band(band).isPresent() ? band : "";
    }
}
