package anabion.desktop.control;

import anabion.core.device.model.Curves;
import anabion.core.quantity.Figures;
import anabion.core.signal.PlateCircuit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;

/** Output curves with the limit of dissipation, and in a set its load lines and the point at which it works. */
public final class CurveView extends Plot {
    private static final double LEFT = 52;
    private static final double BOTTOM = 34;
    private static final double TOP = 14;
    private static final double RIGHT = 58;
    private static final int GRID = 4;
    private static final double LINE = 14;
    private static final int WATT_POINTS = 60;

    private Optional<Curves> curves = Optional.empty();
    private Optional<PlateCircuit> working = Optional.empty();
    private double watts;
    /** Where the last curve carries its name: another so near has none. */
    private double named;

    public CurveView() {
        super(LEFT, RIGHT, TOP, BOTTOM);
        setMinSize(220, 160);
    }

    /**
     * Draws a family of curves.
     *
     * @param limit watts that the plate bears; 0 for not known
     * @param set how it works in the set on the bench
     */
    public void show(Curves family, double limit, Optional<PlateCircuit> set) {
        curves = Optional.of(family);
        watts = limit;
        working = set;
        draw();
    }

    @Override
    void draw() {
        getChildren().clear();
        if (curves.isEmpty() || getWidth() < LEFT + RIGHT + 40) return;
        axes(curves.get());
        named = Double.NEGATIVE_INFINITY;
        curves.get().curves().forEach(this::curve);
        if (watts > 0 && curves.get().stepped() != Curves.Stepped.NOTHING) limit();
        working.ifPresent(this::working);
    }

    @Override
    double across() {
        return curves.orElseThrow().volts();
    }

    @Override
    double upward() {
        return curves.orElseThrow().amperes();
    }

    private void axes(Curves c) {
        for (int n = 0; n <= GRID; n++) {
            double v = c.volts() * n / GRID;
            double a = c.amperes() * n / GRID;
            line("curve-grid", v, 0, v, c.amperes());
            line("curve-grid", 0, a, c.volts(), a);
            below(trimmed(v) + (n == GRID ? " V" : ""), v);
            beside(trimmed(1000 * a) + (n == GRID ? " mA" : ""), a);
        }
    }

    /** Two digits behind the point at most, and no zeros at the end. */
    private static String trimmed(double value) {
        String text = Figures.fixed(value, Math.abs(value) < 10 ? 2 : 0);
        return text.contains(".") ? text.replaceFirst("\\.?0+$", "") : text;
    }

    private void curve(Curves.Curve c) {
        List<Double> points = new ArrayList<>();
        double lastVolts = 0;
        double lastAmperes = 0;
        for (int n = 0; n < c.volts().size(); n++) {
            double v = c.volts().get(n);
            double a = c.amperes().get(n);
            if (a > curves.orElseThrow().amperes()) {
                if (n > 0 && a > lastAmperes) {
                    double share = (curves.orElseThrow().amperes() - lastAmperes) / (a - lastAmperes);
                    lastVolts += share * (v - lastVolts);
                    lastAmperes = curves.orElseThrow().amperes();
                    points.addAll(List.of(x(lastVolts), y(lastAmperes)));
                }
                break;
            }
            points.addAll(List.of(x(v), y(a)));
            lastVolts = v;
            lastAmperes = a;
        }
        polyline("curve", points);
        String name = name(c.parameter());
        if (name.isEmpty() || Math.abs(y(lastAmperes) - named) < LINE) return;
        named = y(lastAmperes);
        Label label = add(Texts.label(name, "petrol", "small"));
        label.autosize();
        boolean end = lastVolts >= 0.999 * curves.orElseThrow().volts();
        label.relocate(
                Math.min(getWidth() - RIGHT + 4, x(lastVolts) + (end ? 4 : -14)),
                end ? y(lastAmperes) - label.prefHeight(-1) / 2 : y(lastAmperes) - 15);
    }

    private String name(double parameter) {
        return switch (curves.orElseThrow().stepped()) {
            case GRID_VOLTS, GATE_VOLTS -> trimmed(parameter).replace('-', '−') + " V";
            case BASE_AMPERES -> trimmed(1e6 * parameter) + " µA";
            case NOTHING -> "";
        };
    }

    private void limit() {
        List<Double> points = new ArrayList<>();
        Curves c = curves.orElseThrow();
        double from = watts / c.amperes();
        for (int n = 0; n <= WATT_POINTS && from < c.volts(); n++) {
            double v = from + (c.volts() - from) * n / WATT_POINTS;
            points.addAll(List.of(x(v), y(watts / v)));
        }
        polyline("curve-limit", points);
    }

    private void working(PlateCircuit w) {
        double end = curves.orElseThrow().volts();
        if (w.ohms() > 0) load("curve-load", w, w.ohms(), end);
        w.sound().ifPresent(ohms -> load("curve-sound", w, ohms, end));
        Circle point = new Circle(x(w.volts()), y(w.amperes()), 5);
        point.getStyleClass().add("curve-point");
        getChildren().add(point);
    }

    /** A line of some slope through the working point, from where it leaves the drawing to where no current flows. */
    private void load(String style, PlateCircuit w, double ohms, double end) {
        double most = curves.orElseThrow().amperes();
        double left = Math.max(0, w.volts() - ohms * (most - w.amperes()));
        double right = Math.min(end, w.volts() + ohms * w.amperes());
        line(style, left, w.amperes() + (w.volts() - left) / ohms, right, w.amperes() + (w.volts() - right) / ohms);
    }

    /** The lines of its legend: how each kind of line is drawn and what it is. */
    public static Node sample(String style) {
        Node shape;
        if (style.equals("curve-point")) shape = new Circle(5);
        else shape = new Line(0, 0, 26, 0);
        shape.getStyleClass().add(style);
        return shape;
    }
}
