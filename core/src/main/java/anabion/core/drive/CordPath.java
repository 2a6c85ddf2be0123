package anabion.core.drive;

import anabion.core.error.InputException;
import anabion.core.job.CordRun;
import anabion.core.job.CordRun.Pass;
import anabion.core.job.CordRun.Turning;
import anabion.core.job.CordRun.Wheel;
import java.util.ArrayList;
import java.util.List;

/**
 * The way of a cord: straight pieces that are tangents of the wheels, and arcs around them.
 *
 * <p>Method: the middle of the cord runs at the wheel's radius and half the cord's own. Between two wheels whose centres lie d apart the straight piece turns from the line of centres by the
 * angle whose sine is (r₂ − r₁)/d, radii counted positive where the cord goes around counterclockwise; its length is √(d² − (r₂ − r₁)²). (Plane geometry.)
 *
 * @param straights between one wheel and the next
 * @param arcs around each wheel, the first and the last from or to where the cord is made fast
 */
public record CordPath(CordRun run, List<Straight> straights, List<Arc> arcs) {
    private static final double WHOLE = 2 * Math.PI;
    /** Radians of an arc that are drawn as straight. */
    private static final double FINE = 0.1;

    /** From one point to another, in millimetres. */
    public record Straight(double fromX, double fromY, double toX, double toY) {
        public double length() {
            return Math.hypot(toX - fromX, toY - fromY);
        }
    }

    /**
     * Around a wheel.
     *
     * @param radius of the cord's middle
     * @param from direction from the centre to where it begins, in radians counterclockwise from the right
     * @param angle how far it goes around, in radians; positive counterclockwise
     */
    public record Arc(Wheel wheel, double radius, double from, double angle) {
        public double length() {
            return radius * Math.abs(angle);
        }

        /** How often it goes around. */
        public double turns() {
            return Math.abs(angle) / WHOLE;
        }
    }

    public CordPath {
        straights = List.copyOf(straights);
        arcs = List.copyOf(arcs);
    }

    /**
     * @throws InputException if the run has fewer than two passes, names a wheel that is not there, or has wheels one inside the other
     */
    public static CordPath of(CordRun run) {
        if (run.passes().size() < 2)
            throw InputException.at(run.name())
                    .because("a cord goes around two wheels at least")
                    .so("type the wheels, then run D@0 cw, P1 cw, D@180 cw");
        List<Wheel> wheels = new ArrayList<>();
        for (Pass p : run.passes())
            wheels.add(run.wheel(p.wheel()).orElseThrow(() -> InputException.at(p.wheel())
                    .because("there is no wheel of that name")
                    .so("type it first, like pulley " + p.wheel() + " 12 at 150 40")));
        int n = wheels.size();
        double[] headings = new double[n - 1];
        List<Straight> straights = new ArrayList<>();
        for (int k = 0; k < n - 1; k++) {
            Wheel a = wheels.get(k);
            Wheel b = wheels.get(k + 1);
            double ra = signed(run, k, a);
            double rb = signed(run, k + 1, b);
            double d = Math.hypot(b.x() - a.x(), b.y() - a.y());
            if (d <= Math.abs(rb - ra))
                throw InputException.at(a.name() + " " + b.name())
                        .because("no cord goes straight from one to the other: they are too near")
                        .so("check their places, their diameters and which way around each the cord goes");
            double heading = Math.atan2(b.y() - a.y(), b.x() - a.x()) - Math.asin((rb - ra) / d);
            headings[k] = heading;
            straights.add(new Straight(
                    a.x() + ra * Math.sin(heading),
                    a.y() - ra * Math.cos(heading),
                    b.x() + rb * Math.sin(heading),
                    b.y() - rb * Math.cos(heading)));
        }
        List<Arc> arcs = new ArrayList<>();
        for (int k = 0; k < n; k++) {
            Pass pass = run.passes().get(k);
            double sign = sign(pass);
            double in = k == 0 ? anchored(pass) : touching(headings[k - 1], sign);
            double out = k == n - 1 ? anchored(pass) : touching(headings[k], sign);
            double angle = positive(sign * (out - in));
            angle += WHOLE * Math.max(0, Math.round(pass.turns() - angle / WHOLE));
            arcs.add(new Arc(wheels.get(k), Math.abs(signed(run, k, wheels.get(k))), in, sign * angle));
        }
        return new CordPath(run, straights, arcs);
    }

    private static double signed(CordRun run, int k, Wheel w) {
        return sign(run.passes().get(k)) * (w.diameter() + run.cord()) / 2;
    }

    private static double sign(Pass p) {
        return p.turning() == Turning.COUNTERCLOCKWISE ? 1 : -1;
    }

    /** The direction from the centre to where a straight piece touches: the centre lies to the left of what goes around counterclockwise. */
    private static double touching(double heading, double sign) {
        return heading - sign * Math.PI / 2;
    }

    /** From the clock's degrees. */
    private static double anchored(Pass p) {
        return Math.PI / 2 - Math.toRadians(p.anchor().orElse(0.0));
    }

    /** Within a whole turn; a hair less than none is none. */
    private static double positive(double angle) {
        double within = angle % WHOLE;
        if (within < 0) within += WHOLE;
        return WHOLE - within < 1e-9 ? 0 : within;
    }

    /** The whole way as a line through many points, in millimetres. */
    public List<double[]> points() {
        List<double[]> all = new ArrayList<>();
        for (int k = 0; k < arcs.size(); k++) {
            Arc a = arcs.get(k);
            int steps = (int) Math.ceil(Math.abs(a.angle()) / FINE) + 1;
            for (int n = 0; n <= steps; n++) {
                double at = a.from() + a.angle() * n / steps;
                all.add(new double[] {
                    a.wheel().x() + a.radius() * Math.cos(at), a.wheel().y() + a.radius() * Math.sin(at)
                });
            }
        }
        return all;
    }

    /** Of all straight pieces, in millimetres. */
    public double straight() {
        return straights.stream().mapToDouble(Straight::length).sum();
    }

    /** Of all arcs, in millimetres. */
    public double around() {
        return arcs.stream().mapToDouble(Arc::length).sum();
    }

    /** To be cut: straight pieces, arcs, what leads to hooks and holes, knots; the spring is none of it. */
    public double length() {
        return straight() + around() + run.inside() + run.knots();
    }

    /** By how much the cord moves while the first wheel turns from end to end, in millimetres. */
    public double travel() {
        return arcs.get(0).radius() * Math.toRadians(run.gang());
    }

    /** The diameter of the first wheel with which the pointer would cover the scale; 0 where nobody measured the scale. */
    public double wanted() {
        return run.scale() <= 0 ? 0 : 2 * run.scale() / Math.toRadians(run.gang()) - run.cord();
    }

    /** How often a shaft turns from end to end of the dial. */
    public double turnsOf(Arc shaft) {
        return travel() / (WHOLE * shaft.radius());
    }

    /** How far a spring is stretched, as a share of its length at rest; 0 without one. */
    public double stretch() {
        return run.spring().map(s -> s.stretched() / s.rest() - 1).orElse(0.0);
    }
}
