package anabion.core.circuit;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Deque;
import java.util.Optional;

/**
 * What a device draws at the volts that Newton's method tries. Most devices of a set stand where they stood: near the point at which a law was last
 * worked out its tangent serves (bypass; Nagel, SPICE2, 1975), and where a search begins at the volts of an earlier one nothing is worked out again.
 */
final class DeviceState {
    /**
     * So near, in volts at each terminal, a law is its tangent, wherever these stand: of a junction, the steepest of all, (2·3 µV / 25 mV)² / 2 or 3·10⁻⁸ of
     * its current are neglected, less than what a balance leaves.
     */
    private static final double NEAR = 3e-6;

    private static final double STEP = 1e-6;
    /** A few kinds of search take turns, with and without a carrier, with and without a meter. */
    private static final int STARTS = 4;

    private final Element.Device device;
    private final int[] nodes;
    private final double[] volts;
    private final double[] amperes;
    private final double[] shifted;
    /** Where searches began, the last first. */
    private final Deque<Point> starts = new ArrayDeque<>();
    /** Where the law was last worked out in this search. */
    private Optional<Point> last = Optional.empty();

    /** The law at some volts: its currents and its slopes, of the current of one terminal against the volts of another, row by row. */
    private static final class Point {
        private final double[] volts;
        private final double[] amperes;
        private final double[] siemens;

        Point(double[] volts, double[] amperes, double[] siemens) {
            this.volts = volts;
            this.amperes = amperes;
            this.siemens = siemens;
        }
    }

    DeviceState(Element.Device device) {
        this.device = device;
        this.nodes = device.nodes().stream().mapToInt(Integer::intValue).toArray();
        this.volts = new double[nodes.length];
        this.amperes = new double[nodes.length];
        this.shifted = new double[nodes.length];
    }

    /** Whether it is the same device between the same nodes. */
    boolean isOf(Element.Device other) {
        return device.name().equals(other.name()) && device.equals(other);
    }

    int[] nodes() {
        return nodes;
    }

    /** For another search: what was worked out where others began may be of use again. */
    DeviceState again() {
        last = Optional.empty();
        return this;
    }

    /** Works out its currents at a state, and with {@code slopes} these too. */
    void look(double[] x, boolean slopes) {
        for (int t = 0; t < nodes.length; t++) volts[t] = nodes[t] < 0 ? 0 : x[nodes[t]];
        if (last.isEmpty() && slopes) last = Optional.of(start());
        if (last.isPresent() && isNear(last.get())) along(last.get());
        else {
            device.law().currents(volts, amperes);
            if (slopes) last = Optional.of(point());
        }
    }

    private Point start() {
        Optional<Point> known =
                starts.stream().filter(p -> Arrays.equals(p.volts, volts)).findFirst();
        known.ifPresent(starts::remove);
        Point start = known.orElseGet(() -> {
            device.law().currents(volts, amperes);
            return point();
        });
        starts.addFirst(start);
        if (starts.size() > STARTS) starts.removeLast();
        return start;
    }

    double amperes(int terminal) {
        return amperes[terminal];
    }

    /** By how much the current into one terminal rises with the volts of another, after a look at the slopes. */
    double siemens(int of, int with) {
        return last.orElseThrow().siemens[of * nodes.length + with];
    }

    private boolean isNear(Point p) {
        for (int t = 0; t < nodes.length; t++) if (!(Math.abs(volts[t] - p.volts[t]) <= NEAR)) return false;
        return true;
    }

    private void along(Point p) {
        int n = nodes.length;
        for (int r = 0; r < n; r++) {
            double i = p.amperes[r];
            for (int t = 0; t < n; t++) i += p.siemens[r * n + t] * (volts[t] - p.volts[t]);
            amperes[r] = i;
        }
    }

    private Point point() {
        int n = nodes.length;
        double[] siemens = new double[n * n];
        for (int t = 0; t < n; t++) {
            if (nodes[t] < 0) continue; // the reference does not move
            double at = volts[t];
            double h = STEP * Math.max(1, Math.abs(at));
            volts[t] = at + h;
            device.law().currents(volts, shifted);
            volts[t] = at;
            for (int r = 0; r < n; r++) siemens[r * n + t] = (shifted[r] - amperes[r]) / h;
        }
        return new Point(volts.clone(), amperes.clone(), siemens);
    }
}
