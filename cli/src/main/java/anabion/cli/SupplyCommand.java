package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.error.InputException;
import anabion.core.simulation.PowerUp;
import anabion.core.simulation.setting.Setting;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code supply SET}: rail, ripple and watts on the way up the variac. */
@Command(
        name = "supply",
        mixinStandardHelpOptions = true,
        description = "Compute the supply at each step of a variac, with or without a lamp in series.")
final class SupplyCommand implements Callable<Integer> {
    @Mixin
    private SettingOptions options;

    @Option(names = "--lamp", paramLabel = "W", description = "rated watts of a lamp in series with the set")
    private double lamp;

    @Option(names = "--steps", paramLabel = "N", description = "steps up to the line (default: ${DEFAULT-VALUE})")
    private int steps = 10;

    @Mixin
    private Output output;

    @Override
    public Integer call() throws Exception {
        if (steps < 1 || steps > 200)
            throw InputException.at("--steps " + steps)
                    .because("this is no number of steps")
                    .so("give 1 to 200");
        if (!(lamp >= 0))
            throw InputException.at("--lamp " + lamp)
                    .because("a lamp has no such watts")
                    .so("give its rated watts, such as 100");
        Chassis chassis = options.chassis();
        if (!chassis.supply().arrangement().usesMains())
            throw InputException.at(chassis.name())
                    .because("this set is not fed from the mains")
                    .so("use solve for its battery");
        Setting setting = options.setting(chassis);
        List<PowerUp.Step> all = PowerUp.run(chassis, setting, setting.line(), steps, lamp);
        output.say(tree(all), plain(all));
        return all.stream().allMatch(PowerUp.Step::settled) ? Main.FINE : Main.FINDING;
    }

    private static Map<String, Object> tree(List<PowerUp.Step> steps) {
        List<Map<String, Object>> rows = steps.stream().map(SupplyCommand::tree).toList();
        Map<String, Object> all = new LinkedHashMap<>(rows.get(rows.size() - 1));
        all.put("steps", rows);
        return all;
    }

    private static Map<String, Object> tree(PowerUp.Step s) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("line", s.line());
        one.put("set", s.set());
        one.put("mean", s.supply().map(c -> c.volts()).orElse(0.0));
        one.put("amperes", s.supply().map(c -> c.amperes()).orElse(0.0));
        one.put("ripple", s.supply().map(c -> c.ripple()).orElse(0.0));
        one.put("peak", s.supply().map(c -> c.peak()).orElse(0.0));
        one.put("effective", s.supply().map(c -> c.effective()).orElse(0.0));
        one.put("watts", s.watts());
        one.put("glow", s.glow());
        one.put("settled", s.settled());
        return one;
    }

    private static String plain(List<PowerUp.Step> steps) {
        StringBuilder text = new StringBuilder("  line    set   rail V  ripple  peak mA    watts  glow\n");
        for (PowerUp.Step s : steps)
            text.append(String.format(
                    Locale.ROOT,
                    "%6.0f %6.0f %8.1f %7.1f %8.0f %8.1f %5.2f%s%n",
                    s.line(),
                    s.set(),
                    s.supply().map(c -> c.volts()).orElse(0.0),
                    s.supply().map(c -> c.ripple()).orElse(0.0),
                    1e3 * s.supply().map(c -> c.peak()).orElse(0.0),
                    s.watts(),
                    s.glow(),
                    s.settled() ? "" : "  did not settle"));
        return text.toString();
    }
}
