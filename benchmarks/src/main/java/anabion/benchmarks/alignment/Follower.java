package anabion.benchmarks.alignment;

import anabion.core.align.AlignmentLine;
import anabion.core.align.AlignmentProcedure;
import anabion.core.chassis.Adjuster;
import anabion.core.job.AlignmentPurpose;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;

/** Who follows the sheet: lines, an indicator, stations; never the set itself. */
final class Follower {
    private static final int MOST_PASSES = 5;
    private static final double WORTH_DECIBELS = 0.5;
    private static final int MOST_TURNS = 6;
    private static final int COARSE = 21;
    private static final double NARROW = 0.1;
    private static final double FINE = 0.004;
    private static final double END = 0.985;
    /** Share of the loudness that an ear calls clearly softer. */
    private static final double SOFTER = 0.6;

    /** Share at the end of a travel from which on it is as loud there as anywhere. */
    private static final double AS_LOUD = 0.85;

    private static final double EAR_STEP = 0.02;
    private static final int ROUNDS = 2;
    private static final double STRONGEST = 1e5;
    private static final double STEP = 2;
    private static final double LITTLE = 0.3;
    private static final double ENOUGH = 0.8;

    private final HiddenSet set;
    private final AlignmentProcedure procedure;
    private final List<AlignmentLine> findings = new ArrayList<>();
    private final boolean byEar;
    private double level = 1;

    /** @param byEar whether no instrument helps: then the middle between two places where it is clearly softer is taken */
    Follower(HiddenSet set, AlignmentProcedure procedure, boolean byEar) {
        this.set = set;
        this.procedure = procedure;
        this.byEar = byEar;
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
        if (byEar) {
            between(l, a, best);
            return;
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

    /** An ear tells loud from softer, not loud from loudest: to either side until it is clearly softer, and back to the middle. */
    private void between(AlignmentLine l, Adjuster a, double from) {
        double best = from;
        for (int round = 0; round < ROUNDS; round++) {
            // softer again: what is loud has no peak
            set.turn(a, best);
            level(l);
            double loud = (twice(l, a, best) + twice(l, a, best)) / 2;
            double low = edge(l, a, best, -EAR_STEP, loud);
            double high = edge(l, a, best, EAR_STEP, loud);
            boolean below = low <= -1 && twice(l, a, -1) > AS_LOUD * loud;
            boolean above = high >= 1 && twice(l, a, 1) > AS_LOUD * loud;
            best = below == above ? (low + high) / 2 : below ? -1 : 1;
            set.turn(a, best);
            if (below == above) continue;
            if (!findings.contains(l)) findings.add(l);
            return;
        }
    }

    private double edge(AlignmentLine l, Adjuster a, double from, double step, double loud) {
        double at = from;
        while (Math.abs(at) < 1 && twice(l, a, at) > SOFTER * loud) at = Math.max(-1, Math.min(1, at + step));
        return at;
    }

    private double twice(AlignmentLine l, Adjuster a, double at) {
        return (read(l, a, at) + read(l, a, at)) / 2;
    }

    private double read(AlignmentLine l, Adjuster a, double at) {
        set.turn(a, at);
        return set.read(l, l.dial().orElse(0.0), level);
    }
}
