package anabion.core.recap;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Dielectric;
import anabion.core.isolation.MainsReach;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Series;
import anabion.core.quantity.Unit;
import anabion.core.recap.Choice.Action;
import anabion.core.recap.Choice.Pair;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The rules of replacement, one for each kind of role. Values come from E6 (E24 where they must be exact), ratings from the trade's usual steps: at
 * least the old one and at least the computed worst with a margin.
 */
final class ReplacementRules {
    /** Margin over the computed worst volts: electrolytics bear a surge, film does not age by it. */
    static final double MARGIN = 1.1;
    /** Over a charging battery's volts: regulators fail, and loads are switched off. */
    private static final double CAR_MARGIN = 1.5;
    /** Nothing to gain from a film capacitor below this rating. */
    private static final double FILM_LEAST = 63;

    /** Volts from which films for pulses are sold. */
    private static final double PULSED = 1600;

    private static final double HIGHEST_FILM = 2000;
    /** Leakage of a new electrolytic, amperes per farad and volt (the usual 0.01·C·V), and the share by which two may differ. */
    private static final double LEAKAGE = 0.01;

    /** The volts of two in series divide unevenly by so much at most. */
    private static final double UNEVEN = 1.15;

    private static final double HIGHEST = 500;
    private static final double LEAST = 0.8;
    /** Direct volts from which on an electrolytic has a right way round. */
    private static final double STANDS = 0.1;

    private final Chassis chassis;
    private final Policy policy;
    private final MainsReach reach;

    ReplacementRules(Chassis chassis, Policy policy, MainsReach reach) {
        this.chassis = chassis;
        this.policy = policy;
        this.reach = reach;
    }

    Choice choose(CapacitorSection c, Role role, Stress stress) {
        if (!(c.farads() > 0)) return unread(c);
        boolean stores = c.dielectric() == Dielectric.ELECTROLYTIC
                && role.rule() != Role.Rule.SAFETY
                && role.rule() != Role.Rule.TUNED
                && role.rule() != Role.Rule.ALTERNATING
                && role.rule() != Role.Rule.EXACT;
        if (stores) return electrolytic(c, stress);
        return switch (role.rule()) {
            case SAFETY -> new SafetyRules(chassis, reach).choose(c, role);
            case TUNED -> keep(c, role);
            case STORE -> film(c, role, stress, 0.2);
            case BYPASS -> film(c, role, stress, 0.2);
            case SAME -> film(c, role, stress, 0.1);
            case EXACT -> pulsed(c, role, stress, Series.E24.nearest(c.farads()));
            case ALTERNATING -> pulsed(c, role, stress, Series.E12.nearest(c.farads()));
        };
    }

    /** Nothing can be bought for a capacitor whose value nobody has read. */
    private static Choice unread(CapacitorSection c) {
        return new Choice(
                Action.TEST,
                c.dielectric(),
                0,
                0,
                Optional.empty(),
                Optional.empty(),
                Phrase.of("recap.rule.unread"),
                List.of());
    }

    private static Phrase rule(Role role, Object... fillings) {
        return rule(role.rule(), fillings);
    }

    private static Phrase rule(Role.Rule rule, Object... fillings) {
        return Phrase.of("recap.rule." + rule.name().toLowerCase(Locale.ROOT), fillings);
    }

    private static String farads(double value) {
        return Labels.farads(value);
    }

    /** Mica, ceramic and air stay; their value is what they have. */
    private Choice keep(CapacitorSection c, Role role) {
        return new Choice(
                Action.KEEP,
                c.dielectric(),
                c.farads(),
                c.rating(),
                Optional.empty(),
                Optional.empty(),
                rule(role),
                List.of());
    }

    /** At the old value or above; the nearest, by that school, down to a fifth below. */
    private Choice electrolytic(CapacitorSection c, Stress stress) {
        double near = Series.E6.nearest(c.farads());
        boolean nearest = policy.rounding() == Policy.Rounding.NEAREST && near >= LEAST * c.farads();
        double value = nearest ? near : Series.E6.atOrAbove(c.farads());
        boolean onBattery = chassis.inCar()
                && stress.worst() > 0.8 * chassis.supply().volts()
                && stress.worst() < 2 * chassis.supply().volts();
        double needed = Math.max(c.rating(), (onBattery ? CAR_MARGIN : MARGIN) * stress.worst());
        Phrase rule = rule(Role.Rule.STORE, farads(c.farads()), farads(value));
        List<Double> steps = Series.electrolyticVolts(needed);
        if (!steps.isEmpty())
            return new Choice(
                    Action.RENEW,
                    Dielectric.ELECTROLYTIC,
                    value,
                    steps.get(0),
                    Optional.empty(),
                    Optional.empty(),
                    rule,
                    polarity(c, stress));
        return series(c, value, needed, rule, polarity(c, stress));
    }

