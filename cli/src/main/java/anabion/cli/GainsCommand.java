package anabion.cli;

import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.signal.Gains;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Setting;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** {@code gains SET --band B}: what every point needs, what every stage gives. */
@Command(
        name = "gains",
        mixinStandardHelpOptions = true,
        description = "Compute stage gains, injection levels for the standard output, hum and responses of a band.")
final class GainsCommand implements Callable<Integer> {
    @Mixin
    private SettingOptions options;

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        Chassis chassis = options.chassis();
        Setting setting = options.loud(chassis);
        Band band = options.band(chassis);
        Gains g = Gains.of(new Simulator(), chassis, setting, band).orElseThrow(() -> InputException.at(chassis.name())
                .because("the circuit does not settle, or has no speaker or stages on " + band.name())
                .so("check it with solve, and its stages on the Study sheet"));
        output.say(tree(band, g), plain(band, g));
        return Main.FINE;
    }

    private static Map<String, Object> tree(Band band, Gains g) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("band", band.name());
        all.put("output", g.output());
        all.put("carrier", finite(g.carrier()));
        all.put("efficiency", g.efficiency());
        all.put("levels", g.levels().stream().map(GainsCommand::tree).toList());
        List<Map<String, Object>> gains = new ArrayList<>();
        for (Gains.StageGain s : g.gains()) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("stage", s.stage());
            one.put("domain", s.domain().code());
            one.put("decibels", finite(s.decibels()));
            gains.add(one);
        }
        all.put("gains", gains);
        List<Map<String, Object>> control = new ArrayList<>();
        for (Gains.Control c : g.control()) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("input", finite(c.input()));
            one.put("detector", finite(c.detector()));
            one.put("line", c.line());
            control.add(one);
        }
        all.put("control", control);
        all.put("selectivity", points(g.selectivity()));
        Gains.width(g.selectivity(), 6).ifPresent(w -> all.put("bandwidth", w));
        all.put("sound", points(g.sound()));
        all.put("hum", finite(g.hum()));
        return all;
    }

    private static String volts(double volts) {
        return finite(volts).map(v -> Figures.si(Quantity.volts(v))).orElse("nothing");
    }

    private static Map<String, Object> tree(Gains.Level l) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("stage", l.stage());
        one.put("point", l.point());
        one.put("domain", l.domain().code());
        one.put("hertz", l.hertz());
        one.put("volts", heard(l, l.volts()));
        one.put("own", heard(l, l.own()));
        one.put("ohms", l.ohms());
        one.put("farads", l.farads());
        return one;
    }

    /** Empty where nothing comes through. */
    private static Optional<Double> heard(Gains.Level level, double volts) {
        return level.heard() ? Optional.of(volts) : Optional.empty();
    }

    private static Optional<Double> finite(double value) {
        return Double.isFinite(value) ? Optional.of(value) : Optional.empty();
    }

    private static String said(Optional<Double> volts) {
        return volts.map(v -> Figures.si(Quantity.volts(v))).orElse("nothing");
    }

    private static List<List<Object>> points(List<Gains.Response> all) {
        return all.stream()
                .map(r -> List.<Object>of(r.hertz(), finite(r.decibels())))
                .toList();
    }

    private static String plain(Band band, Gains g) {
        StringBuilder text = new StringBuilder();
        text.append(String.format(Locale.ROOT, "%s, standard output %.0f mW%n", band.name(), 1000 * Gains.STANDARD));
        for (Gains.Level l : g.levels())
            text.append(String.format(
                    Locale.ROOT,
                    "%-10s %-8s %-8s generator %10s, at the point %10s%n",
                    l.stage(),
                    l.point(),
                    Figures.si(Quantity.hertz(l.hertz())),
                    said(heard(l, l.volts())),
                    said(heard(l, l.own()))));
        for (Gains.StageGain s : g.gains())
            text.append(String.format(
                    Locale.ROOT,
                    "%-10s %s %9s%n",
                    s.stage(),
                    s.domain().code(),
                    finite(s.decibels())
                            .map(d -> String.format(Locale.ROOT, "%.1f dB", d))
                            .orElse("nothing")));
        for (Gains.Control c : g.control())
            text.append(String.format(
                    Locale.ROOT,
                    "in %10s  detector %10s  control %6.2f V%n",
                    volts(c.input()),
                    volts(c.detector()),
                    c.line()));
        Gains.width(g.selectivity(), 6)
                .ifPresent(w -> text.append(String.format(Locale.ROOT, "bandwidth at -6 dB %.1f kHz%n", w / 1000)));
        text.append(String.format(Locale.ROOT, "hum %s%n", volts(g.hum())));
        return text.toString();
    }
}
