package anabion.benchmarks.power;

import anabion.core.chassis.Chassis;
import anabion.core.power.LookAlike;
import anabion.core.power.PowerJudgement;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerPlan;
import anabion.core.power.PowerReading;
import anabion.core.power.PowerReading.What;
import anabion.core.power.PowerStep;
import anabion.core.power.Rail;
import anabion.core.power.StopReason;
import anabion.core.power.SupplyCurve;
import anabion.core.power.SupplyPoint;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.dc.Overload;
import anabion.core.simulation.setting.Setting;
import anabion.core.simulation.tolerance.Specimen;
import anabion.workshop.demo.DemoWorkshop;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;

/**
 * Simulated power-ups: specimens within their tolerances, sound or with one common fault, read with meters that are off; up the plan's steps until something
 * stops them or they have arrived.
 */
public final class PowerBenchmark {
    private static final List<String> SETS = List.of("halcyon", "brae", "concerto");
    private static final double METER = 0.015;
    private static final double WATTMETER = 0.03;
    private static final double VOLTS = 0.2;
    private static final double RIPPLE = 0.1;
    /** Electrolytics have from a little less to a good deal more than is printed on them. */
    private static final double CAPACITANCE = 0.4;

    private static final double WATTS = 0.3;
    /** Iron of one make takes more than another's: by this power of two. */
    private static final double IRON = 0.5;
    /** Of the nominal line: where heaters glow. */
    private static final double LIT = 0.6;

    private static final double OVERSEEN = 0.03;

    private int faulty;
    private int named;
    private int sound;
    private int stoppedSound;
    private int shorts;
    private int burnt;
    private final Map<String, int[]> byKind = new TreeMap<>();
    private final Random random;

    private PowerBenchmark(long seed) {
        this.random = new Random(seed);
    }

    /**
     * @param cases faulty ones, and as many sound ones, over all sets
     * @param seed tells one run from another
     */
    public static Map<String, Object> measure(int cases, long seed) {
        PowerBenchmark b = new PowerBenchmark(seed);
        long began = System.nanoTime();
        for (String name : SETS) b.set(DemoWorkshop.chassis(name), cases / SETS.size());
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("power-ups with a fault", b.faulty);
        all.put("kind of fault named first, %", percent(b.named, b.faulty));
        all.put("sound power-ups", b.sound);
        all.put("sound ones stopped, %", percent(b.stoppedSound, b.sound));
        all.put("shorted rails", b.shorts);
        all.put("of these, something burnt before the stop", b.burnt);
        b.byKind.forEach((k, n) -> all.put(k + ", named of", n[0] + " of " + n[1] + ", stopped " + n[2]));
        all.put("seconds", Math.round((System.nanoTime() - began) / 1e9));
        return all;
    }

    private static double percent(int part, int all) {
        return Math.round(1000.0 * part / Math.max(1, all)) / 10.0;
    }

    private void set(Chassis chassis, int cases) {
        PowerModel model = PowerModel.of(chassis);
        PowerPlan plan = PowerPlan.of(chassis, model, Optional.empty(), false);
        Map<LookAlike.Kind, List<LookAlike>> kinds = new LinkedHashMap<>();
        model.others().forEach(f -> kinds.computeIfAbsent(f.what().kind(), k -> new ArrayList<>())
                .add(f.what()));
        List<LookAlike.Kind> order = List.copyOf(kinds.keySet());
        Simulator engine = new Simulator();
        for (int n = 0; n < cases; n++) {
            List<LookAlike> of = kinds.get(order.get(n % order.size()));
            climb(engine, chassis, model, plan, Optional.of(of.get(random.nextInt(of.size()))));
            climb(engine, chassis, model, plan, Optional.empty());
        }
    }

