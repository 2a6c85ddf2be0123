package anabion.desktop.control;

import anabion.core.power.LookAlike;
import anabion.core.power.PowerJudgement;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerReading;
import anabion.core.power.SupplyCurve;
import anabion.core.power.SupplyPoint;
import anabion.core.quantity.Figures;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;

/** The rail, or of a set on batteries its current, against the volts at the set: as it should be with what may be about it, the common faults, and what was read. */
public final class PowerCurveView extends Region {
    private static final double LEFT = 52;
    private static final double BOTTOM = 24;
    private static final double TOP = 8;
    private static final double RIGHT = 112;
    private static final int GRID = 4;
    private static final double NAME = 15;
    private static final double HEADROOM = 1.25;

    private Optional<PowerModel> model = Optional.empty();
    private Map<PowerReading, Boolean> readings = Map.of();
    private double here;
    private Function<LookAlike.Kind, String> names = k -> "";
    private double top = 1;

    public PowerCurveView() {
        setMinSize(200, 0);
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        widthProperty().addListener((o, a, b) -> draw());
        heightProperty().addListener((o, a, b) -> draw());
    }

    /**
     * @param taken those of the rail, or of a current, with volts at the set, and whether each is out
     * @param at volts at the set of the step in hand
     * @param words what the kinds of fault are called
     */
    public void show(
            PowerModel of, Map<PowerReading, Boolean> taken, double at, Function<LookAlike.Kind, String> words) {
        model = Optional.of(of);
        readings = Map.copyOf(taken);
        here = at;
        names = words;
        draw();
    }

    /** All is placed here; a drawing that changed its children while it is laid out would be laid out for ever. */
    @Override
    protected void layoutChildren() {}

    private boolean byRail() {
        return model.orElseThrow().rectified();
    }

    private ToDoubleFunction<SupplyPoint> value() {
        PowerModel m = model.orElseThrow();
        if (!byRail()) return p -> 1000 * p.amperes();
        String net = m.rail().orElseThrow().net();
        return p -> Math.abs(p.rail(net));
    }

    private void draw() {
        getChildren().clear();
        if (model.isEmpty() || getWidth() < LEFT + RIGHT + 60 || getHeight() < TOP + BOTTOM + 40) return;
        PowerModel m = model.get();
        top = Math.max(1e-6, HEADROOM * value().applyAsDouble(m.sound().at(m.nominal())));
        axes(m);
        wash(m);
        // of each kind the worst: it lies farthest from what is right
        Map<LookAlike.Kind, PowerModel.Faulty> worst = new EnumMap<>(LookAlike.Kind.class);
        m.others().forEach(f -> worst.merge(f.what().kind(), f, (a, b) -> off(m, b) > off(m, a) ? b : a));
        List<Double> named = new ArrayList<>();
        worst.values().forEach(f -> alike(f, m, named));
        curve("curve", m.sound());
        Line at = new Line(x(here), TOP, x(here), getHeight() - BOTTOM);
        at.getStyleClass().add("power-here");
        getChildren().add(at);
        readings.forEach(this::point);
    }

    private double off(PowerModel m, PowerModel.Faulty f) {
        double there = value().applyAsDouble(f.curve().at(m.nominal()));
        return Math.abs(there - value().applyAsDouble(m.sound().at(m.nominal())));
    }

    private double x(double volts) {
        PowerModel m = model.orElseThrow();
        return LEFT + (getWidth() - LEFT - RIGHT) * Math.min(volts, m.nominal()) / m.nominal();
    }

    private double y(double value) {
        return getHeight() - BOTTOM - (getHeight() - BOTTOM - TOP) * Math.min(value, top) / top;
    }

    private void axes(PowerModel m) {
        String unit = byRail() ? " V" : " mA";
        double step = step(top);
        for (int n = 0; n * step <= top; n++) {
            Line line = new Line(x(0), y(n * step), x(m.nominal()), y(n * step));
            line.getStyleClass().add("curve-grid");
            getChildren().add(line);
            boolean last = (n + 1) * step > top;
            label(number(n * step) + (last ? unit : ""), 0, y(n * step) - 9, LEFT - 6, true);
        }
        double volts = step(m.nominal());
        for (int n = 0; n * volts <= m.nominal(); n++) {
            boolean last = (n + 1) * volts > m.nominal();
            label(number(n * volts) + (last ? " V" : ""), x(n * volts) - 22, getHeight() - BOTTOM + 3, 44, false);
        }
    }

    /** One, two or five of a power of ten, so that at most {@value #GRID} of them and one more reach the end. */
    private static double step(double end) {
        double ten = Math.pow(10, Math.floor(Math.log10(end / GRID)));
        for (double factor : new double[] {1, 2, 5}) if (end / (factor * ten) <= GRID + 1) return factor * ten;
        return 10 * ten;
    }

    private static String number(double value) {
        return Figures.fixed(value, value > 0 && value < 10 ? 1 : 0);
    }

    private void label(String text, double left, double top, double width, boolean right) {
        Label label = Texts.label(text, "soft", "small");
        label.setAlignment(right ? javafx.geometry.Pos.CENTER_RIGHT : javafx.geometry.Pos.CENTER);
        getChildren().add(label);
        label.applyCss();
        label.resizeRelocate(left, top, width, label.prefHeight(-1));
    }

    private List<SupplyPoint> inside(SupplyCurve c) {
        double nominal = model.orElseThrow().nominal();
        List<SupplyPoint> all = new ArrayList<>(
                c.points().stream().filter(p -> p.volts() < nominal).toList());
        all.add(c.at(nominal));
        return all;
    }

    private void wash(PowerModel m) {
        Polygon wash = new Polygon();
        List<Double> back = new ArrayList<>();
        for (SupplyPoint p : inside(m.sound())) {
            double value = value().applyAsDouble(p);
            double half = 2 * PowerJudgement.spread(m, p.volts(), !byRail()) * (byRail() ? 1 : 1000);
            wash.getPoints().addAll(x(p.volts()), y(value + half));
            back.addAll(0, List.of(x(p.volts()), y(Math.max(0, value - half))));
        }
        wash.getPoints().addAll(back);
        wash.getStyleClass().add("power-wash");
        getChildren().add(wash);
    }

    private void curve(String style, SupplyCurve c) {
        Polyline line = new Polyline();
        for (SupplyPoint p : inside(c)) line.getPoints().addAll(x(p.volts()), y(value().applyAsDouble(p)));
        line.getStyleClass().add(style);
        getChildren().add(line);
    }

    private void alike(PowerModel.Faulty f, PowerModel m, List<Double> named) {
        double end = y(value().applyAsDouble(f.curve().at(m.nominal())));
        curve("power-alike", f.curve());
        if (named.stream().anyMatch(n -> Math.abs(n - end) < NAME)) return;
        named.add(end);
        Label label = Texts.label(names.apply(f.what().kind()), "soft", "small");
        getChildren().add(label);
        label.applyCss();
        double high = label.prefHeight(-1);
        label.resizeRelocate(
                x(m.nominal()) + 6, Math.max(0, Math.min(getHeight() - high, end - high / 2)), RIGHT - 8, high);
    }

    private void point(PowerReading r, boolean out) {
        double value = Math.abs(r.value()) * (byRail() ? 1 : 1000);
        Polygon mark = new Polygon(0, -5, 5, 4, -5, 4);
        mark.setTranslateX(x(r.atSet()));
        mark.setTranslateY(y(value));
        mark.getStyleClass().add(out ? "power-out" : "power-read");
        getChildren().add(mark);
    }
}
