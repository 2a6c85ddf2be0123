package anabion.cli;

import anabion.core.chassis.Chassis;
import anabion.core.format.StockCodec;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.core.recap.Choice;
import anabion.core.recap.Item;
import anabion.core.recap.Labels;
import anabion.core.recap.Plan;
import anabion.core.recap.Planner;
import anabion.core.recap.Policy;
import anabion.core.recap.SeleniumSwap;
import anabion.core.recap.Stock;
import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.workshop.archive.SetArchive;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code recap SET}: what to renew by what, in which order. */
@Command(name = "recap", mixinStandardHelpOptions = true, description = "Plan which parts to renew, by what, in order.")
final class RecapCommand implements Callable<Integer> {
    @Parameters(paramLabel = "SET", description = "chassis file or set archive")
    private Path file;

    @Option(names = "--policy", paramLabel = "WORDS", description = "such as tested,restuff,nearest,drift-10")
    private String policy = "";

    @Option(names = "--stock", paramLabel = "CSV", description = "what is in the drawer: kind,value,count and class")
    private Path stock;

    @Spec
    private CommandSpec spec;

    @Mixin
    private Output output;

    private final Words words = new Words(Vocabulary.STANDARD);

    @Override
    public Integer call() throws Exception {
        Chassis chassis = SetArchive.open(file).set().chassis();
        SettingOptions.wired(chassis, spec);
        Plan plan = Planner.plan(chassis, Policy.USUAL.with(policy), drawer());
        output.say(tree(plan), text(plan));
        return plan.warnings().isEmpty() ? Main.FINE : Main.FINDING;
    }

    private Stock drawer() throws IOException {
        return stock == null ? Stock.NONE : Lists.read(stock, StockCodec::read);
    }

    private String text(Plan plan) {
        StringBuilder out = new StringBuilder();
        int n = 0;
        for (Plan.Batch b : plan.batches()) {
            out.append(++n).append(". ").append(words.say(b.title())).append('\n');
            for (String key : b.keys()) {
                plan.item(key).ifPresent(i -> out.append("   ").append(line(i)));
                plan.resistors().stream()
                        .filter(r -> r.part().reference().equals(key))
                        .forEach(r -> out.append(String.format(
                                "   %-6s %-22s %s%n", key, r.part().printed(), words.say(r.rule()))));
                plan.swaps().stream()
                        .filter(s -> s.part().reference().equals(key))
                        .forEach(s -> out.append("   ").append(swap(s)));
            }
            out.append("   > ").append(words.say(b.test())).append('\n');
        }
        List<String> kept = new ArrayList<>();
        for (Item i : plan.items()) if (i.choice().action() == Choice.Action.KEEP) kept.add(i.key());
        if (!kept.isEmpty()) out.append("stay: ").append(String.join(" ", kept)).append('\n');
        if (!plan.swaps().isEmpty())
            out.append("! ").append(words.say("recap.caution.selenium")).append('\n');
        plan.warnings().forEach(w -> out.append("! ").append(words.say(w)).append('\n'));
        return out.toString();
    }

    private String line(Item i) {
        return String.format(
                "%-6s %-22s %-18s %-6s %-24s %s%n",
                i.key(),
                words.say("recap.role." + i.role().code()),
                i.piece().part().printed(),
                words.say("recap.action." + i.choice().action().code()),
                Labels.of(i.choice()),
                words.say(i.choice().rule()));
    }

    private String swap(SeleniumSwap s) {
        return words.say(
                        "recap.swap",
                        s.part().reference(),
                        Figures.si(new Quantity(s.ohms(), Unit.OHM)),
                        Figures.fixed(2 * s.watts(), 1),
                        Figures.fixed(s.inverse(), 0),
                        Figures.fixed(s.reached(), 0),
                        Figures.fixed(s.target(), 0))
                + "\n";
    }

    private Map<String, Object> tree(Plan plan) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("policy", plan.policy().text());
        out.put("items", plan.items().stream().map(this::tree).toList());
        out.put(
                "resistors",
                plan.resistors().stream()
                        .map(r -> Map.of(
                                "part", r.part().reference(),
                                "watts", r.watts(),
                                "rated", r.rated(),
                                "wanted", r.wanted(),
                                "action", r.action().code(),
                                "rule", words.say(r.rule())))
                        .toList());
        out.put(
                "rectifiers",
                plan.swaps().stream()
                        .map(s -> Map.of(
                                "part", s.part().reference(),
                                "ohms", s.ohms(),
                                "watts", 2 * s.watts(),
                                "inverse", s.inverse(),
                                "reached", s.reached(),
                                "target", s.target()))
                        .toList());
        out.put(
                "batches",
                plan.batches().stream()
                        .map(b -> Map.of("title", words.say(b.title()), "parts", b.keys(), "test", words.say(b.test())))
                        .toList());
        out.put("warnings", plan.warnings().stream().map(words::say).toList());
        return out;
    }

    private Map<String, Object> tree(Item i) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("part", i.key());
        m.put("role", i.role().code());
        m.put("why", words.say(i.why()));
        m.put("farads", i.piece().farads());
        m.put("rated", i.piece().rating());
        m.put(
                "volts",
                Map.of(
                        "normal",
                        i.stress().normal(),
                        "start",
                        i.stress().start(),
                        "high",
                        i.stress().high(),
                        "worst",
                        i.stress().worst()));
        if (i.stress().ripple() > 0) m.put("rippleAmperes", i.stress().ripple());
        m.put("action", i.choice().action().code());
        m.put("kind", i.choice().kind().code());
        m.put("value", i.choice().value());
        m.put("rating", i.choice().volts());
        i.choice()
                .safety()
                .ifPresent(s -> m.put("safety", Map.of("class", s.klass().name(), "touchAmperes", s.amperes())));
        i.choice().pair().ifPresent(p -> m.put("pair", Map.of("ohms", p.ohms(), "watts", p.watts())));
        m.put("rule", words.say(i.choice().rule()));
        m.put(
                "neighbours",
                i.neighbours().stream()
                        .map(x -> Map.of(
                                "farads", x.farads(),
                                "deviation", x.deviation(),
                                "stock", x.stock(),
                                "effect", x.effect().stream().map(words::say).toList()))
                        .toList());
        return m;
    }
}
