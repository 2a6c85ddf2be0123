package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.coldcheck.ColdRow;
import anabion.core.isolation.Isolation;
import anabion.core.isolation.MainsReach;
import anabion.core.job.Alteration;
import anabion.core.job.AlterationKind;
import anabion.core.job.Job;
import anabion.core.job.PartTest;
import anabion.core.job.PowerEntry;
import anabion.core.job.PowerStage;
import anabion.core.job.RecapLog;
import anabion.core.job.Tick;
import anabion.core.power.GateItem.Kind;
import anabion.core.power.GateItem.State;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Reading;
import anabion.core.reading.Standing;
import anabion.core.recap.Item;
import anabion.core.recap.Plan;
import anabion.core.recap.Role;
import anabion.core.simulation.fault.Sockets;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;

/** What must be so before a set is powered for the first time: from the record as far as it knows, else by word of who stands at the bench. */
public final class Gate {
    private static final Set<Role> FILTERS = EnumSet.of(Role.RESERVOIR, Role.DOUBLER, Role.SMOOTHING);
    private static final Set<Role> BUFFERS = EnumSet.of(Role.VIBRATOR_BUFFER, Role.RECTIFIER_BUFFER);
    /** A resistor of more than so many times its ohms was destroyed. */
    private static final double DESTROYED = 3;

    private static final int NAMED = 3;

    private final Chassis chassis;
    private final Job job;
    private final List<ColdRow> cold;
    private final Optional<Plan> recap;
    private final PowerPlan plan;
    private final MainsReach reach;
    private final Set<String> couplings = new TreeSet<>();
    private final Set<String> filters = new TreeSet<>();
    private final Set<String> rectifiers = new TreeSet<>();
    private final List<GateItem> items = new ArrayList<>();

    private Gate(
            Chassis chassis,
            Job job,
            List<ColdRow> cold,
            Optional<Plan> recap,
            PowerPlan plan,
            PowerModel model,
            MainsReach reach) {
        this.chassis = chassis;
        this.job = job;
        this.cold = cold;
        this.recap = recap;
        this.plan = plan;
        this.reach = reach;
        for (PowerModel.Faulty f : model.others()) {
            String part = f.what().fault().part();
            if (f.what().kind() == LookAlike.Kind.COUPLING_LEAKY) couplings.add(part);
            if (f.what().kind() == LookAlike.Kind.RAIL_SHORTED) filters.add(part);
            if (f.what().kind() == LookAlike.Kind.RECTIFIER_DEAD) rectifiers.add(part);
        }
    }

    /**
     * All conditions that apply to a set, in the order in which they are seen to.
     *
     * @param cold the rows of its cold checks, read or not
     * @param recap its plan; empty where none could be made
     * @param model with its common faults, from which the capacitors before the output grid are known
     * @param stages with what was read in them
     */
    public static List<GateItem> of(
            Chassis chassis,
            Job job,
            List<ColdRow> cold,
            Optional<Plan> recap,
            PowerPlan plan,
            PowerModel model,
            List<StageProgress> stages) {
        Gate gate = new Gate(chassis, job, cold, recap, plan, model, MainsReach.of(chassis));
        gate.coldChecks();
        gate.causes();
        gate.openEnds();
        gate.temporary();
        if (recap.isEmpty()) gate.add(Kind.FILTERS, false, Phrase.of("power.gate.no-plan"));
        gate.capacitors(Kind.LINE_PARTS, i -> i.role().rule() == Role.Rule.SAFETY);
        gate.capacitors(Kind.FILTERS, i -> FILTERS.contains(i.role()));
        gate.capacitors(
                Kind.OUTPUT_COUPLING,
                i -> gate.couplings.contains(i.piece().part().reference()));
        if (plan.kind() == PlanKind.VIBRATOR) gate.capacitors(Kind.BUFFER, i -> BUFFERS.contains(i.role()));
        gate.loads();
        gate.rig(model, stages);
        return List.copyOf(gate.items);
    }

    /** What must be seen to before a stage. */
    public static List<GateItem> missing(List<GateItem> items, PowerStage stage) {
        return items.stream()
                .filter(i -> i.state().stops() && i.kind().isAskedBefore(stage))
                .toList();
    }

    /** Whether the set may be switched on. */
    public static boolean open(List<GateItem> items) {
        return items.stream().noneMatch(i -> i.state().stops());
    }

