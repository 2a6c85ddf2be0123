package anabion.desktop.control;

import anabion.core.drive.CordPath;
import anabion.core.job.CordRun.Wheel;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polyline;
import javafx.scene.shape.Rectangle;

/** The run of a dial cord, seen from the front: wheels with their names, the cord, and where it is made fast. */
public final class CordView extends Region {
    private static final double EDGE = 26;
    private static final double HOOK = 4;

    private List<Wheel> wheels = List.of();
    private Optional<CordPath> path = Optional.empty();

    public CordView() {
        Rectangle clip = new Rectangle();
        clip.widthProperty().bind(widthProperty());
        clip.heightProperty().bind(heightProperty());
        setClip(clip);
        setMinSize(160, 0);
        widthProperty().addListener((o, a, b) -> draw());
        heightProperty().addListener((o, a, b) -> draw());
    }

    /** @param path empty where the cord's way is not entered yet */
    public void show(List<Wheel> wheels, Optional<CordPath> path) {
        this.wheels = wheels;
        this.path = path;
        draw();
    }

    @Override
    protected void layoutChildren() {}

    private void draw() {
        getChildren().clear();
        if (wheels.isEmpty() || getWidth() < 3 * EDGE || getHeight() < 3 * EDGE) return;
        double left =
                wheels.stream().mapToDouble(w -> w.x() - w.diameter() / 2).min().orElse(0);
        double right =
                wheels.stream().mapToDouble(w -> w.x() + w.diameter() / 2).max().orElse(1);
        double low =
                wheels.stream().mapToDouble(w -> w.y() - w.diameter() / 2).min().orElse(0);
        double high =
                wheels.stream().mapToDouble(w -> w.y() + w.diameter() / 2).max().orElse(1);
        double scale = Math.min((getWidth() - 2 * EDGE) / (right - left), (getHeight() - 2 * EDGE) / (high - low));
        double x0 = (getWidth() - scale * (right + left)) / 2;
        double y0 = (getHeight() + scale * (high + low)) / 2;
        for (Wheel w : wheels) {
            Circle rim = new Circle(x0 + scale * w.x(), y0 - scale * w.y(), scale * w.diameter() / 2);
            rim.getStyleClass().add("cord-wheel");
            Circle axle = new Circle(rim.getCenterX(), rim.getCenterY(), 1.5);
            axle.getStyleClass().add("cord-axle");
            getChildren().addAll(rim, axle);
        }
        path.ifPresent(p -> {
            List<double[]> points = p.points();
            Polyline cord = new Polyline();
            points.forEach(q -> cord.getPoints().addAll(x0 + scale * q[0], y0 - scale * q[1]));
            cord.getStyleClass().add("cord");
            getChildren().add(cord);
            for (double[] end : List.of(points.get(0), points.get(points.size() - 1))) {
                Circle fast = new Circle(x0 + scale * end[0], y0 - scale * end[1], HOOK);
                fast.getStyleClass().add("curve-point");
                getChildren().add(fast);
            }
        });
        for (Wheel w : wheels) {
            Label name = Texts.label(w.name(), "small", "medium");
            getChildren().add(name);
            name.applyCss();
            double width = name.prefWidth(-1);
            double height = name.prefHeight(-1);
            double x = x0 + scale * w.x();
            double y = y0 - scale * w.y();
            boolean within = scale * w.diameter() > 2.5 * Math.max(width, height);
            name.resizeRelocate(
                    within ? x + 4 : x + scale * w.diameter() / 2 + 3,
                    within ? y - height : y - height - 2,
                    width,
                    height);
        }
    }
}
