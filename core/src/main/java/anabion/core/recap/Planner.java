package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;
import anabion.core.circuit.SmallSignal;
import anabion.core.error.InputException;
import anabion.core.job.PartTest;
import anabion.core.job.RecapLog;
import anabion.core.numeric.Phasor;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Notation;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Series;
import anabion.core.quantity.Unit;
import anabion.core.recap.Choice.Action;
import anabion.core.rectifier.Cycle;
import anabion.core.signal.Frequencies;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;

/** Makes the plan of a set under a policy. */
public final class Planner {
    /** A resistor that turns more than this share of its rating into heat is worth a larger one. */
    private static final double WARM = 0.6;

    /** Farads up to which an unmarked capacitor of a VHF unit is taken for ceramic. */
    private static final double CERAMIC = 5e-9;

    private static final double[] WATTS = {0.25, 0.5, 1, 2, 3, 5, 7, 10, 15, 20};
    /** Capacitors from here on hold their nets still at {@link #TONE}. */
    private static final double HOLDS = 5e-7;

    private static final double TONE = 50;
    private static final Phasor ONE = new Phasor(1, 0);

    private final Chassis chassis;
    private final Policy policy;
    private final Stock stock;
    private final Map<String, PartTest> tests;
    private final Stresses stresses;
    private final ReservoirLimits limits;
    private final NetClassifier around;
    private final List<CapacitorSection> pieces;
    /** The circuit about its operating point, with all large capacitors. */
    private final SmallSignal still;

    /** That network at {@link #TONE}; empty where it has no solution. */
    private final Optional<SmallSignal.Tone> tone;

    /**
     * The plan of a set as its log has it: roles said by hand, parts measured. Empty where its circuit does not settle: such a set can still be worked on.
     */
    public static Optional<Plan> logged(Chassis chassis, RecapLog log) {
        try {
            return Optional.of(plan(
                    chassis,
                    Policy.USUAL.with(log.school()),
                    Stock.NONE,
                    Role.said(log.roles()),
                    Tested.deciding(log, chassis)));
        } catch (InputException e) {
            return Optional.empty();
        }
    }

    private Planner(Chassis chassis, Policy policy, Stock stock, Map<String, PartTest> tests) {
        this.chassis = chassis;
        this.policy = policy;
        this.stock = stock;
        this.tests = tests;
        this.stresses = Stresses.of(chassis);
        this.limits = new ReservoirLimits(chassis, stresses.normal());
        this.around = stresses.around();
        this.pieces = CapacitorSection.of(chassis);
        this.still = SmallSignal.about(stresses.normal().direct(), e -> false);
        for (CapacitorSection p : pieces) if (p.farads() >= HOLDS) still.capacitor(p.plus(), p.minus(), p.farads(), 0);
        this.tone = tone(still);
    }

    /** The plan without anything said or tested by hand. */
    public static Plan plan(Chassis chassis, Policy policy, Stock stock) {
        return plan(chassis, policy, stock, Map.of(), Map.of());
    }

    /**
     * @param said roles by hand, by the key of the capacitor
     * @param tests the last test of each part, by its key
     * @throws anabion.core.error.InputException if the circuit does not settle
     */
    public static Plan plan(
            Chassis chassis, Policy policy, Stock stock, Map<String, Role> said, Map<String, PartTest> tests) {
        return new Planner(chassis, policy, stock, tests).made(said);
    }

    private Plan made(Map<String, Role> said) {
        Roles roles = new Roles(around);
        ReplacementRules chooser = new ReplacementRules(chassis, policy, around.reach());
        List<Item> items = new ArrayList<>();
        for (CapacitorSection c : pieces) {
            Roles.Found found = roles.of(c);
            Role role = said.getOrDefault(c.key(), found.role());
            Stress stress = stresses.of(c, role);
            Choice choice = chooser.choose(c, role, stress);
            if (role == Role.RESERVOIR && c.farads() > 0) choice = limits.limited(c, choice);
            if (vhf(c, role))
                choice = choice.with(Action.KEEP, Phrase.of("recap.rule.vhf")).kept(c);
            choice = bySchool(c, role, choice);
            Phrase why = said.containsKey(c.key())
                    ? Phrase.of("recap.why.by-hand", Phrase.of("recap.role." + role.code()))
                    : found.why();
            Item item = new Item(c, role, why, said.containsKey(c.key()), stress, choice, seen(c), List.of());
            items.add(item.with(neighbours(item)));
        }
        List<SeleniumSwap> swaps = SeleniumSwap.of(chassis, stresses.normal());
        List<Plan.ResistorItem> resistors = resistors();
        List<Plan.TubeItem> tubes = tubes();
        List<Plan.Batch> batches = new Batches(chassis, policy, around).of(items, resistors, tubes, swaps);
        return new Plan(policy, items, resistors, tubes, swaps, batches);
    }

