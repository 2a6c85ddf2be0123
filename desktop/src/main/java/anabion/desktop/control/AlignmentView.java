package anabion.desktop.control;

import anabion.core.align.Alignment.DialError;
import anabion.core.align.TrackingAdvice.Point;
import anabion.core.quantity.Figures;
import anabion.core.signal.Gains.Response;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.shape.Polygon;

/** One of the two drawings of an alignment: selectivity in decibels against frequency, or the error of the dial along it. */
public final class AlignmentView extends Plot {
    private static final double LEFT = 44;
    private static final double RIGHT = 12;
    private static final double TOP = 8;
    private static final double BOTTOM = 24;
    private static final double DEEP = 60;
    private static final int MARKS = 4;
    private static final double HALF = 5;
    private static final double KILO = 1e3;
    private static final double MEGA = 1e6;

    private List<double[]> curve = List.of();
    private List<double[]> points = List.of();
    private double from;
    private double to = 1;
    private double low;
    private double high = 1;
    private int lines = 1;

    public AlignmentView() {
        super(LEFT, RIGHT, TOP, BOTTOM);
        setMinSize(160, 0);
    }

    /** Decibels below the highest. */
    public void selectivity(List<Response> response) {
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

    private static double last(List<Response> response) {
        return response.get(response.size() - 1).hertz();
    }

    /** What the dial is off, and the stations from which it is known; in kilohertz. */
    public void tracking(double lowest, double highest, List<DialError> errors, List<Point> stations) {
        curve = errors.stream()
                .map(e -> new double[] {e.dial(), e.error() / KILO})
                .toList();
        points = stations.stream()
                .map(p -> new double[] {p.dial(), (p.heard() - p.dial()) / KILO})
                .toList();
        double most = 1;
        for (double[] p : curve) most = Math.max(most, Math.abs(p[1]));
        for (double[] p : points) most = Math.max(most, Math.abs(p[1]));
        high = round(most);
        low = -high;
        lines = 4;
        span(lowest, highest);
    }

    private void span(double first, double last) {
        from = first;
        to = Math.max(first + 1, last);
        draw();
    }

    /** The next of 1, 2, 5, 10, … */
    private static double round(double value) {
        double step = Math.pow(10, Math.floor(Math.log10(value)));
        for (double factor : new double[] {1, 2, 5}) if (value <= factor * step) return factor * step;
        return 10 * step;
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
        List<Double> pixels = new ArrayList<>();
        for (double[] p : curve) pixels.addAll(List.of(x(p[0] - from), y(p[1] - low)));
        if (pixels.size() > 2) polyline("curve", pixels);
        for (double[] p : points) {
            double x = x(p[0] - from);
            double y = y(p[1] - low);
            Polygon mark = new Polygon(x, y - HALF, x - HALF, y + HALF, x + HALF, y + HALF);
            mark.getStyleClass().add("curve-point");
            getChildren().add(mark);
        }
    }

    private String signed(double value) {
        String text = Figures.fixed(Math.abs(value), Math.abs(value) < 3 && value != 0 ? 1 : 0);
        return value == 0 ? "0" : value < 0 ? "−" + text : low < 0 && high > 0 ? "+" + text : text;
    }
}
