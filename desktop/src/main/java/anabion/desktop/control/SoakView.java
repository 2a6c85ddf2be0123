package anabion.desktop.control;

import anabion.core.quantity.Figures;
import java.util.ArrayList;
import java.util.List;

/** A drawing of what wanders over hours, with its limits and what happened. */
public final class SoakView extends Plot {
    private static final double LEFT = 40;
    private static final double RIGHT = 12;
    private static final double TOP = 8;
    private static final double BOTTOM = 24;
    /** Room beyond the outermost limit. */
    private static final double BEYOND = 1.3;

    private static final double[] FACTORS = {1, 2, 4, 6, 8};

    private static final int LINES = 4;
    private static final int MOST_MARKS = 8;

    private List<Place> points = List.of();
    private List<Double> limits = List.of();
    private List<Double> events = List.of();
    private double hours = 1;
    private double low;
    private double high = 1;

    public SoakView() {
        super(LEFT, RIGHT, TOP, BOTTOM);
        setMinSize(160, 0);
    }

    /** One reading: after how many hours, and what. */
    public record Place(double hours, double value) {}

    /**
     * @param limits one or two values that it should keep within
     * @param events after how many hours something happened
     * @param length hours that are drawn
     */
    public void show(List<Place> points, List<Double> limits, List<Double> events, double length) {
        this.points = points;
        this.limits = limits;
        this.events = events;
        hours = Math.max(0.1, length);
        high = BEYOND * limits.stream().mapToDouble(v -> v).max().orElse(1);
        low = BEYOND * Math.min(0, limits.stream().mapToDouble(v -> v).min().orElse(0));
        for (Place p : points) {
            high = Math.max(high, p.value());
            low = Math.min(low, p.value());
        }
        high = round(high);
        low = -round(-low);
        draw();
    }

    /** The next that the eye divides by four. */
    private static double round(double value) {
        if (value <= 0) return 0;
        double step = Math.pow(10, Math.floor(Math.log10(value)));
        for (double factor : FACTORS) if (value <= factor * step) return factor * step;
        return 10 * step;
    }

    @Override
    double across() {
        return hours;
    }

    @Override
    double upward() {
        return high - low;
    }

    @Override
    void draw() {
        getChildren().clear();
        if (getWidth() < LEFT + RIGHT + 60 || getHeight() < TOP + BOTTOM + 30) return;
        for (int n = 0; n <= LINES; n++) {
            double value = upward() * n / LINES;
            line("curve-grid", 0, value, hours, value);
            beside(Figures.fixed(low + value, high - low < 10 ? 1 : 0), value);
        }
        int step = (int) Math.max(1, Math.ceil(hours / MOST_MARKS));
        for (int h = step; h <= hours; h += step) below(h + " h", h);
        limits.forEach(v -> line("curve-limit", 0, v - low, hours, v - low));
        events.forEach(h -> line("curve-limit", h, 0, h, upward()));
        List<Double> pixels = new ArrayList<>();
        points.forEach(p -> pixels.addAll(List.of(x(p.hours()), y(p.value() - low))));
        if (pixels.size() > 2) polyline("curve", pixels);
        points.forEach(p -> reading(x(p.hours()), y(p.value() - low)));
    }
}