    private void climb(Simulator engine, Chassis chassis, PowerModel model, PowerPlan plan, Optional<LookAlike> fault) {
        Setting setting = Setting.fed(chassis)
                .withTrims(Specimen.of(chassis, random.nextLong()))
                .withFaults(fault.map(LookAlike::fault).stream().toList());
        SupplyCurve truth = SupplyCurve.of(engine, chassis, setting, model.rails(), model.iron());
        double meter = 1 + METER * random.nextGaussian();
        double capacitance = 1 / (1 + CAPACITANCE * (random.nextDouble() - 0.2));
        double wattmeter = 1 + WATTMETER * random.nextGaussian();
        double nominal = model.nominal();
        double iron = model.iron() * (Math.pow(2, IRON * random.nextGaussian()) - 1);
        List<PowerReading> readings = new ArrayList<>();
        Optional<StopReason> stop = Optional.empty();
        boolean burns = false;
        PowerJudgement judged = PowerJudgement.of(model, readings, plan.lamp());
        for (PowerStep s : plan.steps()) {
            SupplyPoint is = truth.atDial(s.dial(), s.lamp() ? plan.lamp() : Optional.empty());
            burns |= burns(is, model.sound().at(model.nominal()));
            if (burns) break;
            double atSet = is.volts() * (1 + 0.005 * random.nextGaussian());
            for (Rail rail : model.rails())
                readings.add(new PowerReading(
                        s.dial(),
                        atSet,
                        What.RAIL,
                        rail.net(),
                        is.rail(rail.net()) * meter + VOLTS * random.nextGaussian()));
            model.rail()
                    .ifPresent(rail -> readings.add(new PowerReading(
                            s.dial(),
                            atSet,
                            What.RIPPLE,
                            rail.net(),
                            Math.abs(is.ripple(rail.net()) * capacitance * meter + RIPPLE * random.nextGaussian()))));
            readings.add(new PowerReading(
                    s.dial(),
                    atSet,
                    What.WATTS,
                    "",
                    Math.max(
                            0,
                            (is.watts() + iron * Math.pow(is.volts() / nominal, 2)) * wattmeter
                                    + WATTS * random.nextGaussian())));
            if (s.lamp() && plan.lamp().isPresent())
                readings.add(new PowerReading(
                        s.dial(),
                        0,
                        What.GLOW,
                        "",
                        plan.lamp()
                                .get()
                                .glow(plan.lamp().get().across(is.amperes()))
                                .ordinal()));
            if (is.volts() > LIT * model.nominal()) {
                boolean dark = fault.filter(f -> f.kind() == LookAlike.Kind.HEATER_OPEN)
                        .isPresent();
                boolean seen = dark != (random.nextDouble() < OVERSEEN);
                readings.add(new PowerReading(s.dial(), atSet, What.DARK, "", seen ? 1 : 0));
            }
            judged = PowerJudgement.of(model, readings, plan.lamp());
            stop = StopReason.of(model, plan, readings, judged);
            if (stop.isPresent()) break;
        }
        score(fault, judged, stop.isPresent(), burns);
    }

    private static boolean burns(SupplyPoint is, SupplyPoint usual) {
        for (Overload o : is.overloads())
            if (usual.overloads().stream().noneMatch(u -> u.part().equals(o.part()))) return true;
        return false;
    }

    private void score(Optional<LookAlike> fault, PowerJudgement judged, boolean stopped, boolean burns) {
        if (fault.isEmpty()) {
            sound++;
            if (stopped) stoppedSound++;
            return;
        }
        faulty++;
        LookAlike.Kind kind = fault.get().kind();
        boolean hit = !judged.kinds().isEmpty() && judged.kinds().get(0).kind() == kind && !judged.healthy();
        if (hit) named++;
        int[] n = byKind.computeIfAbsent(kind.code(), k -> new int[3]);
        n[1]++;
        if (hit) n[0]++;
        if (stopped) n[2]++;
        if (kind != LookAlike.Kind.RAIL_SHORTED) return;
        shorts++;
        if (burns) burnt++;
    }
}
