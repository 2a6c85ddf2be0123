package anabion.benchmarks.alignment;

import anabion.core.align.Alignment;
import anabion.core.align.AlignmentLine;
import anabion.core.align.AlignmentProcedure;
import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Band;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Part;
import anabion.core.chassis.PartRole;
import anabion.core.job.AlignmentPurpose;
import anabion.core.signal.FrontEnd;
import anabion.core.signal.TunedSet;
import anabion.core.simulation.Simulator;
import anabion.core.simulation.setting.Controls;
import anabion.core.simulation.setting.Setting;
import anabion.workshop.demo.DemoWorkshop;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.DoubleStream;

/**
 * Specimens with every adjuster anywhere within its travel are aligned line by line by somebody who reads an output meter: how near they come to their best, how true the
 * dial is, how many passes it takes, and whether a capacitor off by a fifth is named.
 */
public final class AlignmentBenchmark {
    private static final Map<String, String> SETS =
            Map.of("halcyon", "AM", "brae", "MW", "concerto", "MW", "lark", "MW", "rover", "MW", "trunk-road", "MW");

    private static final int FAULTY_ONE_IN = 5;
    private static final double NEAR_DECIBELS = 1;
    private static final double NEAR_DIAL = 0.02;

    private int sound;
    private int near;
    private int accused;
    private int faulty;
    private int named;
    private final List<Double> passes = new ArrayList<>();
    private final List<Double> lacking = new ArrayList<>();
    private final List<Double> dials = new ArrayList<>();
    private final Random random;

    private AlignmentBenchmark(long seed) {
        this.random = new Random(seed);
    }

    /** @param cases specimens over all sets, one in five with a fault */
    public static Map<String, Object> measure(int cases, long seed) {
        AlignmentBenchmark b = new AlignmentBenchmark(seed);
        long began = System.nanoTime();
        List<String> names = SETS.keySet().stream().sorted().toList();
        for (int n = 0; n < names.size(); n++)
            b.set(
                    DemoWorkshop.chassis(names.get(n)),
                    SETS.get(names.get(n)),
                    cases * (n + 1) / names.size() - cases * n / names.size());
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("sound specimens", b.sound);
        all.put("within 1 dB of their best and 2 % of the dial, %", percent(b.near, b.sound));
        all.put("lacking, dB, median and 95th of 100", at(b.lacking, 0.5) + ", " + at(b.lacking, 0.95));
        all.put("dial off, %, median and 95th of 100", at(b.dials, 0.5) + ", " + at(b.dials, 0.95));
        all.put("passes that gained half a decibel, median", at(b.passes, 0.5));
        all.put("sound ones accused, %", percent(b.accused, b.sound));
        all.put("specimens with a capacitor off by a fifth", b.faulty);
        all.put("its part or can named, %", percent(b.named, b.faulty));
        all.put("seconds", Math.round((System.nanoTime() - began) / 1e9));
        return all;
    }

    private static double percent(int part, int all) {
        return Math.round(1000.0 * part / Math.max(1, all)) / 10.0;
    }

