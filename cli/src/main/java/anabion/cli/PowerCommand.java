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
import anabion.core.power.StageProgress;
import anabion.core.power.StageTable;
import anabion.core.power.StageTables;
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
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

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

    @Option(
            names = "--load",
            paramLabel = "OHMS",
            description = "the resistor in place of the tubes, while they are out: 5.6k")
    private String load = "";

    @Spec
    private CommandSpec spec;

    @Mixin
    private Output output;

    private final Words words = new Words(Vocabulary.STANDARD);

    @Override
    public Integer call() throws Exception {
        SetRecord set = SetArchive.open(file).set();
        Chassis chassis = SettingOptions.wired(set.chassis(), spec);
        PowerModel model = PowerModel.of(chassis);
        Optional<SeriesLamp> inHand = lamp.isEmpty() ? Optional.empty() : lamp(chassis);
        PowerPlan plan = PowerPlan.of(chassis, model, inHand, !lamp.isEmpty() && inHand.isEmpty());
        List<StageTable> stages = StageTables.of(chassis, model, inHand());
        List<GateItem> gate = Gate.of(
                chassis,
                set.job(),
                ColdTable.of(chassis, set.readings(), set.job()),
                Planner.logged(chassis, set.job().recap()),
                plan,
                model,
                StageProgress.of(set.job(), stages));
        output.say(tree(model, plan, stages, gate), text(model, plan, stages, gate));
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

    private Optional<Double> inHand() {
        if (load.isEmpty()) return Optional.empty();
        return Optional.of(((PowerRequest.Load) PowerRequest.parse("load " + load, 0, w -> false, true)).ohms());
    }

    private Map<String, Object> tree(PowerModel model, PowerPlan plan, List<StageTable> stages, List<GateItem> gate) {
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("plan", plan.kind().code());
        all.put("gate", gate.stream().map(this::tree).toList());
        plan.lamp().ifPresent(l -> all.put("lamp", l.text()));
        all.put("fuse", plan.fuse().amperes());
        all.put("stages", stages.stream().map(this::tree).toList());
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

    private Map<String, Object> tree(StageTable t) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("stage", t.stage().code());
        t.skipped().ifPresent(why -> one.put("skipped", words.say(why)));
        if (t.load() > 0) {
            one.put("load", t.load());
            one.put("loadWatts", t.loadWatts());
        }
        one.put("rows", t.rows().stream().map(PowerCommand::tree).toList());
        return one;
    }

    private static Map<String, Object> tree(StageTable.Row r) {
        Map<String, Object> one = new LinkedHashMap<>();
        one.put("what", code(r));
        one.put("point", r.point());
        one.put("against", r.against());
        one.put("line", r.line());
        one.put("expected", r.expected());
        one.put("least", r.least());
        one.put("most", r.most());
        return one;
    }

    private static String code(StageTable.Row r) {
        return r.what().name().toLowerCase(Locale.ROOT).replace('_', '-');
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

    private String text(PowerModel model, PowerPlan plan, List<StageTable> stages, List<GateItem> gate) {
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
        for (StageTable t : stages) out.append(text(t));
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

    private String text(StageTable t) {
        StringBuilder out =
                new StringBuilder(words.say("power.stage." + t.stage().code()));
        t.skipped().ifPresent(why -> out.append(": left out, ").append(words.say(why)));
        if (t.load() > 0) out.append(String.format(Locale.ROOT, ": %.0f Ω, %.1f W", t.load(), t.loadWatts()));
        out.append('\n');
        for (StageTable.Row r : t.rows())
            out.append(String.format(
                    Locale.ROOT,
                    "%6.1fV  %-24s %-18s %8.2f (%.2f to %.2f)%n",
                    r.line(),
                    r.point() + (r.against().isEmpty() ? "" : " to " + r.against()),
                    code(r),
                    r.expected(),
                    r.least(),
                    r.most()));
        return out.toString();
    }
}
