package anabion.desktop.control;

import anabion.core.align.Alignment.DialError;
import anabion.core.align.TrackingAdvice.Point;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Series;
import anabion.core.signal.FmDetector;
import anabion.core.signal.Gains.Response;
import java.util.ArrayList;
import java.util.List;

/** A drawing of an alignment: selectivity in decibels against frequency, the error of the dial along it, or the curve of an FM detector. */
public final class AlignmentView extends Plot {
    private static final double LEFT = 44;
    private static final double RIGHT = 12;
    private static final double TOP = 8;
    private static final double BOTTOM = 24;
    private static final double DEEP = 60;
    private static final int MARKS = 4;
    private static final double KILO = 1e3;
    private static final double MEGA = 1e6;

    private List<double[]> curve = List.of();
    private List<double[]> points = List.of();
    /** What was read first: dashed. */
    private List<double[]> before = List.of();
    /** What was read last. */
    private List<double[]> now = List.of();

    private double from;
    private double to = 1;
    private double low;
    private double high = 1;
    private int lines = 1;

    public AlignmentView() {
        super(LEFT, RIGHT, TOP, BOTTOM);
        setMinSize(160, 0);
    }

    /**
     * Decibels below the highest.
     *
     * @param response of the aligned set
     * @param found as it was read first, {@code last} as it was read last; both may be empty
     */
    public void selectivity(List<Response> response, List<Response> found, List<Response> last) {
        before = decibels(found);
        now = decibels(last);
        curve = response.stream()
                .filter(r -> r.decibels() > -DEEP)
                .map(r -> new double[] {r.hertz(), r.decibels()})
                .toList();
        points = List.of();
        low = -DEEP;
        high = 0;
        lines = 3;
        span(response.isEmpty() ? 0 : response.get(0).hertz(), response.isEmpty() ? 1 : last(response));
    }

    private static List<double[]> decibels(List<Response> all) {
        return all.stream()
                .map(r -> new double[] {r.hertz(), Math.max(-DEEP, r.decibels())})
                .toList();
    }

    /** Shares of the highest volts, through zero; otherwise as {@link #selectivity}. */
    public void detector(List<FmDetector.Place> computed, List<FmDetector.Place> found, List<FmDetector.Place> last) {
        curve = shares(computed);
        before = shares(found);
        now = shares(last);
        points = List.of();
        low = -1;
        high = 1;
        lines = 4;
        span(
                computed.isEmpty() ? 0 : computed.get(0).hertz(),
                computed.isEmpty() ? 1 : computed.get(computed.size() - 1).hertz());
    }

    private static List<double[]> shares(List<FmDetector.Place> all) {
        return all.stream().map(p -> new double[] {p.hertz(), p.share()}).toList();
    }

    private static double last(List<Response> response) {
        return response.get(response.size() - 1).hertz();
    }

    /** What the dial is off, and the stations from which it is known; in kilohertz. */
    public void tracking(double lowest, double highest, List<DialError> errors, List<Point> stations) {
        before = List.of();
        now = List.of();
        curve = errors.stream()
                .map(e -> new double[] {e.dial(), e.error() / KILO})
                .toList();
        points = stations.stream()
                .map(p -> new double[] {p.dial(), (p.heard() - p.dial()) / KILO})
                .toList();
        double most = 1;
        for (double[] p : curve) most = Math.max(most, Math.abs(p[1]));
        for (double[] p : points) most = Math.max(most, Math.abs(p[1]));
        high = Series.AXIS.atOrAbove(most);
        low = -high;
        lines = 4;
        span(lowest, highest);
    }

    private void span(double first, double last) {
        from = first;
        to = Math.max(first + 1, last);
        draw();
    }

    @Override
    double across() {
        return to - from;
    }

    @Override
    double upward() {
        return high - low;
    }

    @Override
    void draw() {
        getChildren().clear();
        if (getWidth() < LEFT + RIGHT + 60 || getHeight() < TOP + BOTTOM + 30) return;
        boolean mega = from >= 3 * MEGA;
        for (int n = 0; n <= lines; n++) {
            double value = upward() * n / lines;
            line("curve-grid", 0, value, across(), value);
            beside(signed(low + value), value);
        }
        for (int n = 0; n <= MARKS; n++) {
            double value = across() * (n + 0.5) / (MARKS + 1);
            double hertz = from + value;
            below(mega ? Figures.fixed(hertz / MEGA, 1) : Figures.fixed(hertz / KILO, 0), value);
        }
        through(curve, now.isEmpty() ? "curve" : "curve-thin");
        through(before, "curve-before");
        through(now, "curve");
        marks(now);
        marks(points);
    }

    private void through(List<double[]> all, String style) {
        List<Double> pixels = new ArrayList<>();
        for (double[] p : all) if (p[0] >= from && p[0] <= to) pixels.addAll(List.of(x(p[0] - from), y(p[1] - low)));
        if (pixels.size() > 2) polyline(style, pixels);
    }

    private void marks(List<double[]> all) {
        for (double[] p : all) {
            if (p[0] < from || p[0] > to) continue;
            reading(x(p[0] - from), y(p[1] - low));
        }
    }

    private String signed(double value) {
        String text = Figures.fixed(Math.abs(value), Math.abs(value) < 3 && value != 0 ? 1 : 0);
        return value == 0 ? "0" : value < 0 ? "−" + text : low < 0 && high > 0 ? "+" + text : text;
    }
}
