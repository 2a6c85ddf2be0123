package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Stage;
import anabion.core.chassis.StripRow;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;

/** The order of the work: what can hurt someone, then the power, then the output stage, then the rest along the signal; a test after each. */
final class Batches {
    private static final Set<Role> POWER = Set.of(
            Role.RESERVOIR,
            Role.DOUBLER,
            Role.SMOOTHING,
            Role.BACK_BIAS,
            Role.RECTIFIER_BUFFER,
            Role.VIBRATOR_BUFFER,
            Role.SPARK);

    private final Chassis chassis;
    private final Policy policy;
    private final NetClassifier around;

    Batches(Chassis chassis, Policy policy, NetClassifier around) {
        this.chassis = chassis;
        this.policy = policy;
        this.around = around;
    }

    List<Plan.Batch> of(
            List<Item> items, List<Plan.ResistorItem> resistors, List<Plan.TubeItem> tubes, List<SeleniumSwap> swaps) {
        List<Item> todo = items.stream()
                .filter(i -> i.choice().action() != Choice.Action.KEEP)
                .toList();
        List<String> safety = new ArrayList<>();
        List<String> power = new ArrayList<>();
        List<String> output = new ArrayList<>();
        Map<String, List<String>> rest = new LinkedHashMap<>();
        swaps.forEach(s -> power.add(s.part().reference()));
        for (Item i : todo) {
            if (i.role().rule() == Role.Rule.SAFETY) safety.add(i.key());
            else if (POWER.contains(i.role()) || stores(i)) power.add(i.key());
            else if (atOutput(i)) output.add(i.key());
            else
                rest.computeIfAbsent(stage(i.piece().part().reference()), s -> new ArrayList<>())
                        .add(i.key());
        }
        for (Plan.ResistorItem r : resistors)
            if (r.action() != Choice.Action.KEEP)
                rest.computeIfAbsent(stage(r.part().reference()), s -> new ArrayList<>())
                        .add(r.part().reference());
        for (Plan.TubeItem t : tubes)
            rest.computeIfAbsent(stage(t.part().reference()), s -> new ArrayList<>())
                    .add(t.part().reference());
        List<Plan.Batch> batches = new ArrayList<>();
        add(
                batches,
                Phrase.of("recap.batch.safety"),
                safety,
                Phrase.of("recap.test.safety", insulation(), Figures.fixed(1000 * SafetyRules.TOUCH, 1)));
        add(
                batches,
                Phrase.of("recap.batch.power"),
                power,
                chassis.supply().arrangement().usesMains()
                        ? Phrase.of("recap.test.power", rail())
                        : Phrase.of("recap.test.power-battery"));
        boolean single = policy.scope() == Policy.Scope.POWER_FIRST;
        if (single)
            output.forEach(k -> add(batches, Phrase.of("recap.batch.one", k), List.of(k), Phrase.of("recap.test.one")));
        else add(batches, Phrase.of("recap.batch.output"), output, Phrase.of("recap.test.output"));
        for (String name : order(rest)) {
            List<String> keys = rest.get(name);
            if (single)
                keys.forEach(
                        k -> add(batches, Phrase.of("recap.batch.one", k), List.of(k), Phrase.of("recap.test.one")));
            else
                add(
                        batches,
                        name.isEmpty() ? Phrase.of("recap.batch.rest") : Phrase.of("recap.batch.stage", name),
                        keys,
                        Phrase.of("recap.test.stage"));
        }
        return batches;
    }

    /** What steadies the supply of a set without a rectifier. */
    private static boolean stores(Item i) {
        return i.role() == Role.DECOUPLING && i.piece().dielectric() == Dielectric.ELECTROLYTIC;
    }

    private static void add(List<Plan.Batch> batches, Phrase title, List<String> keys, Phrase test) {
        if (!keys.isEmpty()) batches.add(new Plan.Batch(title, keys, test));
    }

    /** Whether it stands at the grid, cathode or plate of a device that works into the output transformer. */
    private boolean atOutput(Item i) {
        return Stream.of(i.piece().plus(), i.piece().minus())
                .filter(net -> !net.equals(around.reference()) && !around.reservoir(net))
                .flatMap(net -> around.electrodes(net).stream())
                .anyMatch(e -> !e.rectifies() && around.works(e.part()));
    }

    private String stage(String reference) {
        return chassis.owner(reference).map(Stage::name).orElse("");
    }

    /** From the speaker backward, as the sound comes back; the supply before all. */
    private List<String> order(Map<String, List<String>> rest) {
        List<String> names = new ArrayList<>();
        for (Stage s : chassis.stages())
            if (s.line() == StripRow.SUPPLY && rest.containsKey(s.name())) names.add(s.name());
        for (int n = chassis.stages().size() - 1; n >= 0; n--) {
            Stage s = chassis.stages().get(n);
            if (s.line() == StripRow.SIGNAL && rest.containsKey(s.name())) names.add(s.name());
        }
        rest.keySet().stream().filter(s -> !names.contains(s)).forEach(names::add);
        return names;
    }

    /** The least that the set's own resistors leave between mains and anything that can be touched. */
    private Phrase insulation() {
        double most = around.reach().barriers().stream()
                .mapToDouble(b -> b.parts().stream()
                        .filter(p -> p.component() instanceof Component.Resistor)
                        .mapToDouble(p -> 1 / ((Component.Resistor) p.component()).ohms())
                        .sum())
                .max()
                .orElse(0);
        return most > 0
                ? Phrase.of("recap.test.safety.bleeders", Figures.si(Quantity.ohms(1 / most)))
                : Phrase.of("recap.test.safety.open");
    }

    private String rail() {
        return around.solved().supplies().keySet().stream().sorted().findFirst().orElse("B+");
    }
}
