package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.MeterSpec;
import anabion.core.circuit.Element;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.OperatingPoint;
import anabion.core.simulation.dc.Overload;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code solve SET}: what every net stands at. */
@Command(
        name = "solve",
        mixinStandardHelpOptions = true,
        description = "Compute every net's volts and every device's currents.")
final class SolveCommand implements Callable<Integer> {
    @Mixin
    private SettingOptions options;

    @Option(
            names = "--meter",
            paramLabel = "20k/V@250",
            description = "say what this meter would show at each net, one after the other")
    private String meter;

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        Chassis chassis = options.chassis();
        Simulator.PreparedCircuit bench = new Simulator().prepare(chassis, options.setting(chassis));
        OperatingPoint o = bench.solve();
        Map<String, Double> nets = nets(bench, o);
        List<Overload> overloads = o.converged() ? Overload.of(chassis, o) : List.of();
        output.say(tree(o, nets, overloads), plain(o, nets, overloads));
        return o.converged() ? Main.FINE : Main.FINDING;
    }

    private Map<String, Double> nets(Simulator.PreparedCircuit bench, OperatingPoint o) {
        Map<String, Double> nets = o.direct().nets();
        if (meter == null || !o.converged()) return nets;
        MeterSpec spec = MeterSpec.parse(meter);
        Map<String, Double> read = new LinkedHashMap<>();
        nets.forEach((net, volts) -> read.put(
                net, bench.solveWithMeter(net, spec.ohmsAt(volts)).volts(net).orElse(volts)));
        return read;
    }

    private static Map<String, Object> tree(OperatingPoint o, Map<String, Double> nets, List<Overload> overloads) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("converged", o.converged());
        all.put("iterations", o.direct().iterations());
        all.put("residual", o.direct().residual());
        all.put("unsettled", o.direct().unsettled());
        all.put("nets", nets);
        Map<String, Object> alternating = new LinkedHashMap<>();
        o.mains().ifPresent(m -> m.circuit().nets().stream()
                .filter(n -> nets.containsKey(n))
                .forEach(n -> alternating.put(n, o.alternating(n).orElse(0))));
        all.put("alternating", alternating);
        Map<String, Object> devices = new LinkedHashMap<>();
        for (Element e : o.direct().circuit().elements())
            if (e instanceof Element.Device) {
                Map<String, Object> one = new LinkedHashMap<>();
                List<Double> currents = new ArrayList<>();
                for (double i : o.direct().amperes(e)) currents.add(i);
                one.put("currents", currents);
                one.put("watts", o.direct().watts(e));
                devices.put(e.name(), one);
            }
        all.put("devices", devices);
        all.put("overloads", overloads.stream().map(SolveCommand::tree).toList());
        return all;
    }

    private static Map<String, Object> tree(Overload o) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("part", o.part());
        one.put("place", o.place().code());
        one.put("watts", o.watts());
        one.put("limit", o.limit());
        return one;
    }

    private static String plain(OperatingPoint o, Map<String, Double> nets, List<Overload> overloads) {
        StringBuilder text = new StringBuilder();
        if (!o.converged())
            text.append("did not settle: ")
                    .append(String.join(", ", o.direct().unsettled()))
                    .append('\n');
        nets.forEach((net, v) -> text.append(String.format(
                Locale.ROOT,
                "%-10s %10.3f V %8.1f V~%n",
                net,
                v,
                o.alternating(net).orElse(0))));
        for (Overload x : overloads)
            text.append(String.format(
                    Locale.ROOT,
                    "%s %s: %.2f W, rated %.2f W%n",
                    x.part(),
                    x.place().code(),
                    x.watts(),
                    x.limit()));
        return text.toString();
    }
}
