package anabion.core.simulation.chart;

import anabion.core.chassis.Chart;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.Overload;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Sensitivity;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** A meter on a computed set: what it shows at a net. It remembers what it has read. */
public final class MeterModel {
    private final Simulator.PreparedCircuit bench;
    private final OperatingPoint free;
    private final Map<Probed, OptionalDouble> read = new HashMap<>();

    private record Probed(String net, double ohms) {}

    /** A meter on a set, which is solved once without it. */
    public MeterModel(Simulator.PreparedCircuit bench) {
        this.bench = bench;
        this.free = bench.solve();
    }

    /** Whether the set settled without a meter. */
    public boolean works() {
        return free.converged();
    }

    /** How its readings follow from parts, tubes and line; empty where it does not settle. */
    public Optional<Sensitivity> sensitivity(Simulator engine, Chassis chassis, Setting setting) {
        return Sensitivity.about(engine, chassis, setting, free);
    }

    /** What bears more than it is rated for, without the meter. */
    public List<Overload> overloads(Chassis chassis) {
        return Overload.of(chassis, free);
    }

    /** Volts without a meter. */
    public double free(String net, Measure measure) {
        return measure == Measure.AC_VOLTS
                ? free.alternating(net).orElse(0)
                : free.volts(net).orElse(0);
    }

    /** What a meter shows; a direct-current meter loads the circuit. Empty if that does not settle, or there is no such net. */
    public OptionalDouble read(String net, Measure measure, MeterSpec meter) {
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
    public static Map<String, Double> controls(Chassis chassis, String volume) {
        double at = volume.isEmpty() || volume.startsWith("least") || volume.startsWith("min") ? 0 : 1;
        return Controls.volume(chassis, at);
    }

    /** The setting that a chart was taken in. */
    public static Setting charted(Chassis chassis, Chart.Conditions c) {
        return Setting.of(c.line()).withBand(known(chassis, c.band())).withControls(controls(chassis, c.volume()));
    }

    /** A band by its name; empty where the chassis has no such band. */
    public static String known(Chassis chassis, String band) {
        return chassis.band(band).isPresent() ? band : "";
    }
}