    private void add(Kind kind, boolean met, Phrase why) {
        Optional<PowerEntry> overruled = job.power()
                .last(PowerEntry.Kind.OVERRULED, kind.code(), job.fitted().id());
        if (!met && overruled.isPresent())
            items.add(new GateItem(
                    kind,
                    State.OVERRULED,
                    Phrase.of("power.gate.overruled", overruled.get().text())));
        else items.add(new GateItem(kind, met ? State.MET : State.MISSING, why));
    }

    private void bar(Kind kind, Phrase why) {
        items.add(new GateItem(kind, State.BARRED, why));
    }

    /** What stands between the lines, and on the rails. A short bars at once. */
    private void coldChecks() {
        List<ColdRow> wanted = cold.stream()
                .filter(r -> r.group() == ColdRow.Group.MAINS
                        || (r.group() == ColdRow.Group.RAILS && filters.contains(r.part())))
                .toList();
        if (wanted.isEmpty()) return;
        Optional<ColdRow> shorted = wanted.stream()
                .filter(r -> r.standing() == Standing.OUT
                        && r.reading().filter(x -> x.value() < r.low()).isPresent())
                .findFirst();
        if (shorted.isPresent()) {
            bar(
                    Kind.COLD_CHECKS,
                    Phrase.of(
                            "power.gate.short",
                            shorted.get().label(),
                            shorted.get().read().orElse("0 Ω")));
            return;
        }
        List<String> left = wanted.stream()
                .filter(r -> r.reading().isEmpty() || r.standing() == Standing.DOUBTFUL)
                .map(ColdRow::label)
                .toList();
        add(
                Kind.COLD_CHECKS,
                left.isEmpty(),
                left.isEmpty()
                        ? Phrase.of("power.gate.cold.met", wanted.size())
                        : Phrase.of("power.gate.cold.missing", some(left)));
    }

    private static String some(List<String> all) {
        return String.join(", ", all.subList(0, Math.min(NAMED, all.size()))) + (all.size() > NAMED ? ", …" : "");
    }

    /** What was renewed because it was destroyed has a cause, and it is not powered again before that is found. */
    private void causes() {
        List<String> destroyed = job.fitted().last().values().stream()
                .filter(a -> a.kind() == AlterationKind.RENEWED && destroyed(a))
                .map(Alteration::part)
                .toList();
        if (destroyed.isEmpty()) return;
        List<String> left = destroyed.stream()
                .filter(p -> job.power().entries().stream()
                        .noneMatch(e ->
                                e.kind() == PowerEntry.Kind.CAUSE && e.what().equals(p)))
                .toList();
        add(
                Kind.CAUSE,
                left.isEmpty(),
                left.isEmpty()
                        ? Phrase.of("power.gate.cause.met", some(destroyed))
                        : Phrase.of("power.gate.cause.missing", some(left)));
    }

    private boolean destroyed(Alteration a) {
        Optional<Part> part = chassis.part(a.part());
        if (part.isEmpty()) return false;
        if (part.get().component() instanceof Component.Fuse) return true;
        // selenium ages and is renewed for that; a tube or a silicon diode in its place seldom goes alone
        if (rectifiers.contains(a.part()) && Sockets.type(part.get()).isPresent()) return true;
        return part.get().component() instanceof Component.Resistor r
                && job.recap().tests().stream()
                        .map(RecapLog.Tested::test)
                        .anyMatch(t -> t.key().equals(a.part())
                                && t.what() == PartTest.What.VALUE
                                && t.amount() > DESTROYED * r.ohms());
    }

    private void openEnds() {
        List<String> open =
                job.fitted().openEnds().stream().map(Alteration::part).toList();
        add(
                Kind.OPEN_ENDS,
                open.isEmpty(),
                open.isEmpty() ? Phrase.of("power.gate.open.met") : Phrase.of("power.gate.open.missing", some(open)));
    }

    /** A clip lead at the mains is never powered. */
    private void temporary() {
        List<String> standIns = job.fitted().temporary().stream()
                .map(Alteration::part)
                .filter(p -> chassis.part(p).filter(this::carriesMains).isPresent())
                .toList();
        if (!standIns.isEmpty()) bar(Kind.TEMPORARY, Phrase.of("power.gate.temporary", some(standIns)));
    }