    private static double at(List<Double> values, double share) {
        List<Double> sorted = values.stream().sorted().toList();
        if (sorted.isEmpty()) return Double.NaN;
        return Math.round(100 * sorted.get((int) Math.min(sorted.size() - 1, share * sorted.size()))) / 100.0;
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
            boolean wrong = n % FAULTY_ONE_IN == FAULTY_ONE_IN - 1 && !micas.isEmpty();
            Optional<Part> fault = wrong ? Optional.of(micas.get(random.nextInt(micas.size()))) : Optional.empty();
            HiddenSet hidden = new HiddenSet(chassis, tuned, procedure, fault, new Random(random.nextLong()));
            followed(chassis, procedure, hidden);
        }
    }

    private void followed(Chassis chassis, AlignmentProcedure procedure, HiddenSet hidden) {
        Follower follower = new Follower(hidden, procedure);
        int taken = follower.align();
        List<Part> suspects = follower.findings().stream()
                .flatMap(l -> Alignment.suspects(chassis, procedure, l.adjusters()).stream())
                .distinct()
                .toList();
        if (hidden.fault().isPresent()) {
            faulty++;
            if (suspects.contains(hidden.fault().get())) named++;
            return;
        }
        sound++;
        passes.add((double) taken);
        if (!suspects.isEmpty()) accused++;
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
        lacking.add(lacks);
        dials.add(100 * off);
        if (lacks < NEAR_DECIBELS && off < NEAR_DIAL) near++;
    }

    /** Who follows the sheet: lines, an indicator, stations; never the set itself. */
    private static final class Follower {
        private static final int MOST_PASSES = 5;
        private static final double WORTH_DECIBELS = 0.5;
        private static final int MOST_TURNS = 6;
        private static final int COARSE = 21;
        private static final double NARROW = 0.1;
        private static final double FINE = 0.004;
        private static final double END = 0.985;
        private static final double STRONGEST = 1e5;
        private static final double STEP = 2;
        private static final double LITTLE = 0.3;
        private static final double ENOUGH = 0.8;

        private final HiddenSet set;
        private final AlignmentProcedure procedure;
        private final List<AlignmentLine> findings = new ArrayList<>();
        private double level = 1;

        Follower(HiddenSet set, AlignmentProcedure procedure) {
            this.set = set;
            this.procedure = procedure;
        }

        /** @return passes that gained something */
        int align() {
            for (int pass = 1; ; pass++) {
                findings.clear();
                double gained = 0;
                for (int n = 0; n < procedure.lines().size(); n++) {
                    AlignmentLine l = procedure.lines().get(n);
                    boolean both = l.purpose() == AlignmentPurpose.OSCILLATOR_HIGH
                            && n + 1 < procedure.lines().size()
                            && procedure.lines().get(n + 1).purpose() == AlignmentPurpose.OSCILLATOR_LOW;
                    gained += both ? inTurn(l, procedure.lines().get(++n), pass == 1) : turned(l, pass == 1);
                }
                if (gained < WORTH_DECIBELS) return pass - 1;
                if (pass >= MOST_PASSES) return pass;
            }
        }

        /** Both ends of the dial in turn until neither gains. */
        private double inTurn(AlignmentLine high, AlignmentLine low, boolean wide) {
            double all = 0;
            for (int n = 0; n < MOST_TURNS; n++) {
                double gained = turned(high, wide && n == 0) + turned(low, wide && n == 0);
                all += gained;
                if (gained < WORTH_DECIBELS) break;
            }
            return all;
        }

        /** @return decibels gained on the line */
        private double turned(AlignmentLine l, boolean wide) {
            findings.remove(l);
            level(l);
            double before = mean(l);
            double given = level;
            for (Adjuster a : l.adjusters()) {
                level(l);
                peak(l, a, wide);
            }
            level(l);
            return 20 * Math.log10(mean(l) / level / (before / given));
        }

        /** Turns the generator until something is heard, and down again before the AVC takes part. */
        private void level(AlignmentLine l) {
            while (level < STRONGEST && mean(l) < LITTLE) level *= STEP;
            while (level > 1 / STRONGEST && mean(l) > ENOUGH) level /= STEP;
        }

        List<AlignmentLine> findings() {
            return findings;
        }

        private double mean(AlignmentLine l) {
            return DoubleStream.generate(() -> set.read(l, l.dial().orElse(0.0), level))
                    .limit(4)
                    .average()
                    .orElseThrow();
        }

        /** Through all of its travel at first, then in smaller and smaller steps about the highest. */
        private void peak(AlignmentLine l, Adjuster a, boolean wide) {
            double best = set.stands(a);
            double top = read(l, a, best);
            for (int n = 0; wide && n < COARSE; n++) {
                double at = -1 + 2.0 * n / (COARSE - 1);
                double is = read(l, a, at);
                if (is > top) {
                    top = is;
                    best = at;
                }
            }
            for (double step = wide ? 2.0 / COARSE : NARROW; step > FINE; step /= 2) {
                // what looked highest is read again: a lucky reading is none twice
                double middle = twice(l, a, best);
                double below = twice(l, a, best - step);
                double above = twice(l, a, best + step);
                if (Math.max(below, above) > middle)
                    best = Math.max(-1, Math.min(1, best + (above > below ? step : -step)));
            }
            set.turn(a, best);
            if (Math.abs(best) > END && !findings.contains(l)) findings.add(l);
        }

        private double twice(AlignmentLine l, Adjuster a, double at) {
            return (read(l, a, at) + read(l, a, at)) / 2;
        }

        private double read(AlignmentLine l, Adjuster a, double at) {
            set.turn(a, at);
            return set.read(l, l.dial().orElse(0.0), level);
        }
    }
}