    /**
     * Two of twice the value in series. Each resistor R must hold the middle although one leaks more than the other:
     * (n·V_r − V)/((n − 1)·I) with n = 2 (from the sum of the currents at the middle; I after {@link #LEAKAGE}).
     */
    private Choice series(CapacitorSection c, double value, double needed, Phrase rule, List<Phrase> warnings) {
        Optional<Double> step =
                Series.electrolyticVolts(needed / 2 * UNEVEN).stream().findFirst();
        if (step.isEmpty()) {
            List<Phrase> all = new ArrayList<>(warnings);
            all.add(Phrase.of("recap.warn.too-high", c.key(), Figures.fixed(needed, 0)));
            return new Choice(
                    Action.RENEW,
                    Dielectric.ELECTROLYTIC,
                    value,
                    HIGHEST,
                    Optional.empty(),
                    Optional.empty(),
                    rule,
                    all);
        }
        double each = step.get();
        double one = Series.E6.atOrAbove(2 * value);
        double ohms = Series.E12.atOrBelow((2 * each - needed) / (LEAKAGE * one * each));
        double watts = 2 * (needed / 2) * (needed / 2) / ohms;
        List<Phrase> more = new ArrayList<>(warnings);
        more.add(Phrase.of(
                "recap.warn.pair",
                c.key(),
                Figures.fixed(needed, 0),
                Figures.fixed(each, 0),
                Figures.si(new Quantity(ohms, Unit.OHM))));
        return new Choice(
                Action.RENEW,
                Dielectric.ELECTROLYTIC,
                one,
                each,
                Optional.empty(),
                Optional.of(new Pair(ohms, watts)),
                rule,
                more);
    }

    private static List<Phrase> polarity(CapacitorSection c, Stress s) {
        if (s.normal() < -STANDS)
            return List.of(Phrase.of("recap.warn.reversed", c.key(), c.minus(), c.plus(), Figures.volts(-s.normal())));
        if (Math.abs(s.normal()) <= STANDS) return List.of(Phrase.of("recap.warn.no-polarity", c.key()));
        return List.of();
    }

    private Choice film(CapacitorSection c, Role role, Stress stress, double band) {
        double above = Series.E6.atOrAbove(c.farads());
        double near = Series.E6.nearest(c.farads());
        boolean more = policy.rounding() == Policy.Rounding.AT_OR_ABOVE && within(above, c, band);
        double value = more ? above : within(near, c, band) ? near : Series.E24.nearest(c.farads());
        boolean small = c.dielectric() == Dielectric.MICA || c.dielectric() == Dielectric.CERAMIC;
        double needed = Math.max(Math.max(c.rating(), FILM_LEAST), MARGIN * stress.worst());
        double volts = Series.filmVolts(needed).stream().findFirst().orElse(2000.0);
        Phrase rule = rule(role, farads(c.farads()), farads(value));
        List<Phrase> warnings = volts < needed
                ? List.of(Phrase.of("recap.warn.too-high", c.key(), Figures.fixed(needed, 0)))
                : List.of();
        if (small)
            return keep(c, role)
                    .with(
                            Action.KEEP,
                            Phrase.of("recap.rule.stays", c.dielectric().code()));
        return new Choice(
                Action.RENEW, Dielectric.FILM, value, volts, Optional.empty(), Optional.empty(), rule, warnings);
    }

    private static boolean within(double value, CapacitorSection c, double band) {
        return Math.abs(value / c.farads() - 1) <= band + 1e-9;
    }

    /** At a rectifier's plate or a vibrator's winding: a film made for pulses, or one rated for the alternating volts. */
    private static Choice pulsed(CapacitorSection c, Role role, Stress stress, double value) {
        double needed = Math.max(PULSED, Math.max(c.rating(), MARGIN * stress.worst()));
        double volts = Series.filmVolts(needed).stream().findFirst().orElse(HIGHEST_FILM);
        double effective = Math.ceil(MARGIN * stress.worst() / Math.sqrt(2) / 10) * 10;
        List<Phrase> warnings = new ArrayList<>();
        warnings.add(
                Phrase.of("recap.warn.alternating", c.key(), Figures.fixed(volts, 0), Figures.fixed(effective, 0)));
        if (volts < needed) warnings.add(Phrase.of("recap.warn.too-high", c.key(), Figures.fixed(needed, 0)));
        return new Choice(
                        Action.RENEW,
                        Dielectric.FILM,
                        value,
                        volts,
                        Optional.empty(),
                        Optional.empty(),
                        rule(role, farads(c.farads()), farads(value)),
                        warnings)
                .forPulses();
    }
}
