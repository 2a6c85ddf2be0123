package anabion.core.power;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.simulation.fault.Sockets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * How one set is brought up: what stands in its line, and the steps.
 *
 * @param lamp in series with the set; empty where none is used
 * @param advised the lamp that suits the set, whichever is in hand; empty where none is used
 * @param dull whether its rectifier gives nothing before its heater glows
 * @param wakes volts at the set from which the highest rail rises; infinite for a set without rectifier
 */
public record PowerPlan(
        PlanKind kind,
        Optional<SeriesLamp> lamp,
        Optional<SeriesLamp> advised,
        Fuse fuse,
        boolean dull,
        double wakes,
        List<PowerStep> steps) {
    /** Of the nominal line, behind a lamp; the last is taken once more without it. */
    private static final double[] VARIAC = {0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1};

    private static final double[] SUPPLY = {0.5, 0.75, 1};
    private static final double[] WHOLE = {1};
    /** Share of a rail's full volts at which its rectifier counts as awake: more than a meter shows of a cold cathode. */
    static final double AWAKE = 0.15;
    /** Seconds at a step that no tube sees: long waits with dull heaters and volts on the plates harm them. */
    private static final double SHORT_WAIT = 15;

    private static final double LONGEST = 120;
    /** Seconds at the full line, for what warms slowly: transformer, electrolytics, output tubes. */
    private static final double SOAK = 600;

    private static final double SETTLED = 0.95;

    public PowerPlan {
        steps = List.copyOf(steps);
    }

    /**
     * @param inHand the lamp to plan with; empty for the one advised
     * @param without whether no lamp is used
     */
    public static PowerPlan of(Chassis chassis, PowerModel model, Optional<SeriesLamp> inHand, boolean without) {
        PlanKind kind = PlanKind.of(chassis);
        SupplyPoint full = model.sound().at(model.nominal());
        Optional<SeriesLamp> advised =
                kind.takesLamp() ? Optional.of(SeriesLamp.forSet(model.nominal(), full.watts())) : Optional.empty();
        Optional<SeriesLamp> lamp = without ? Optional.empty() : kind.takesLamp() ? inHand.or(() -> advised) : advised;
        double wakes = kind.usesMains()
                ? model.rail()
                        .map(r -> model.sound().reaches(r.net(), AWAKE * Math.abs(full.rail(r.net()))))
                        .orElse(Double.POSITIVE_INFINITY)
                : Double.POSITIVE_INFINITY;
        return new PowerPlan(
                kind,
                lamp,
                advised,
                Fuse.of(model.nominal(), full.amperes()),
                kind.usesVariac() && chassis.parts().stream().anyMatch(PowerPlan::isHeatedRectifier),
                wakes,
                steps(chassis, model, kind, lamp, wakes));
    }

    private static boolean isHeatedRectifier(Part p) {
        return Sockets.type(p).filter(t -> t.rectifies() && t.heaterVolts() > 0).isPresent();
    }

    private static List<PowerStep> steps(
            Chassis chassis, PowerModel model, PlanKind kind, Optional<SeriesLamp> lamp, double wakes) {
        double[] shares =
                switch (kind) {
                    case MAINS, HOT_MAINS, DC_MAINS -> VARIAC;
                    case BATTERY, CAR -> SUPPLY;
                    case VIBRATOR -> WHOLE;
                };
        List<PowerStep> all = new ArrayList<>();
        for (double share : shares) all.add(step(chassis, model, share * model.nominal(), lamp, wakes));
        if (lamp.isPresent()) all.add(step(chassis, model, model.nominal(), Optional.empty(), wakes));
        PowerStep last = all.remove(all.size() - 1);
        all.add(new PowerStep(last.dial(), last.lamp(), last.warm(), last.cold(), last.glow(), SOAK));
        return all;
    }

    private static PowerStep step(
            Chassis chassis, PowerModel model, double dial, Optional<SeriesLamp> lamp, double wakes) {
        SupplyPoint warm = model.sound().atDial(dial, lamp);
        SeriesLamp.Glow glow = lamp.map(l -> l.glow(l.across(warm.amperes()))).orElse(SeriesLamp.Glow.DARK);
        return new PowerStep(
                dial,
                lamp.isPresent(),
                warm,
                model.cold().at(warm.volts()).rails(),
                glow,
                wait(chassis, warm.volts() / model.nominal(), !Double.isFinite(wakes) || warm.volts() >= wakes));
    }

    /** Until the set's own cathodes give nearly what they will give at these volts; short where no rectifier is awake to see them. */
    private static double wait(Chassis chassis, double heat, boolean awake) {
        return awake ? Math.max(SHORT_WAIT, Cathodes.of(chassis).seconds(heat, SETTLED, LONGEST)) : SHORT_WAIT;
    }
}
