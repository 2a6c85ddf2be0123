package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.coldcheck.ColdTable;
import anabion.core.command.PowerRequest;
import anabion.core.error.InputException;
import anabion.core.power.Gate;
import anabion.core.power.GateItem;
import anabion.core.power.PlanKind;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerPlan;
import anabion.core.power.PowerStep;
import anabion.core.power.Rail;
import anabion.core.power.SeriesLamp;
import anabion.core.power.StopReason;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.recap.Planner;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.SetRecord;
import anabion.workshop.archive.SetArchive;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code power SET}: how it is brought up, and what stands in the way. */
@Command(
        name = "power",
        mixinStandardHelpOptions = true,
        description = "Plan the first power-up: conditions, lamp, fuse, steps, and what stops it.")
final class PowerCommand implements Callable<Integer> {
    @Parameters(paramLabel = "SET", description = "chassis file or set archive")
    private Path file;

    @Option(names = "--lamp", paramLabel = "W", description = "the lamp in hand, such as 100, 2x60, 2x100 series, none")
    private String lamp = "";

    @Mixin
    private Output output;

    private final Words words = new Words(Vocabulary.STANDARD);

    @Override
    public Integer call() throws Exception {
        SetRecord set = SetArchive.open(file).set();
        Chassis chassis = SettingOptions.wired(set.chassis());
        PowerModel model = PowerModel.of(chassis);
        Optional<SeriesLamp> inHand = lamp.isEmpty() ? Optional.empty() : lamp(chassis);
        PowerPlan plan = PowerPlan.of(chassis, model, inHand, !lamp.isEmpty() && inHand.isEmpty());
        List<GateItem> gate = Gate.of(
                chassis,
                set.job(),
                ColdTable.of(chassis, set.readings(), set.job()),
                Planner.logged(chassis, set.job().recap()),
                plan,
                model);
        output.say(tree(model, plan, gate), text(model, plan, gate));
        return Gate.open(gate) ? Main.FINE : Main.FINDING;
    }

    private Optional<SeriesLamp> lamp(Chassis chassis) {
        if (!PlanKind.of(chassis).takesLamp())
            throw InputException.at("--lamp " + lamp)
                    .because("no lamp stands in the line of a set on batteries")
                    .so("leave it out: the supply's current limit does its work");
        PowerRequest read = PowerRequest.parse("lamp " + lamp, chassis.supply().volts(), w -> false, true);
        return ((PowerRequest.Lamp) read).lamp();
    }

    private Map<String, Object> tree(PowerModel model, PowerPlan plan, List<GateItem> gate) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("plan", plan.kind().code());
        all.put("gate", gate.stream().map(this::tree).toList());
        plan.lamp().ifPresent(l -> all.put("lamp", l.text()));
        all.put("fuse", plan.fuse().amperes());
        all.put("stages", plan.stages().stream().map(PowerPlan.Stage::code).toList());
        if (Double.isFinite(plan.wakes())) all.put("wakes", plan.wakes());
        all.put("steps", plan.steps().stream().map(PowerCommand::tree).toList());
        all.put("stops", stops(model, plan));
        return all;
    }

    private Map<String, Object> tree(GateItem i) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("what", i.kind().code());
        one.put("met", !i.state().stops());
        one.put("state", i.state().code());
        one.put("why", words.say(i.why()));
        return one;
    }

    private static Map<String, Object> tree(PowerStep s) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("line", s.dial());
        one.put("lamp", s.lamp());
        one.put("atSet", s.warm().volts());
        one.put("amperes", s.warm().amperes());
        one.put("watts", s.warm().watts());
        one.put("glow", s.glow().code());
        one.put("rails", s.warm().rails());
        one.put("cold", s.cold());
        one.put("wait", s.seconds());
        return one;
    }

    private List<String> stops(PowerModel model, PowerPlan plan) {
        List<String> all = new ArrayList<>();
        for (StopReason r : StopReason.of(model, plan)) all.add(words.say(r.words(model, plan)));
        return all;
    }

    private String text(PowerModel model, PowerPlan plan, List<GateItem> gate) {
        StringBuilder out = new StringBuilder();
        out.append(words.say("power.plan." + plan.kind().code())).append('\n');
        for (GateItem i : gate)
            out.append(String.format(
                    "  %-9s %-16s %s%n", i.state().code(), i.kind().code(), words.say(i.why())));
        plan.lamp()
                .ifPresent(l -> out.append("lamp ").append(words.say(l.words())).append(", "));
        out.append("fuse ")
                .append(Figures.si(Quantity.amperes(plan.fuse().amperes())))
                .append('\n');
        String rail = model.rail().map(Rail::net).orElse("");
        out.append(String.format(
                "%7s %7s %8s %8s  %-7s %9s %9s %6s%n",
                "dial",
                "at set",
                "current",
                "watts",
                "lamp",
                rail.isEmpty() ? "" : rail,
                rail.isEmpty() ? "" : "cold",
                "wait"));
        for (PowerStep s : plan.steps())
            out.append(String.format(
                    Locale.ROOT,
                    "%6.1fV %6.1fV %7.3fA %7.1fW  %-7s %8.1fV %8.1fV %5.0fs%n",
                    s.dial(),
                    s.warm().volts(),
                    s.warm().amperes(),
                    s.warm().watts(),
                    s.lamp() ? s.glow().code() : "–",
                    s.warm().rail(rail),
                    s.cold().getOrDefault(rail, 0.0),
                    s.seconds()));
        for (String stop : stops(model, plan)) out.append("stop: ").append(stop).append('\n');
        return out.toString();
    }
}