    /** A small capacitor of no stated kind at an FM coil, or at a tube that works on one, is ceramic or mica. */
    private boolean vhf(CapacitorSection c, Role role) {
        boolean small = c.farads() <= CERAMIC
                && ((Component.Capacitor) c.part().component()).dielectric().isEmpty();
        return small && role.rule() != Role.Rule.SAFETY && (around.vhf(c.plus()) || around.vhf(c.minus()));
    }

    // --- the school ---

    private Choice bySchool(CapacitorSection c, Role role, Choice choice) {
        Optional<PartTest> test = Optional.ofNullable(tests.get(c.key()));
        boolean failed = test.filter(t -> Tested.of(t, c).fails()).isPresent();
        if (failed && choice.action() != Action.RENEW)
            return resonant(
                    c,
                    role,
                    choice.with(Action.RENEW, Tested.of(test.orElseThrow(), c).words()));
        if (choice.action() != Action.RENEW || role.rule() == Role.Rule.SAFETY) return choice;
        boolean passed = test.isPresent() && !failed;
        if (policy.scope() == Policy.Scope.TESTED) {
            if (failed) return choice;
            return passed
                    ? choice.with(Action.KEEP, Tested.of(test.get(), c).words())
                    : choice.with(Action.TEST, Phrase.of("recap.rule.test", choice.rule()));
        }
        boolean young = c.dielectric() == Dielectric.FILM || c.dielectric() == Dielectric.CERAMIC;
        return young && !failed ? choice.with(Action.TEST, Phrase.of("recap.rule.young")) : choice;
    }

    /** A tuning mica that failed: C = 1/((2πf)²·L) of the coil across it, where its inductance is known; else as it was. */
    private Choice resonant(CapacitorSection c, Role role, Choice choice) {
        if (role != Role.IF_TUNING) return choice;
        double hertz = Frequencies.intermediate(chassis, Optional.empty()).orElse(0.0);
        double henries = around.henries(c.plus(), c.minus());
        if (hertz <= 0 || henries <= 0) return choice;
        double w = 2 * Math.PI * hertz;
        double farads = 1 / (w * w * henries);
        return new Choice(
                choice.action(),
                Dielectric.MICA,
                farads,
                choice.volts(),
                choice.safety(),
                choice.pair(),
                Phrase.of("recap.rule.resonance", Labels.farads(farads), Figures.fixed(hertz / 1000, 0)),
                choice.warnings());
    }

    // --- neighbours ---

    /**
     * What sound meets between a capacitor's ends with it gone, while the large capacitors hold rails and cathodes still: the admittance with
     * all of them in place, less its own.
     *
     * @return ohms; 0 where one of its nets is not part of the solved circuit, or the network has no solution
     */
    private double seen(CapacitorSection c) {
        if (!known(still, c.plus()) || !known(still, c.minus())) return 0;
        if (tone.isEmpty()) return 0;
        SmallSignal.Volts volts = tone.get().driven(c.plus(), c.minus());
        Phasor ohms = volts.at(c.plus()).minus(volts.at(c.minus()));
        if (c.farads() < HOLDS || ohms.size() == 0) return ohms.size();
        Phasor own = new Phasor(0, 2 * Math.PI * TONE * c.farads());
        return ONE.over(ONE.over(ohms).minus(own)).size();
    }

    private static Optional<SmallSignal.Tone> tone(SmallSignal network) {
        try {
            return Optional.of(network.at(TONE));
        } catch (ArithmeticException e) {
            return Optional.empty();
        }
    }

    private void holding(SmallSignal network, CapacitorSection without) {
        for (CapacitorSection other : pieces)
            if (!other.equals(without) && other.farads() >= HOLDS)
                network.capacitor(other.plus(), other.minus(), other.farads(), 0);
    }

    /** Hum that is left on a smoothed rail, peak to peak, of the first reservoir's ripple. */
    private Optional<Double> hum(CapacitorSection c, double farads) {
        var ripples = stresses.normal().ripples().entrySet().stream().findFirst();
        if (ripples.isEmpty()) return Optional.empty();
        SmallSignal network = SmallSignal.about(stresses.normal().direct(), e -> false);
        String from = ripples.get().getKey();
        if (!known(network, c.plus()) || !known(network, from)) return Optional.empty();
        holding(network, c);
        network.capacitor(c.plus(), c.minus(), farads, 0);
        var volts = network.at(ripples.get().getValue().hertz()).held(from);
        double share = volts.at(c.plus()).minus(volts.at(c.minus())).size();
        return Optional.of(share * ripples.get().getValue().volts());
    }

    private static boolean known(SmallSignal network, String net) {
        return network.circuit().node(net).isPresent();
    }

