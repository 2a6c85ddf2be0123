package anabion.core.diagnosis;

import anabion.core.chassis.Chassis;
import anabion.core.chassis.Fault;
import anabion.core.engine.ColdOhms;
import anabion.core.engine.Engine;
import anabion.core.engine.Operating;
import anabion.core.engine.Setting;
import anabion.core.input.BadInput;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What every hypothesis would show at every observation. A meter is put into the circuit only where it moves the sound set's reading; one
 * solution serves all readings of the same setting, and nothing is solved twice.
 */
final class Predictions {
    /** A meter that moves a sound reading by less than this share is left out. */
    private static final double MOVES = 2e-3;

    private static final double LEAST_OHMS = 0.1;
    private static final double MOST_OHMS = 1e8;

    private final Chassis chassis;
    private final List<Observation> observations;
    private final Map<String, Double> trims;
    private final Engine engine = new Engine();
    private final Map<Hypothesis, Optional<double[]>> rows = new HashMap<>();
    private final Map<Hypothesis, Map<Setting, Optional<Map<String, Double>>>> nets = new HashMap<>();
    private final boolean[] loads;
    private final double[] sound;

    Predictions(Chassis chassis, List<Observation> observations, Map<String, Double> trims) {
        this.chassis = chassis;
        this.observations = observations;
        this.trims = trims;
        this.loads = new boolean[observations.size()];
        this.sound = row(List.of(), true).orElseThrow(() -> BadInput.at(chassis.name())
                .because("its circuit does not settle even when sound")
                .so("look at the checks of the Study sheet first"));
    }

    /** What a sound set shows: volts, or the common logarithm of ohms. */
    double[] sound() {
        return sound.clone();
    }

    /** What a faulty set shows; empty if its circuit does not settle. */
    Optional<double[]> of(Hypothesis h) {
        return rows.computeIfAbsent(
                h,
                k -> k.fault().isEmpty()
                        ? Optional.of(sound.clone())
                        : row(List.of(k.fault().get()), false));
    }

    private Optional<double[]> row(List<Fault> faults, boolean first) {
        Map<Setting, Optional<Solved>> solved = new HashMap<>();
        double[] row = new double[observations.size()];
        for (int i = 0; i < row.length; i++) {
            if (observations.get(i) instanceof Observation.Ohms o) {
                row[i] = logOhms(ColdOhms.between(
                                chassis,
                                Setting.of(chassis.supply().volts()).withFaults(faults),
                                o.net(),
                                o.other(),
                                o.test())
                        .ohms());
                continue;
            }
            Observation.Volts v = (Observation.Volts) observations.get(i);
            Optional<Solved> s = solved.computeIfAbsent(v.setting(), k -> solve(k, faults));
            if (s.isEmpty()) return Optional.empty();
            double free = s.get().free().volts(v.net()).orElse(0);
            if (first || loads[i]) {
                double loaded = loaded(s.get(), v, free);
                if (first) loads[i] = Math.abs(loaded - free) > MOVES * Math.abs(free) + 1e-3;
                if (Double.isNaN(loaded)) return Optional.empty();
                row[i] = loaded;
            } else row[i] = free;
        }
        return Optional.of(row);
    }

    private record Solved(Engine.Bench bench, Operating free) {}

    private Optional<Solved> solve(Setting setting, List<Fault> faults) {
        Engine.Bench bench = engine.prepare(chassis, setting.withTrims(trims).withFaults(faults));
        Operating free = bench.solve();
        return free.converged() ? Optional.of(new Solved(bench, free)) : Optional.empty();
    }

    private double loaded(Solved s, Observation.Volts v, double free) {
        if (v.net().equals(Engine.reference(chassis))) return 0;
        Operating o = s.bench().solveWithMeter(v.net(), v.meter().ohmsAt(free));
        return o.converged() ? o.volts(v.net()).orElse(0) : Double.NaN;
    }

    /** Ohms are compared by their common logarithm, from a tenth of an ohm to what counts as open. */
    static double logOhms(double ohms) {
        return Math.log10(Math.max(LEAST_OHMS, Math.min(MOST_OHMS, ohms)));
    }

    /** Direct volts of every net under a fault, without a meter; empty if it does not settle. */
    Optional<Map<String, Double>> nets(Hypothesis h, Setting setting) {
        return nets.computeIfAbsent(h, k -> new HashMap<>()).computeIfAbsent(setting, k -> everywhere(h, k));
    }

    private Optional<Map<String, Double>> everywhere(Hypothesis h, Setting setting) {
        return solve(setting, h.fault().map(List::of).orElse(List.of())).map(s -> {
            Map<String, Double> all = new LinkedHashMap<>();
            for (String net : Engine.nets(chassis))
                all.put(net, s.free().volts(net).orElse(0));
            return all;
        });
    }
}
