package anabion.core.power;

import anabion.core.json.Coded;
import anabion.core.power.PowerReading.What;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.text.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** Why a power-up stops by what was read: what a meter or the lamp shows that a sound set cannot. */
public enum StopReason implements Coded {
    /** The lamp is two steps brighter than it should be. */
    LAMP_BRIGHT,
    /** More than {@link #MOST_WATTS} of the watts, or amperes, that are foreseen. */
    WATTS_HIGH,
    /** The rectifier should long be awake. */
    NO_RAIL,
    /** A rail went down while the line went up. */
    RAIL_FALLING,
    /** What was read looks like a short. */
    LOOKS_SHORTED;

    private static final double MOST_WATTS = 1.3;
    /** Watts and amperes that a cheap meter may be off, whatever it reads. */
    private static final double FEW_WATTS = 2;

    private static final double FEW_AMPERES = 0.02;
    /** Of the nominal line, behind the volts at which the rectifier should wake. */
    private static final double MARGIN = 0.12;
    /** Of the rail that is foreseen. */
    private static final double SOME = 0.35;

    private static final double FALL = 0.06;
    private static final double LIKELY = 0.6;
    private static final Set<LookAlike.Kind> SHORTS =
            Set.of(LookAlike.Kind.RAIL_SHORTED, LookAlike.Kind.OUTPUT_SHORTED, LookAlike.Kind.TURNS_SHORTED);

    @Override
    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** Those that apply to a plan. */
    public static List<StopReason> of(PowerModel model, PowerPlan plan) {
        List<StopReason> all = new ArrayList<>();
        if (plan.lamp().isPresent()) all.add(LAMP_BRIGHT);
        all.add(WATTS_HIGH);
        if (Double.isFinite(plan.wakes()) && model.rail().isPresent()) all.addAll(List.of(NO_RAIL, RAIL_FALLING));
        all.add(LOOKS_SHORTED);
        return all;
    }

    /** What it means in a set, with its figures. */
    public Phrase words(PowerModel model, PowerPlan plan) {
        SupplyPoint full = model.sound().at(model.nominal());
        return switch (this) {
            case WATTS_HIGH ->
                plan.kind().usesMains()
                        ? Phrase.of("power.stop.watts-high", Figures.fixed(MOST_WATTS * full.watts() + FEW_WATTS, 0))
                        : Phrase.of(
                                "power.stop.amperes-high",
                                Figures.si(Quantity.amperes(MOST_WATTS * full.amperes() + FEW_AMPERES), 2));
            case NO_RAIL ->
                Phrase.of(
                        "power.stop.no-rail",
                        model.rail().map(Rail::net).orElse(""),
                        Figures.volts(plan.wakes() + MARGIN * model.nominal()));
            case RAIL_FALLING ->
                Phrase.of("power.stop.rail-falling", model.rail().map(Rail::net).orElse(""));
            case LAMP_BRIGHT, LOOKS_SHORTED -> Phrase.of("power.stop." + code());
        };
    }

    /** What the last reading says of it: where it is a load, that beside what is foreseen there. */
    public Phrase words(PowerModel model, PowerPlan plan, List<PowerReading> readings) {
        if (this != WATTS_HIGH || readings.isEmpty()) return words(model, plan);
        double dial = readings.get(readings.size() - 1).dial();
        return readings.stream()
                .filter(r -> r.dial() == dial
                        && of(model, plan, r).filter(x -> x == this).isPresent())
                .findFirst()
                .map(r -> Phrase.of(
                        "power.stop.load-here",
                        load(r, r.value()),
                        load(r, PowerJudgement.foreseen(model.sound(), r, plan.lamp(), 0))))
                .orElseGet(() -> words(model, plan));
    }

    private static String load(PowerReading r, double value) {
        return r.what() == What.WATTS ? Figures.fixed(value, 1) + " W" : Figures.si(Quantity.amperes(value), 2);
    }

    /**
     * The first reason that the latest readings give; those before the last step served their time.
     *
     * @param readings of this power-up, in the order in which they were taken
     */
    public static Optional<StopReason> of(
            PowerModel model, PowerPlan plan, List<PowerReading> readings, PowerJudgement judged) {
        if (readings.isEmpty()) return Optional.empty();
        PowerReading last = readings.get(readings.size() - 1);
        List<PowerReading> now =
                readings.stream().filter(r -> r.dial() == last.dial()).toList();
        for (PowerReading r : now) {
            Optional<StopReason> reason = of(model, plan, r);
            if (reason.isPresent()) return reason;
        }
        if (falls(readings, now)) return Optional.of(RAIL_FALLING);
        boolean shorted = judged.sound() < 1 - LIKELY
                && judged.kinds().stream().anyMatch(k -> SHORTS.contains(k.kind()) && k.odds() > LIKELY);
        return shorted ? Optional.of(LOOKS_SHORTED) : Optional.empty();
    }

    private static Optional<StopReason> of(PowerModel model, PowerPlan plan, PowerReading r) {
        double usual = PowerJudgement.foreseen(model.sound(), r, plan.lamp(), 0);
        return switch (r.what()) {
            case DARK, RIPPLE -> Optional.empty();
            case GLOW -> r.value() >= Math.rint(usual) + 2 ? Optional.of(LAMP_BRIGHT) : Optional.empty();
            case WATTS -> r.value() > MOST_WATTS * usual + FEW_WATTS ? Optional.of(WATTS_HIGH) : Optional.empty();
            case AMPERES -> r.value() > MOST_WATTS * usual + FEW_AMPERES ? Optional.of(WATTS_HIGH) : Optional.empty();
            case RAIL -> {
                double atSet = r.atSet() > 0
                        ? r.atSet()
                        : model.sound().atDial(r.dial(), plan.lamp()).volts();
                boolean awake = atSet >= plan.wakes() + MARGIN * model.nominal();
                yield awake && Math.abs(r.value()) < SOME * Math.abs(usual) ? Optional.of(NO_RAIL) : Optional.empty();
            }
        };
    }

    private static boolean falls(List<PowerReading> readings, List<PowerReading> now) {
        for (PowerReading r : now)
            for (PowerReading before : readings)
                if (r.what() == What.RAIL
                        && before.what() == What.RAIL
                        && before.net().equals(r.net())
                        && before.dial() < r.dial()
                        && Math.abs(r.value()) < (1 - FALL) * Math.abs(before.value()) - 1) return true;
        return false;
    }
}