    private List<Item.Neighbour> neighbours(Item item) {
        Choice choice = item.choice();
        if (!(item.piece().farads() > 0)
                || item.role().rule() == Role.Rule.TUNED
                || item.role().rule() == Role.Rule.SAFETY
                || choice.pair().isPresent()) return List.of();
        TreeSet<Double> values = new TreeSet<>();
        double old = item.piece().farads();
        values.add(Series.E6.atOrBelow(old));
        values.add(Series.E6.atOrAbove(old));
        values.add(Series.E6.atOrAbove(Series.E6.atOrAbove(old) * 1.05));
        double widest = item.role().rule() == Role.Rule.STORE ? 2.2 : 1.2;
        for (Stock.Drawer l : stock.between(choice.kind(), 0.8 * old, widest * old, choice.volts(), ""))
            values.add(l.farads());
        values.removeIf(v -> Math.abs(v / choice.value() - 1) < 1e-3);
        values.add(choice.value());
        List<Item.Neighbour> found = new ArrayList<>();
        for (double v : values)
            found.add(new Item.Neighbour(
                    v, v / old - 1, stock.count(choice.kind(), v, choice.volts(), choice.safety()), effect(item, v)));
        return found;
    }

    private List<Phrase> effect(Item item, double farads) {
        if (item.role() == Role.RESERVOIR) {
            Optional<Cycle> cycle = limits.cycle(item.piece(), farads);
            return cycle.map(c -> List.of(Phrase.of(
                            "recap.effect.ripple", Figures.volts(c.ripple()), Figures.fixed(1000 * c.peak(), 0))))
                    .orElse(List.of());
        }
        if (item.role() == Role.SMOOTHING)
            return hum(item.piece(), farads)
                    .map(v -> List.of(Phrase.of("recap.effect.hum", Figures.si(new Quantity(v, Unit.VOLT)))))
                    .orElse(List.of());
        if (!(item.seen() > 0) || item.seen() > 1e8) return List.of();
        if (item.role() == Role.AVC_FILTER)
            return List.of(Phrase.of("recap.effect.time", Figures.fixed(1000 * item.seen() * farads, 0)));
        double corner = 1 / (2 * Math.PI * item.seen() * farads);
        return List.of(Phrase.of("recap.effect.corner", Figures.fixed(corner, corner < 10 ? 2 : 0)));
    }

    // --- tubes and resistors ---

    private List<Plan.TubeItem> tubes() {
        List<Plan.TubeItem> found = new ArrayList<>();
        for (Part p : chassis.parts()) {
            Optional<PartTest> test = Optional.ofNullable(tests.get(p.reference()))
                    .filter(t -> p.device().isPresent());
            if (test.filter(t -> Tested.of(t).fails()).isEmpty()) continue;
            String type = p.device().orElseThrow().type();
            Phrase spare = stock.best(type)
                    .map(s -> Phrase.of(
                            "recap.spare", type, Figures.fixed(s.emission(), 0), Figures.fixed(s.reject(), 0)))
                    .orElse(Phrase.of("recap.no-spare", type));
            found.add(new Plan.TubeItem(p, Tested.of(test.get()).words(), spare));
        }
        return found;
    }

    private List<Plan.ResistorItem> resistors() {
        List<Plan.ResistorItem> found = new ArrayList<>();
        Map<String, Double> watts = stresses.normal().watts();
        for (Part p : chassis.parts()) {
            if (!(p.component() instanceof Component.Resistor r)) continue;
            double heat = watts.getOrDefault(p.reference(), 0.0);
            double wanted = wanted(heat);
            Optional<PartTest> test = Optional.ofNullable(tests.get(p.reference()));
            if (test.isPresent() && test.get().what() == PartTest.What.VALUE) {
                double off = test.get().amount() / r.ohms() - 1;
                boolean renew = Math.abs(off) > policy.drift();
                found.add(new Plan.ResistorItem(
                        p,
                        heat,
                        r.watts(),
                        Math.max(wanted, r.watts()),
                        renew ? Action.RENEW : Action.KEEP,
                        test.get().amount() >= Notation.OPEN
                                ? Phrase.of("recap.rule.open")
                                : Phrase.of(
                                        renew ? "recap.rule.drifted" : "recap.rule.holds",
                                        Figures.percent(off),
                                        Figures.percent(policy.drift()))));
            } else if (r.watts() > 0 && heat > WARM * r.watts())
                found.add(new Plan.ResistorItem(
                        p,
                        heat,
                        r.watts(),
                        wanted,
                        Action.RENEW,
                        Phrase.of("recap.rule.warm", Figures.fixed(heat, 2), Figures.fixed(r.watts(), 2))));
        }
        return found;
    }

    /** The next rating that is twice what it takes. */
    private static double wanted(double heat) {
        for (double w : WATTS) if (w >= 2 * heat) return w;
        return WATTS[WATTS.length - 1];
    }
}
