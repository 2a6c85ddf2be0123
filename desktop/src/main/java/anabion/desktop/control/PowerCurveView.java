package anabion.desktop.control;

import anabion.core.power.LookAlike;
import anabion.core.power.PowerJudgement;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerProgress;
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
import javafx.scene.shape.Polygon;

/** The rail, or of a set on batteries its current, against the volts at the set: as it should be with what may be about it, the common faults, and what was read. */
public final class PowerCurveView extends Plot {
    private static final double LEFT = 52;
    private static final double BOTTOM = 24;
    private static final double TOP = 8;
    private static final double RIGHT = 112;
    private static final int GRID = 4;
    private static final double NAME = 15;
    private static final double HEADROOM = 1.25;

    private Optional<PowerModel> model = Optional.empty();
    private List<PowerProgress.Plotted> readings = List.of();
    private double here;
    private Function<LookAlike.Kind, String> names = k -> "";
    private double top = 1;

    public PowerCurveView() {
        super(LEFT, RIGHT, TOP, BOTTOM);
        setMinSize(200, 0);
    }

    /**
     * @param taken those of the rail, or of a current
     * @param at volts at the set of the step in hand
     * @param words what the kinds of fault are called
     */
    public void show(
            PowerModel of, List<PowerProgress.Plotted> taken, double at, Function<LookAlike.Kind, String> words) {
        model = Optional.of(of);
        readings = List.copyOf(taken);
        here = at;
        names = words;
        draw();
    }

    private boolean byRail() {
        return model.orElseThrow().rectified();
    }

    private ToDoubleFunction<SupplyPoint> value() {
        PowerModel m = model.orElseThrow();
        if (!byRail()) return p -> 1000 * p.amperes();
        String net = m.rail().orElseThrow().net();
        return p -> Math.abs(p.rail(net));
    }

    @Override
    void draw() {
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
        line("power-here", Math.min(here, m.nominal()), 0, Math.min(here, m.nominal()), top);
        readings.forEach(this::point);
    }

    private double off(PowerModel m, PowerModel.Faulty f) {
        double there = value().applyAsDouble(f.curve().at(m.nominal()));
        return Math.abs(there - value().applyAsDouble(m.sound().at(m.nominal())));
    }

    @Override
    double across() {
        return model.orElseThrow().nominal();
    }

    @Override
    double upward() {
        return top;
    }

    /** What lies above the drawing stays at its edge. */
    private double high(double value) {
        return y(Math.min(value, top));
    }

    private void axes(PowerModel m) {
        String unit = byRail() ? " V" : " mA";
        double step = step(top);
        for (int n = 0; n * step <= top; n++) {
            line("curve-grid", 0, n * step, m.nominal(), n * step);
            beside(number(n * step) + ((n + 1) * step > top ? unit : ""), n * step);
        }
        double volts = step(m.nominal());
        for (int n = 0; n * volts <= m.nominal(); n++)
            below(number(n * volts) + ((n + 1) * volts > m.nominal() ? " V" : ""), n * volts);
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
            wash.getPoints().addAll(x(p.volts()), high(value + half));
            back.addAll(0, List.of(x(p.volts()), high(Math.max(0, value - half))));
        }
        wash.getPoints().addAll(back);
        wash.getStyleClass().add("power-wash");
        getChildren().add(wash);
    }

    private void curve(String style, SupplyCurve c) {
        List<Double> points = new ArrayList<>();
        for (SupplyPoint p : inside(c)) points.addAll(List.of(x(p.volts()), high(value().applyAsDouble(p))));
        polyline(style, points);
    }

    private void alike(PowerModel.Faulty f, PowerModel m, List<Double> named) {
        double end = high(value().applyAsDouble(f.curve().at(m.nominal())));
        curve("power-alike", f.curve());
        if (named.stream().anyMatch(n -> Math.abs(n - end) < NAME)) return;
        named.add(end);
        Label label = add(Texts.label(names.apply(f.what().kind()), "soft", "small"));
        double tall = label.prefHeight(-1);
        label.resizeRelocate(
                x(m.nominal()) + 6, Math.max(0, Math.min(getHeight() - tall, end - tall / 2)), RIGHT - 8, tall);
    }

    private void point(PowerProgress.Plotted r) {
        Polygon mark = new Polygon(0, -5, 5, 4, -5, 4);
        mark.setTranslateX(x(Math.min(r.volts(), across())));
        mark.setTranslateY(high(r.value() * (byRail() ? 1 : 1000)));
        mark.getStyleClass().add(r.out() ? "power-out" : "power-read");
        getChildren().add(mark);
    }
}