    /** Whether it stands in the line before anything drops it, or a good part of the line can stand between its ends. */
    private boolean carriesMains(Part p) {
        if (plan.kind().usesMains() && p.nets().values().stream().anyMatch(Line.of(chassis)::contains)) return true;
        List<String> nets = p.nets().values().stream().distinct().toList();
        for (int i = 0; i < nets.size(); i++)
            for (int k = i + 1; k < nets.size(); k++)
                if (reach.worst(p, nets.get(i), nets.get(k)).isPresent()) return true;
        return false;
    }

    private void capacitors(Kind kind, Predicate<Item> which) {
        if (recap.isEmpty()) return;
        List<Item> all = recap.get().items().stream().filter(which).toList();
        if (all.isEmpty()) return;
        List<String> left = all.stream().filter(i -> !judged(i)).map(Item::key).toList();
        add(
                kind,
                left.isEmpty(),
                left.isEmpty()
                        ? Phrase.of("power.gate.judged", all.size())
                        : Phrase.of(
                                kind == Kind.LINE_PARTS ? "power.gate.line-unjudged" : "power.gate.unjudged",
                                some(left)));
    }

    /** Renewed, measured out of circuit, or, of a filter, shown sound by its cold ohms. */
    private boolean judged(Item i) {
        String part = i.piece().part().reference();
        Set<Tick> ticks = job.recap().ticks(i.key());
        boolean exchanged = Optional.ofNullable(job.fitted().last().get(part))
                .filter(a -> a.kind().exchanges())
                .isPresent();
        boolean tested =
                job.recap().tests().stream().anyMatch(t -> t.test().key().equals(i.key()));
        boolean cleared = FILTERS.contains(i.role())
                && cold.stream()
                        .anyMatch(r -> r.part().equals(part)
                                && r.group() == ColdRow.Group.RAILS
                                && r.standing() == Standing.WITHIN);
        return exchanged || tested || cleared || ticks.contains(Tick.FITTED);
    }

    private void loads() {
        boolean field = chassis.parts().stream().anyMatch(p -> p.is(PartRole.FIELD_COIL));
        byHand(Kind.LOADS, Phrase.of(field ? "power.gate.loads.field" : "power.gate.loads"));
    }

    private void byHand(Kind kind, Phrase what) {
        boolean met = job.power()
                .last(PowerEntry.Kind.MET, kind.code(), job.fitted().id())
                .isPresent();
        add(kind, met, what);
    }

    private void rig(PowerModel model, List<StageProgress> stages) {
        PlanKind kind = plan.kind();
        if (kind.usesMains()) isolated();
        plan.lamp().ifPresent(l -> byHand(Kind.LAMP, Phrase.of("power.gate.lamp", l.words())));
        // a battery set draws many times its idle current when it is loud: its supply's limit guards it
        String fuse = kind.usesMains() ? "power.gate.fuse" : "power.gate.fuse.supply";
        if (kind != PlanKind.BATTERY)
            byHand(
                    Kind.FUSE,
                    Phrase.of(fuse, Figures.si(Quantity.amperes(plan.fuse().amperes()))));
        if (kind.usesMains()) byHand(Kind.WATTMETER, Phrase.of("power.gate.wattmeter"));
        else {
            polarity(stages);
            byHand(
                    Kind.CURRENT_LIMIT,
                    Phrase.of(
                            "power.gate.limit",
                            Figures.si(Quantity.amperes(plan.fuse().amperes()), 2)));
        }
        model.rail().ifPresent(r -> byHand(Kind.METER, Phrase.of("power.gate.meter", r.net(), r.foot())));
    }

    /** What was read at the open lead says it; else somebody does. */
    private void polarity(List<StageProgress> stages) {
        boolean read = stages.stream().anyMatch(s -> s.table().stage() == PowerStage.POLARITY && s.passed());
        if (read) add(Kind.POLARITY, true, Phrase.of("power.gate.polarity.read"));
        else byHand(Kind.POLARITY, Phrase.of("power.gate.polarity"));
    }

    /** Its own transformer isolates once both plug pins were measured against the chassis; until then another one stands before the set. */
    private void isolated() {
        Isolation isolation = Isolation.of(chassis, reach);
        List<Reading> readings =
                cold.stream().flatMap(r -> r.reading().stream()).toList();
        if (isolation.proved(readings)) add(Kind.ISOLATION, true, Phrase.of("power.gate.isolation.proved"));
        else
            byHand(
                    Kind.ISOLATION,
                    Phrase.of(isolation.mayBeLive() ? "power.gate.isolation.live" : "power.gate.isolation"));
    }
}
