package anabion.workshop.report;

import anabion.core.quantity.Figures;
import anabion.core.quantity.Series;
import java.util.ArrayList;
import java.util.List;

/** A figure with axes: a curve, what was read, and within what it should keep. */
final class PlotFigure {
    private static final double LEFT = 13;
    private static final double RIGHT = 3;
    private static final double TOP = 3;
    private static final double BOTTOM = 7;
    private static final double TYPE = 2.8;
    /** At most so many steps between lines. */
    private static final int LINES = 5;

    private final double width;
    private final double height;
    private final double across;
    private final double low;
    private final double high;
    private final Strokes strokes = new Strokes();
    private final List<Figure.Text> texts = new ArrayList<>();

    /**
     * @param across the last value to the right; the first is 0
     * @param low the lowest value, and …
     * @param high … the highest
     */
    PlotFigure(double width, double height, double across, double low, double high) {
        this.width = width;
        this.height = height;
        this.across = across;
        this.low = low;
        this.high = high;
    }

    private double x(double value) {
        return LEFT + (width - LEFT - RIGHT) * value / across;
    }

    private double y(double value) {
        double within = Math.max(low, Math.min(high, value));
        return height - BOTTOM - (height - TOP - BOTTOM) * (within - low) / (high - low);
    }

    private static String number(double value, double step) {
        return Figures.fixed(value, step >= 1 && step == Math.rint(step) ? 0 : step >= 0.1 ? 1 : 2);
    }

    /** Lines across with their values, and values along the foot. */
    PlotFigure axes(String upwards, String sideways) {
        double up = Series.AXIS.atOrAbove((high - low) / LINES);
        for (double v = Math.ceil(low / up - 1e-9) * up; v <= high + 1e-9; v += up) {
            strokes.line(LEFT, y(v), width - RIGHT, y(v), Strokes.SOFT, 0.15);
            boolean last = v + up > high + 1e-9;
            texts.add(new Figure.Text(
                    number(v, up) + (last ? " " + upwards : ""), 0, y(v) - TYPE * 0.6, LEFT - 1.2, "right", TYPE));
        }
        double side = Series.AXIS.atOrAbove(across / LINES);
        for (double v = 0; v <= across + 1e-9; v += side) {
            boolean last = v + side > across + 1e-9;
            texts.add(new Figure.Text(
                    number(v, side) + (last ? " " + sideways : ""), x(v) - 8, height - BOTTOM + 1, 16, "centre", TYPE));
        }
        return this;
    }

    /** Within what it should keep. */
    PlotFigure wash(double from, double to) {
        strokes.rectangle(LEFT, y(to), width - LEFT - RIGHT, y(from) - y(to), Strokes.WASH);
        return this;
    }

    /** Something that must not be passed. */
    PlotFigure limit(double value) {
        strokes.line(LEFT, y(value), width - RIGHT, y(value), Strokes.BRICK, 0.25);
        return this;
    }

    /** When something happened. */
    PlotFigure event(double at) {
        strokes.line(x(at), TOP, x(at), height - BOTTOM, Strokes.BRICK, 0.3);
        return this;
    }

    /** @param values pairs of value to the right and upwards */
    PlotFigure curve(List<double[]> values) {
        double[] xy = new double[2 * values.size()];
        for (int n = 0; n < values.size(); n++) {
            xy[2 * n] = x(values.get(n)[0]);
            xy[2 * n + 1] = y(values.get(n)[1]);
        }
        if (values.size() > 1) strokes.polyline(xy, Strokes.PETROL, 0.45);
        return this;
    }

    /** @param out whether it is beyond what may be */
    PlotFigure reading(double to, double value, boolean out) {
        strokes.dot(x(to), y(value), 0.8, out ? Strokes.BRICK : Strokes.GREEN);
        return this;
    }

    Figure figure(String title, String alt) {
        return new Figure(title, alt, width, height, strokes.svg(width, height), texts);
    }
}
