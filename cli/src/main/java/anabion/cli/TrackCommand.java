package anabion.cli;

import anabion.core.align.TrackingAdvice;
import anabion.core.align.TrackingAdvice.Point;
import anabion.core.align.TrackingAdvice.Turn;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.TuningRange;
import anabion.core.error.InputException;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Unit;
import anabion.core.signal.FrontEnd;
import anabion.core.simulation.Simulator;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** {@code track SET --points 600:580,1400:1420}: what the errors of a dial say about the oscillator. */
@Command(
        name = "track",
        mixinStandardHelpOptions = true,
        description =
                "Say which adjuster of the oscillator to turn, which way and how far, from stations and where the dial shows them.")
final class TrackCommand implements Callable<Integer> {
    @Mixin
    private SettingOptions options;

    @Mixin
    private Output output;

    @Option(
            names = "--points",
            required = true,
            paramLabel = "STATION:DIAL,…",
            description =
                    "stations and what the dial reads there; kilohertz, megahertz on FM and short waves, or with their unit")
    private String points = "";

    @Override
    public Integer call() throws Exception {
        Chassis chassis = options.chassis();
        Band band = options.band(chassis);
        FrontEnd frontEnd = FrontEnd.of(new Simulator(), chassis, options.setting(chassis), band)
                .orElseThrow(() -> InputException.at(band.name())
                        .because("gang, oscillator coil or intermediate frequency are not entered, or do not cover "
                                + band.range().said())
                        .so("enter the coil with its inductance, the gang with its sections, and the padder"));
        List<Point> all = points(band.range());
        TrackingAdvice advice = TrackingAdvice.of(chassis, frontEnd, all);
        output.say(tree(advice), plain(advice));
        return advice.turns().isEmpty() ? Main.FINE : Main.FINDING;
    }

    private List<Point> points(TuningRange range) {
        List<Point> all = new ArrayList<>();
        for (String word : points.split(",")) {
            String[] both = word.strip().split(":");
            if (both.length != 2)
                throw InputException.at("--points " + word.strip())
                        .because("a point is a station and what the dial reads")
                        .so("give it like 600:580");
            all.add(new Point(hertz(both[1], range), hertz(both[0], range)));
        }
        return all;
    }

    private static double hertz(String text, TuningRange range) {
        try {
            return range.meant(Notation.exact(text.strip(), Unit.HERTZ));
        } catch (InputException e) {
            throw InputException.at("--points " + text.strip())
                    .because(e.what())
                    .so("give it like 600:580, or another --band");
        }
    }

    private static Map<String, Object> tree(TrackingAdvice advice) {
        Map<String, Object> all = new LinkedHashMap<>();
        List<Map<String, Object>> turns = new ArrayList<>();
        for (Turn t : advice.turns()) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("adjuster", t.adjuster().map(Adjuster::letter));
            one.put("part", t.part().reference());
            one.put("way", t.way().name().toLowerCase(Locale.ROOT));
            one.put("turns", t.turns());
            one.put("reached", t.reached());
            turns.add(one);
        }
        all.put("advice", turns);
        all.put("before", advice.before());
        all.put("after", advice.after());
        return all;
    }

    private static String plain(TrackingAdvice advice) {
        List<Point> points = advice.points();
        StringBuilder text = new StringBuilder();
        for (int n = 0; n < points.size(); n++)
            text.append(String.format(
                    Locale.ROOT,
                    "dial %.0f kHz hears %.0f kHz: %+.1f kHz, then %+.1f kHz%n",
                    points.get(n).dial() / 1e3,
                    points.get(n).heard() / 1e3,
                    advice.before().get(n) / 1e3,
                    advice.after().get(n) / 1e3));
        for (Turn t : advice.turns())
            text.append(String.format(
                    Locale.ROOT,
                    "%s %s: %s, %.2f turn%s%s%n",
                    t.adjuster().map(Adjuster::letter).orElse("(no adjuster)"),
                    t.part().reference(),
                    t.way().name().toLowerCase(Locale.ROOT),
                    t.turns(),
                    t.turns() > 1 ? "s" : "",
                    t.reached() ? "" : "; its travel does not go so far: something else is off"));
        return text.toString();
    }
}
