package anabion.core.align;

import anabion.core.chassis.Adjuster;
import anabion.core.chassis.Chassis;
import anabion.core.chassis.Component.Capacitor;
import anabion.core.chassis.Part;
import anabion.core.chassis.TuningRange;
import anabion.core.signal.FrontEnd;
import anabion.core.signal.FrontEnd.Circuit;
import anabion.core.signal.FrontEnd.Turned;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What a dial's errors say about the oscillator: how far its adjusters are off, and what will be left when they are turned back.
 *
 * <p>Method: least squares of the heard frequencies in the adjusters that there are (Gauss and Newton); at the low end a padder, else the core, at the
 * high end the trimmer. Turns are those of usual parts ({@link Travel}).
 *
 * @param turns in the order of the work
 * @param points from which it was told, the lowest first
 * @param before errors of the dial at the points, in hertz: heard less shown
 * @param after errors at the points that will be left
 * @param found how far the adjusters are off
 */
public record TrackingAdvice(
        List<Turn> turns, List<Point> points, List<Double> before, List<Double> after, Turned found) {
    private static final int STEPS = 40;
    private static final double NUDGE = 1e-4;
    /** Picofarads of a nudge of the trimmer. */
    private static final double PICO = 1e-14;
    /** The longest step of the fit. */
    private static final double MOST_SHARE = 0.05;

    private static final double MOST_FARADS = 5e-12;
    /** Share of the dial by which two stations must lie apart to tell of both ends. */
    private static final double APART = 0.1;
    /** A turn that no hand makes. */
    private static final double LEAST = 0.005;

    private static final double HALF = 0.5;

    /** Which way. */
    public enum Way {
        /** More inductance or capacitance: clockwise on most parts. */
        IN,
        OUT
    }

    /**
     * @param adjuster empty where no adjuster is entered for what is off
     * @param part the coil, trimmer or padder
     * @param change to be made: of a core or padder a share of its value, of a trimmer farads
     * @param reached whether its travel goes so far
     */
    public record Turn(Optional<Adjuster> adjuster, Part part, Way way, double turns, double change, boolean reached) {}

    /** One station: where the dial stands, and what is heard there, in hertz. */
    public record Point(double dial, double heard) {}

    /** Which of the points lies farthest off. */
    public int worst() {
        int worst = 0;
        for (int n = 1; n < before.size(); n++) if (Math.abs(before.get(n)) > Math.abs(before.get(worst))) worst = n;
        return worst;
    }

    public TrackingAdvice {
        turns = List.copyOf(turns);
        points = List.copyOf(points);
        before = List.copyOf(before);
        after = List.copyOf(after);
    }

    /** @param stations one or more within the dial's range */
    public static TrackingAdvice of(Chassis chassis, FrontEnd frontEnd, List<Point> stations) {
        List<Point> points = stations.stream()
                .sorted(Comparator.comparingDouble(Point::dial))
                .toList();
        Circuit oscillator = frontEnd.circuits().get(0);
        Optional<Adjuster> padder = adjuster(chassis, oscillator.padder());
        Optional<Adjuster> core = chassis.adjusters().stream()
                .filter(a -> a.turns(oscillator.coil(), oscillator.winding()))
                .findFirst();
        Optional<Adjuster> trimmer = adjuster(chassis, oscillator.trimmer());
        boolean byPadder = padder.isPresent();
        boolean atLow = byPadder || core.isPresent() || trimmer.isEmpty();
        boolean atHigh = trimmer.isPresent();
        // stations at one place of the dial tell of one adjuster: of that of their end
        TuningRange range = frontEnd.range();
        boolean apart =
                points.get(points.size() - 1).dial() - points.get(0).dial() > APART * (range.high() - range.low());
        boolean upper = points.get(0).dial() > range.at(HALF);
        boolean low = atLow && (apart || !upper || !atHigh);
        boolean high = atHigh && (apart || upper || !atLow);
        double[] off = fitted(frontEnd, points, byPadder, low, high);
        Turned now = turned(off, byPadder);
        List<Turn> turns = new ArrayList<>();
        double first = 1 / (1 + off[0]) - 1;
        if (low && byPadder) turns.add(turn(padder, oscillator.padder().orElseThrow(), first, first, Travel.PADDER));
        else if (low) turns.add(turn(core, oscillator.coil(), first, first, Travel.CORE));
        if (high) {
            Part part = oscillator.trimmer().orElseThrow();
            double span = ((Capacitor) part.component()).farads().get(0);
            turns.add(turn(trimmer, part, -off[1], -off[1] / span, Travel.TRIMMER));
        }
        var heard = frontEnd.receives(now);
        return new TrackingAdvice(
                turns.stream().filter(t -> t.turns() > LEAST).toList(),
                points,
                points.stream().map(p -> p.heard() - p.dial()).toList(),
                points.stream().map(p -> p.heard() - heard.apply(p.dial())).toList(),
                now);
    }

    private static Optional<Adjuster> adjuster(Chassis chassis, Optional<Part> part) {
        return chassis.adjusters().stream().filter(a -> a.turns(part)).findFirst();
    }

    private static Turn turn(Optional<Adjuster> adjuster, Part part, double change, double share, Travel travel) {
        return new Turn(
                adjuster,
                part,
                change > 0 ? Way.IN : Way.OUT,
                Math.abs(travel.turns(share)),
                change,
                adjuster.isPresent() && Math.abs(share) <= travel.reach());
    }

    private static Turned turned(double[] off, boolean byPadder) {
        return byPadder ? new Turned(1, off[1], 1 + off[0]) : new Turned(1 + off[0], off[1], 1);
    }

    /** How far padder or core (a share) and trimmer (farads) are off. */
    private static double[] fitted(FrontEnd frontEnd, List<Point> points, boolean byPadder, boolean low, boolean high) {
        double[] off = {0, 0};
        for (int n = 0; n < STEPS; n++) {
            double[] errors = errors(frontEnd, points, turned(off, byPadder));
            double[] a = low ? slope(frontEnd, points, errors, off, 0, NUDGE, byPadder) : new double[points.size()];
            double[] b = high ? slope(frontEnd, points, errors, off, 1, PICO, byPadder) : new double[points.size()];
            double[] step = step(a, b, errors);
            if (!Double.isFinite(step[0] + step[1])) return off;
            double share = Math.min(1, Math.min(MOST_SHARE / Math.abs(step[0]), MOST_FARADS / Math.abs(step[1])));
            off[0] += share * step[0];
            off[1] += share * step[1];
            if (Math.abs(step[0]) < 1e-7 && Math.abs(step[1]) < 1e-17) return off;
        }
        return off;
    }

    /** Heard less computed. */
    private static double[] errors(FrontEnd frontEnd, List<Point> points, Turned turned) {
        var heard = frontEnd.receives(turned);
        return points.stream()
                .mapToDouble(p -> p.heard() - heard.apply(p.dial()))
                .toArray();
    }

    private static double[] slope(
            FrontEnd frontEnd,
            List<Point> points,
            double[] errors,
            double[] off,
            int which,
            double nudge,
            boolean byPadder) {
        double[] moved = off.clone();
        moved[which] += nudge;
        double[] there = errors(frontEnd, points, turned(moved, byPadder));
        double[] slope = new double[errors.length];
        for (int k = 0; k < slope.length; k++) slope[k] = (errors[k] - there[k]) / nudge;
        return slope;
    }

    /** Least squares in one or two unknowns by the normal equations; a column of zeros stays where it is. */
    private static double[] step(double[] a, double[] b, double[] e) {
        double aa = dot(a, a);
        double ab = dot(a, b);
        double bb = dot(b, b);
        double ae = dot(a, e);
        double be = dot(b, e);
        if (bb == 0) return new double[] {aa == 0 ? 0 : ae / aa, 0};
        if (aa == 0) return new double[] {0, be / bb};
        double determinant = aa * bb - ab * ab;
        return new double[] {(ae * bb - be * ab) / determinant, (be * aa - ae * ab) / determinant};
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int k = 0; k < a.length; k++) sum += a[k] * b[k];
        return sum;
    }
}
