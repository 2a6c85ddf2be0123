package anabion.desktop.control;

import anabion.core.power.LookAlike;
import anabion.core.power.PowerJudgement;
import anabion.core.power.PowerModel;
import anabion.core.power.PowerPicture;
import anabion.core.power.PowerProgress;
import anabion.core.power.PowerReading;
import anabion.core.power.Rail;
import anabion.core.power.SupplyCurve;
import anabion.core.power.SupplyPoint;
import anabion.core.power.WarmUp;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Series;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.ToDoubleFunction;
import javafx.scene.control.Label;
import javafx.scene.shape.Polygon;

/**
 * A power-up: rail, current or watts against the volts at the set, as they should be with what may be about them, with the common faults, what is read and what
 * was read the time before; or the rail as it comes after switching on.
 */
public final class PowerCurveView extends Plot {
    private static final double LEFT = 52;
    private static final double BOTTOM = 24;
    private static final double TOP = 8;
    private static final double RIGHT = 112;
    /** At most so many steps between lines. */
    private static final int GRID = 5;

    private static final double NAME = 15;
    private static final double HEADROOM = 1.25;
    private static final double WARM_HEADROOM = 1.1;

    private Optional<PowerModel> model = Optional.empty();
    private List<PowerProgress.Plotted> readings = List.of();
    private List<PowerProgress.Plotted> before = List.of();
    private PowerPicture picture = PowerPicture.SUPPLY;
    private String earlier = "";
    private double here;
    private Function<LookAlike.Kind, String> names = k -> "";
    private double top = 1;

    public PowerCurveView() {
        super(LEFT, RIGHT, TOP, BOTTOM);
        setMinSize(200, 0);
    }

    /**
     * @param at volts at the set of the step in hand
     * @param words what the kinds of fault are called
     * @param lastTime what the power-up before is called
     */
    public void show(
            PowerPicture which,
            PowerModel of,
            PowerProgress progress,
            double at,
            Function<LookAlike.Kind, String> words,
            String lastTime) {
        picture = which;
        model = Optional.of(of);
        readings = progress.plotted();
        before = progress.before();
        here = at;
        names = words;
        earlier = lastTime;
        draw();
    }

    /** What stands upwards. */
    private PowerReading.What what() {
        if (picture == PowerPicture.WATTS) return PowerReading.What.WATTS;
        return model.orElseThrow().rectified() ? PowerReading.What.RAIL : PowerReading.What.AMPERES;
    }

    private String unit() {
        return switch (what()) {
            case WATTS -> " W";
            case AMPERES -> " mA";
            default -> " V";
        };
    }

    /** Of what is drawn, in one of its units. */
    private double scale() {
        return what() == PowerReading.What.AMPERES ? 1000 : 1;
    }

    private ToDoubleFunction<SupplyPoint> value() {
        String net = model.orElseThrow().rail().map(Rail::net).orElse("");
        return switch (what()) {
            case WATTS -> SupplyPoint::watts;
            case AMPERES -> p -> 1000 * p.amperes();
            default -> p -> Math.abs(p.rail(net));
        };
    }

    @Override
    void draw() {
        getChildren().clear();
        if (model.isEmpty() || getWidth() < LEFT + RIGHT + 60 || getHeight() < TOP + BOTTOM + 40) return;
        PowerModel m = model.get();
        if (picture == PowerPicture.WARM_UP) {
            warmUp(m);
            return;
        }
        top = Math.max(1e-6, HEADROOM * value().applyAsDouble(m.sound().at(m.nominal())));
        axes(unit(), " V");
        wash(m);
        // of each kind the worst: it lies farthest from what is right
        Map<LookAlike.Kind, PowerModel.Faulty> worst = new EnumMap<>(LookAlike.Kind.class);
        m.others().forEach(f -> worst.merge(f.what().kind(), f, (a, b) -> off(m, b) > off(m, a) ? b : a));
        List<Double> named = new ArrayList<>();
        worst.values().forEach(f -> alike(f, m, named));
        curve("curve", m.sound());
        line("power-here", Math.min(here, m.nominal()), 0, Math.min(here, m.nominal()), top);
        lastTime();
        readings.stream().filter(r -> r.what() == what()).forEach(this::point);
    }

    /** The rail as it comes, and what it comes down to. */
    private void warmUp(PowerModel m) {
        String net = m.rail().orElseThrow().net();
        top = Math.max(1e-6, WARM_HEADROOM * m.warmUp().peak(net));
        axes(" V", " s");
        line("power-here", 0, m.warmUp().settled(net), across(), m.warmUp().settled(net));
        List<Double> points = new ArrayList<>(List.of(x(0), y(0)));
        for (WarmUp.Moment t : m.warmUp().moments())
            points.addAll(List.of(x(t.seconds()), high(Math.abs(t.rails().getOrDefault(net, 0.0)))));
        polyline("curve", points);
    }

    /** What was read the time before, joined. */
    private void lastTime() {
        List<PowerProgress.Plotted> those = before.stream()
                .filter(r -> r.what() == what())
                .sorted(Comparator.comparingDouble(PowerProgress.Plotted::volts))
                .toList();
        if (those.isEmpty()) return;
        List<Double> points = new ArrayList<>();
        for (PowerProgress.Plotted r : those)
            points.addAll(List.of(x(Math.min(r.volts(), across())), high(r.value() * scale())));
        polyline("power-before", points);
        PowerProgress.Plotted last = those.get(those.size() - 1);
        Label label = add(Texts.label(earlier, "soft", "small"));
        label.autosize();
        double end = x(Math.min(last.volts(), across()));
        boolean fits = end + 6 + label.getWidth() < x(across());
        label.relocate(
                fits ? end + 6 : end - label.getWidth() - 6,
                Math.min(high(last.value() * scale()) + 2, getHeight() - BOTTOM - label.getHeight()));
    }

    private double off(PowerModel m, PowerModel.Faulty f) {
        double there = value().applyAsDouble(f.curve().at(m.nominal()));
        return Math.abs(there - value().applyAsDouble(m.sound().at(m.nominal())));
    }

    @Override
    double across() {
        PowerModel m = model.orElseThrow();
        if (picture != PowerPicture.WARM_UP) return m.nominal();
        List<WarmUp.Moment> moments = m.warmUp().moments();
        return moments.get(moments.size() - 1).seconds();
    }

    @Override
    double upward() {
        return top;
    }

    /** What lies above the drawing stays at its edge. */
    private double high(double value) {
        return y(Math.min(value, top));
    }

    private void axes(String upwards, String sideways) {
        double step = Series.AXIS.atOrAbove(top / GRID);
        for (int n = 0; n * step <= top; n++) {
            line("curve-grid", 0, n * step, across(), n * step);
            beside(number(n * step) + ((n + 1) * step > top ? upwards : ""), n * step);
        }
        double each = Series.AXIS.atOrAbove(across() / GRID);
        for (int n = 0; n * each <= across(); n++)
            below(number(n * each) + ((n + 1) * each > across() ? sideways : ""), n * each);
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
            double half = 2 * PowerJudgement.spread(m, p.volts(), what()) * scale();
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
        mark.setTranslateY(high(r.value() * scale()));
        mark.getStyleClass().add(r.out() ? "power-out" : "power-read");
        getChildren().add(mark);
    }
}
