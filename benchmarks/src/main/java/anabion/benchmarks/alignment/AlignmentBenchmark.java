package anabion.benchmarks.alignment;

import anabion.core.align.Alignment;
import anabion.core.align.AlignmentProcedure;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.signal.FrontEnd;
import anabion.core.signal.TunedSet;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.workshop.demo.DemoWorkshop;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/**
 * Specimens with every adjuster anywhere within its travel are aligned line by line, by somebody who reads an output meter, and by somebody who listens: how near they come to
 * their best, how true the dial is, how many passes it takes, and whether a capacitor off by a fifth is named.
 */
public final class AlignmentBenchmark {
    private static final Map<String, String> SETS =
            Map.of("halcyon", "AM", "brae", "MW", "concerto", "MW", "lark", "MW", "rover", "MW", "trunk-road", "MW");

    private static final int FAULTY_ONE_IN = 5;
    /** One specimen of so many is aligned by ear as well. */
    private static final int BY_EAR_ONE_IN = 4;

    private final Tally byMeter = new Tally(1);
    private final Tally byEar = new Tally(3);
    private final Random random;
    private int specimens;

    private AlignmentBenchmark(long seed) {
        this.random = new Random(seed);
    }

    /** @param cases specimens over all sets, one in five with a fault */
    public static Map<String, Object> measure(int cases, long seed) {
        AlignmentBenchmark b = new AlignmentBenchmark(seed);
        long began = System.nanoTime();
        Map<Chassis, String> sets = new LinkedHashMap<>();
        SETS.keySet().stream().sorted().forEach(n -> sets.put(DemoWorkshop.chassis(n), SETS.get(n)));
        sets.put(Fixtures.tubes(), "MW");
        sets.put(Fixtures.transistors(), "MW");
        int n = 0;
        for (Map.Entry<Chassis, String> set : sets.entrySet()) {
            b.set(set.getKey(), set.getValue(), cases * (n + 1) / sets.size() - cases * n / sets.size());
            n++;
        }
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("sets", sets.size());
        b.byMeter.said().forEach((k, v) -> all.put("by meter: " + k, v));
        b.byEar.said().forEach((k, v) -> all.put("by ear: " + k, v));
        all.put("seconds", Math.round((System.nanoTime() - began) / 1e9));
        return all;
    }

    private void set(Chassis chassis, String name, int cases) {
        Band band = chassis.band(name).orElseThrow();
        Setting setting = Setting.fed(chassis).withControls(Controls.volume(chassis, 1));
        Simulator engine = new Simulator();
        AlignmentProcedure procedure = AlignmentProcedure.of(engine, chassis, setting, band);
        TunedSet tuned = TunedSet.of(engine, chassis, setting, band).orElseThrow();
        List<Part> micas = chassis.parts().stream()
                .filter(p -> p.is(PartRole.IF_TUNING))
                .filter(p -> procedure.lines().stream()
                        .anyMatch(l -> Alignment.suspects(chassis, procedure, l.adjusters())
                                .contains(p)))
                .toList();
        for (int n = 0; n < cases; n++) {
            boolean wrong = specimens++ % FAULTY_ONE_IN == FAULTY_ONE_IN - 1 && !micas.isEmpty();
            Optional<Part> fault = wrong ? Optional.of(micas.get(random.nextInt(micas.size()))) : Optional.empty();
            long seed = random.nextLong();
            followed(chassis, procedure, hidden(chassis, tuned, procedure, fault, seed), false);
            if (random.nextInt(BY_EAR_ONE_IN) == 0)
                followed(
                        chassis,
                        procedure,
                        hidden(chassis, tuned, procedure, fault, seed).heard(),
                        true);
        }
    }

    private static HiddenSet hidden(
            Chassis chassis, TunedSet tuned, AlignmentProcedure procedure, Optional<Part> fault, long seed) {
        return new HiddenSet(chassis, tuned, procedure, fault, new Random(seed));
    }

    private void followed(Chassis chassis, AlignmentProcedure procedure, HiddenSet hidden, boolean listening) {
        Tally tally = listening ? byEar : byMeter;
        Follower follower = new Follower(hidden, procedure, listening);
        int taken = follower.align();
        List<Part> suspects = follower.findings().stream()
                .flatMap(l -> Alignment.suspects(chassis, procedure, l.adjusters()).stream())
                .distinct()
                .toList();
        if (hidden.fault().isPresent()) {
            tally.faulty(suspects.contains(hidden.fault().get()));
            return;
        }
        FrontEnd f = hidden.frontEnd();
        double[] places = {f.low(), f.middle(), f.high()};
        List<Double> best = hidden.best(places);
        double lacks = 0;
        double off = 0;
        for (int n = 0; n < places.length; n++) {
            double dial = places[n];
            lacks = Math.max(lacks, 20 * Math.log10(best.get(n) / Math.max(1e-9, hidden.output(dial))));
            off = Math.max(off, Math.abs(hidden.heard(dial) / dial - 1));
        }
        tally.sound(taken, !suspects.isEmpty(), lacks, 100 * off);
    }
}
