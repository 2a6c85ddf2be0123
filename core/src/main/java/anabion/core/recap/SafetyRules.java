package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component;
import anabion.core.chassis.Dielectric;
import anabion.core.chassis.Part;
import anabion.core.isolation.Barrier;
import anabion.core.isolation.MainsReach;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Series;
import anabion.core.quantity.Unit;
import anabion.core.recap.Choice.Action;
import anabion.core.recap.Choice.Safety;
import anabion.core.recap.Choice.SafetyClass;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The rules for what stands at the mains: class X between its sides, class Y between it and what can be touched, with the bleeder beside. */
final class SafetyRules {
    /** Largest current through a hand, in amperes: the limit of IEC 60065 for sets without an earth, effective. */
    static final double TOUCH = 0.5e-3;

    private static final double[] STEPS = {1e-9, 2.2e-9, 3.3e-9, 4.7e-9, 10e-9};
    /** Ratings of safety classes, alternating volts. */
    private static final double CLASS_Y_VOLTS = 250;

    private static final double CLASS_X2_VOLTS = 275;
    private static final double CLASS_X1_VOLTS = 440;
    private static final double CLOSE = 0.12;
    /** Amperes to which a current through a hand is known. */
    private static final double FINEST = 1e-10;
    /** Share of the limit that a bleeder may take, so that a capacitor has room beside it. */
    private static final double BLEEDS = 0.6;
    /** Hertz at which the loss of a smaller capacitor in the aerial's return is stated: the low end of medium wave. */
    private static final double LOW_END = 550e3;

    private final MainsReach reach;
    private final double volts;
    private final double hertz;

    SafetyRules(Chassis chassis, MainsReach reach) {
        this.reach = reach;
        this.volts = chassis.supply().volts();
        boolean direct = chassis.supply().arrangement().isDirect();
        // on direct-current mains it must also be safe where the set is tried on alternating current
        this.hertz = !direct && chassis.supply().hertz() > 0 ? chassis.supply().hertz() : 50;
    }

    Choice choose(CapacitorSection c, Role role) {
        return role == Role.ACROSS_LINE ? across(c) : barrier(c, role);
    }

    private Choice across(CapacitorSection c) {
        double share = reach.worst(c.part(), c.plus(), c.minus())
                .map(MainsReach.Exposure::share)
                .orElse(1.0);
        boolean high = Stresses.HIGH * share * volts > Stresses.HIGH * CLASS_X2_VOLTS;
        double value = Series.E6.nearest(c.farads());
        return new Choice(
                Action.RENEW,
                Dielectric.FILM,
                value,
                high ? CLASS_X1_VOLTS : CLASS_X2_VOLTS,
                Optional.of(new Safety(high ? SafetyClass.X1 : SafetyClass.X2, 0)),
                Optional.empty(),
                Phrase.of("recap.rule.across", high ? "X1" : "X2", Labels.farads(value)),
                List.of());
    }

    private Choice barrier(CapacitorSection c, Role role) {
        boolean alone = reach.liveCircuit() || role != Role.LINE_TO_CHASSIS;
        SafetyClass klass = alone ? SafetyClass.Y1 : SafetyClass.Y2;
        Barrier barrier = reach.barrier(c.plus(), c.minus())
                .orElse(new Barrier(Barrier.Touched.METAL, java.util.Set.of(c.minus()), List.of(c.part())));
        Map<String, Double> bleeders = bleeders(barrier);
        double value = 0;
        for (double step : STEPS)
            if (step <= c.farads() * (1 + CLOSE) && amperes(barrier, step, bleeders) <= TOUCH) value = step;
        if (value == 0) value = STEPS[0];
        double amperes = amperes(barrier, value, bleeders);
        double before = amperes(barrier, c.farads(), Map.of());
        List<Phrase> warnings = new ArrayList<>();
        if (before > TOUCH) warnings.add(Phrase.of("recap.warn.touch", c.key(), milliamps(before), milliamps(amperes)));
        if (amperes > TOUCH) warnings.add(Phrase.of("recap.warn.touch-still", c.key(), milliamps(amperes)));
        for (Part p : barrier.parts()) bleeder(p, bleeders).ifPresent(warnings::add);
        if (value < c.farads() * (1 - CLOSE))
            warnings.add(
                    barrier.touched() == Barrier.Touched.SOCKET
                            ? Phrase.of("recap.warn.smaller-socket", c.key())
                            : Phrase.of("recap.warn.smaller", c.key(), reactance(value), reactance(c.farads())));
        return new Choice(
                Action.RENEW,
                Dielectric.CERAMIC,
                value,
                CLASS_Y_VOLTS,
                Optional.of(new Safety(klass, amperes)),
                Optional.empty(),
                Phrase.of(
                        "recap.rule.safety",
                        klass.name(),
                        Labels.farads(value),
                        milliamps(amperes),
                        Figures.fixed(volts, 0),
                        Figures.fixed(hertz, 0)),
                warnings);
    }

    /** What each bleeder of a barrier should have: its own ohms where they pass little enough, else the next step that does. */
    private Map<String, Double> bleeders(Barrier barrier) {
        Map<String, Double> ohms = new HashMap<>();
        for (Part p : barrier.parts())
            if (p.component() instanceof Component.Resistor r) {
                double least = volts / (BLEEDS * TOUCH);
                ohms.put(p.reference(), r.ohms() >= least ? r.ohms() : Series.E12.atOrAbove(least));
            }
        return ohms;
    }

    private Optional<Phrase> bleeder(Part p, Map<String, Double> bleeders) {
        if (!(p.component() instanceof Component.Resistor r)) return Optional.empty();
        double wanted = bleeders.get(p.reference());
        String now = Figures.si(Quantity.ohms(r.ohms()));
        return Optional.of(
                wanted == r.ohms()
                        ? Phrase.of("recap.warn.bleeder", p.reference(), now, milliamps(volts / r.ohms()))
                        : Phrase.of(
                                "recap.warn.bleeder-low",
                                p.reference(),
                                now,
                                milliamps(volts / r.ohms()),
                                Figures.si(Quantity.ohms(wanted))));
    }

    /** With every capacitor of the barrier at this value, unless it has less. */
    private double amperes(Barrier barrier, double farads, Map<String, Double> bleeders) {
        Map<String, Double> all = new HashMap<>();
        for (Part p : barrier.parts())
            if (p.component() instanceof Component.Capacitor k)
                all.put(p.reference(), Math.min(farads, k.farads().get(0)));
        double through = reach.touchAmperes(barrier, all, bleeders, volts, hertz);
        double current = through > 0 ? through : 2 * Math.PI * hertz * volts * farads;
        return Math.rint(current / FINEST) * FINEST;
    }

    private static String reactance(double farads) {
        return Figures.si(new Quantity(1 / (2 * Math.PI * LOW_END * farads), Unit.OHM));
    }

    private static String milliamps(double amperes) {
        return Figures.fixed(1000 * amperes, 2);
    }
}
