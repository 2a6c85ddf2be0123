package anabion.desktop.control;

import anabion.core.reading.Standing;
import javafx.animation.KeyFrame;
import javafx.animation.KeyValue;
import javafx.animation.Timeline;
import javafx.beans.property.DoubleProperty;
import javafx.beans.property.SimpleDoubleProperty;
import javafx.scene.layout.Region;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.util.Duration;

/**
 * A hair line, a wash where the expectation lies, a tick at the expectation and a needle where the reading fell. The bar spans
 * three half-widths of the tolerance to either side; further out the needle is pinned at the end.
 */
public final class NeedleBar extends Region {
    /** How many half-widths of tolerance the bar shows on each side. */
    public static final double SPAN = 3;

    private final Rectangle hair = styled(new Rectangle(), "bar-hair");
    private final Rectangle wash = styled(new Rectangle(), "bar-wash");
    private final Rectangle tick = styled(new Rectangle(), "bar-tick");
    private final Polygon needle = new Polygon(0, -8, 1, -8, 1, 0, 5, 8, -4, 8, 0, 0);
    private final DoubleProperty deviation = new SimpleDoubleProperty();

    public NeedleBar() {
        setMinHeight(20);
        setPrefHeight(20);
        setMinWidth(60);
        getChildren().addAll(hair, wash, tick, needle);
        deviation.addListener((o, a, b) -> requestLayout());
        needle.setVisible(false);
        setMouseTransparent(true);
    }

    private static Rectangle styled(Rectangle shape, String style) {
        shape.getStyleClass().add(style);
        return shape;
    }

    /** Shows no expectation and no reading. */
    public void blank() {
        wash.setVisible(false);
        tick.setVisible(false);
        needle.setVisible(false);
    }

    /** Shows an expectation without a reading. */
    public void expected() {
        blank();
        wash.setVisible(true);
        tick.setVisible(true);
    }

    /**
     * Shows a reading.
     *
     * @param halfWidths how far it lies from the expectation, in half-widths of the tolerance
     * @param settle whether the needle moves there or simply stands there
     */
    public void read(double halfWidths, Standing standing, boolean settle) {
        expected();
        needle.setVisible(true);
        needle.getStyleClass()
                .setAll("needle-"
                        + switch (standing) {
                            case WITHIN -> "within";
                            case DRIFTING -> "drifting";
                            case OUT -> "out";
                            default -> "doubtful";
                        });
        if (!settle) {
            deviation.set(halfWidths);
            return;
        }
        deviation.set(0);
        new Timeline(new KeyFrame(Duration.millis(200), new KeyValue(deviation, halfWidths))).play();
    }

    @Override
    protected void layoutChildren() {
        double w = getWidth();
        double y = Math.rint(getHeight() / 2);
        place(hair, 0, y - 0.5, w, 1);
        place(wash, Math.rint(w / 2 - w / 2 / SPAN), y - 4, Math.rint(w / SPAN), 8);
        wash.setArcWidth(6);
        wash.setArcHeight(6);
        place(tick, Math.rint(w / 2) - 1, y - 6, 2, 12);
        double at = Math.max(-1, Math.min(1, deviation.get() / SPAN));
        needle.relocate(Math.rint((w - 10) / 2 * (1 + at)), y - 9);
    }

    private static void place(Rectangle r, double x, double y, double w, double h) {
        r.setX(x);
        r.setY(y);
        r.setWidth(w);
        r.setHeight(h);
    }
}
