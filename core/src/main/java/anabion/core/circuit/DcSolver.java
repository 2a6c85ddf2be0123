package anabion.core.circuit;

import java.util.Optional;

/**
 * Finds the direct-current operating point of a circuit.
 *
 * <p>Method: modified nodal analysis (Ho, Ruehli and Brennan, 1975) with Newton's method. A step is cut so that no net moves more
 * than {@link #MOST} volts at once, then halved while the imbalance grows more than {@link #GROWTH}-fold, {@link #HALVINGS} times at most. Where that fails, a
 * conductance from every net to the reference is added and taken away by tens, or less where a step is too much (gmin stepping); where that fails too, all sources
 * are raised from nothing (source stepping). Both are as in Nagel, SPICE2, 1975.
 *
 * <p>It fails when every attempt ends without settling: the answer then says {@code converged = false}, keeps the best state found
 * and names the nets that still moved or whose currents did not balance. A circuit with a net that nothing holds does not fail: a
 * picosiemens ties every net to the reference.
 *
 * <p>Not for several threads at once: it keeps its work space between calls.
 */
public final class DcSolver {
    /** Ties every net to the reference, in siemens: 1 TΩ, above any insulation that matters. */
    public static final double LEAST = 1e-12;
    /** The largest change of a net in one iteration, in volts. */
    private static final double MOST = 120;

    /** Laws of tubes are so mild that a full step may raise the imbalance and still be the right one; beyond this it is halved. */
    private static final double GROWTH = 3;

    private static final int HALVINGS = 6;
    private static final int ITERATIONS = 80;
    /** Smaller steps of the conductance lead nowhere. */
    private static final double LITTLE = 1.2;

    private Optional<MnaSystem> system = Optional.empty();

    /** Solves from nothing. */
    public Solution solve(Circuit circuit) {
        return solve(circuit, new double[0]);
    }

    /** @param start unknowns of a solution of this or a similar circuit; what it lacks starts at zero */
    public Solution solve(Circuit circuit, double[] start) {
        MnaSystem s = system.filter(k -> k.fits(circuit)).orElseGet(() -> new MnaSystem(circuit));
        system = Optional.of(s);
        s.load(circuit);
        double[] x = new double[s.size()];
        System.arraycopy(start, 0, x, 0, Math.min(start.length, x.length));
        Attempt first = newton(s, x, LEAST, 1);
        if (first.settled()) return s.solution(x, true, first.iterations());
        int used = first.iterations();
        double[] stepped = new double[s.size()];
        Attempt byGmin = gminSteps(s, stepped);
        used += byGmin.iterations();
        if (byGmin.settled()) return s.solution(stepped, true, used);
        double[] raised = new double[s.size()];
        Attempt bySource = sourceSteps(s, raised);
        used += bySource.iterations();
        return s.solution(raised, bySource.settled(), used);
    }

    private record Attempt(boolean settled, int iterations) {}

    /** By tens; where that is too much at once, by less. */
    private static Attempt gminSteps(MnaSystem s, double[] x) {
        int used = 0;
        double held = 1;
        double factor = 100;
        while (held > LEAST && factor > LITTLE) {
            double[] before = x.clone();
            double next = Math.max(LEAST, held / factor);
            Attempt a = newton(s, x, next, 1);
            used += a.iterations();
            if (a.settled()) {
                held = next;
                factor = Math.min(10, factor * factor);
            } else {
                System.arraycopy(before, 0, x, 0, x.length);
                factor = Math.sqrt(factor);
            }
        }
        return new Attempt(held <= LEAST, used);
    }

    private static Attempt sourceSteps(MnaSystem s, double[] x) {
        int used = 0;
        double reached = 0;
        double step = 0.1;
        while (reached < 1 && step > 1e-3) {
            double[] before = x.clone();
            double next = Math.min(1, reached + step);
            Attempt a = newton(s, x, LEAST, next);
            used += a.iterations();
            if (a.settled()) {
                reached = next;
                step *= 1.5;
            } else {
                System.arraycopy(before, 0, x, 0, x.length);
                step /= 2;
            }
        }
        return new Attempt(reached >= 1, used);
    }

    private static Attempt newton(MnaSystem s, double[] x, double gmin, double sources) {
        double norm = s.evaluate(x, gmin, sources, true);
        for (int n = 1; n <= ITERATIONS; n++) {
            if (!s.step()) return new Attempt(false, n);
            double largest = s.limit(MOST);
            double taken = 1;
            double after = s.advance(x, taken, gmin, sources);
            // an imbalance of one is the tolerance itself: halving cannot better it
            for (int h = 0; h < HALVINGS && after > GROWTH * norm && after > 1; h++) {
                taken /= 2;
                after = s.advance(x, taken, gmin, sources);
            }
            s.accept(x, taken);
            // the balance is known of this state; its slopes are dear, and the last state needs none
            if (largest * taken < 1 && s.settled(x, taken)) return new Attempt(true, n);
            norm = s.evaluate(x, gmin, sources, true);
        }
        return new Attempt(false, ITERATIONS);
    }
}
