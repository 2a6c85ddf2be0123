package anabion.desktop.control;

import java.util.List;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;

/** A drawing of curves against two axes, drawn anew whenever its size changes. */
abstract class Plot extends Region {
    private static final double HALF_LABEL = 22;
    private static final double LABEL = 18;
    private static final double HALF_MARK = 5;

    private final double left;
    private final double right;
    private final double top;
    private final double bottom;

    /** Room for what stands beside the axes, in pixels. */
    Plot(double left, double right, double top, double bottom) {
        this.left = left;
        this.right = right;
        this.top = top;
        this.bottom = bottom;
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        widthProperty().addListener((o, a, b) -> draw());
        heightProperty().addListener((o, a, b) -> draw());
    }

    /** Draws all of it, beginning with nothing. */
    abstract void draw();

    /** The end of the axis across. */
    abstract double across();

    /** The end of the axis upwards. */
    abstract double upward();

    /** All is placed by {@link #draw}; a drawing that changed its children while it is laid out would be laid out for ever. */
    @Override
    protected final void layoutChildren() {}

    final double x(double value) {
        return left + (getWidth() - left - right) * value / across();
    }

    final double y(double value) {
        return getHeight() - bottom - (getHeight() - bottom - top) * value / upward();
    }

    /** The axis across, under a value of it. */
    final void below(String text, double value) {
        place(text, x(value) - HALF_LABEL, getHeight() - bottom + 4, 2 * HALF_LABEL, Pos.CENTER);
    }

    /** The axis upwards, beside a value of it. */
    final void beside(String text, double value) {
        place(text, 0, y(value) - LABEL / 2, left - 6, Pos.CENTER_RIGHT);
    }

    private void place(String text, double x, double y, double width, Pos alignment) {
        Label label = Texts.label(text, "soft", "small");
        label.setAlignment(alignment);
        add(label).resizeRelocate(x, y, width, label.prefHeight(-1));
    }

    /** Puts a label in, whose size is known afterwards. */
    final Label add(Label label) {
        getChildren().add(label);
        label.applyCss();
        return label;
    }

    final void line(String style, double x1, double y1, double x2, double y2) {
        Line line = new Line(x(x1), y(y1), x(x2), y(y2));
        line.getStyleClass().add(style);
        getChildren().add(line);
    }

    /** What was read: a triangle at a place in pixels. */
    final void reading(double x, double y) {
        Polygon mark = new Polygon(x, y - HALF_MARK, x - HALF_MARK, y + HALF_MARK, x + HALF_MARK, y + HALF_MARK);
        mark.getStyleClass().add("curve-point");
        getChildren().add(mark);
    }

    /** @param points across and upwards in turn, in pixels */
    final void polyline(String style, List<Double> points) {
        Polyline line = new Polyline();
        line.getPoints().setAll(points);
        line.getStyleClass().add(style);
        getChildren().add(line);
    }
}
