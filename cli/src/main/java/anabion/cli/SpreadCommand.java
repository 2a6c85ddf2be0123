package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Measure;
import anabion.core.chassis.MeterSpec;
import anabion.core.chassis.Points;
import anabion.core.error.InputException;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.tolerance.Spread;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code spread SET}: how far the readings of sound specimens lie apart. */
@Command(
        name = "spread",
        mixinStandardHelpOptions = true,
        description = "Compute how far tolerances, tubes and the line let the readings of sound sets differ.")
final class SpreadCommand implements Callable<Integer> {
    private static final int NAMED = 3;

    @Mixin
    private SettingOptions options;

    @Option(names = "--meter", paramLabel = "10M", description = "the meter (default: ${DEFAULT-VALUE})")
    private String meter = "10M";

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        Chassis chassis = options.chassis();
        Map<String, String> points = points(chassis);
        Spread spread = Spread.of(
                        new Simulator(),
                        chassis,
                        options.setting(chassis),
                        MeterSpec.parse(meter),
                        List.copyOf(points.values()))
                .orElseThrow(() -> InputException.at(chassis.name())
                        .because("the circuit does not settle")
                        .so("see which nets with solve"));
        List<String> names = List.copyOf(points.keySet());
        output.say(tree(names, spread), plain(names, spread));
        return Main.FINE;
    }

    /** The charted points; all nets of a set without a chart. */
    private static Map<String, String> points(Chassis chassis) {
        Map<String, String> points = new LinkedHashMap<>();
        chassis.chart().ifPresent(c -> c.rows().stream()
                .filter(r -> r.measure() == Measure.DC_VOLTS)
                .forEach(r ->
                        points.put(r.point(), Points.of(chassis).need(r.point()).net())));
        if (points.isEmpty()) Simulator.nets(chassis).forEach(n -> points.put(n, n));
        return points;
    }

    private static List<Map.Entry<String, Double>> largest(Spread.Reading r) {
        return r.shares().entrySet().stream()
                .sorted(Comparator.comparingDouble((Map.Entry<String, Double> e) -> -Math.abs(e.getValue()))
                        .thenComparing(Map.Entry.comparingByKey()))
                .limit(NAMED)
                .toList();
    }

    private static Map<String, Object> tree(List<String> names, Spread spread) {
        List<Map<String, Object>> readings = new ArrayList<>();
        List<List<Double>> correlation = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            Spread.Reading r = spread.readings().get(i);
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("point", names.get(i));
            one.put("net", r.net());
            one.put("volts", r.volts());
            one.put("deviation", r.deviation());
            one.put("shares", new java.util.TreeMap<>(r.shares()));
            readings.add(one);
            List<Double> row = new ArrayList<>();
            for (int j = 0; j < names.size(); j++) row.add(spread.correlation(i, j));
            correlation.add(row);
        }
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("readings", readings);
        all.put("correlation", correlation);
        return all;
    }

    private static String plain(List<String> names, Spread spread) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < names.size(); i++) {
            Spread.Reading r = spread.readings().get(i);
            text.append(String.format(
                    Locale.ROOT,
                    "%-8s %9.2f V ± %6.2f V   mostly %s%n",
                    names.get(i),
                    r.volts(),
                    r.deviation(),
                    largest(r).stream()
                            .map(e -> String.format(Locale.ROOT, "%s %+.2f", e.getKey(), e.getValue()))
                            .collect(Collectors.joining(", "))));
        }
        return text.toString();
    }
}
