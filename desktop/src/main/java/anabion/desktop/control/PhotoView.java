package anabion.desktop.control;

import anabion.workshop.PhotoMark;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.geometry.Rectangle2D;
import javafx.scene.control.Label;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import javafx.scene.shape.CubicCurve;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Shape;

/** A photo with what was drawn on it, numbered; a click tells the place. Another photo can lie over its left part. */
public final class PhotoView extends Region {
    private static final double PIN = 11;
    private static final double SAG = 0.12;
    private static final double HEAD = 9;
    /** Colours of leads as they are called; others have that of a wire. */
    private static final Map<String, Color> COLOURS = Map.ofEntries(
            Map.entry("red", Color.web("#C8402E")),
            Map.entry("yellow", Color.web("#E3C53D")),
            Map.entry("blue", Color.web("#3A6EA8")),
            Map.entry("green", Color.web("#4B8A46")),
            Map.entry("black", Color.web("#222222")),
            Map.entry("white", Color.web("#F2F0EA")),
            Map.entry("brown", Color.web("#7A4E2C")),
            Map.entry("orange", Color.web("#D9822B")),
            Map.entry("grey", Color.web("#888888")),
            Map.entry("violet", Color.web("#7D5BA6")));

    private final ImageView image = new ImageView();
    private final ImageView other = new ImageView();
    private List<PhotoMark> marks = List.of();
    private List<double[]> spots = List.of();
    private double share = 0.5;

    /** @param onClick told the place: shares of width and height */
    public PhotoView(BiConsumer<Double, Double> onClick) {
        setMinSize(120, 80);
        image.setPreserveRatio(true);
        other.setPreserveRatio(true);
        widthProperty().addListener((o, a, b) -> draw());
        heightProperty().addListener((o, a, b) -> draw());
        setOnMouseClicked(e -> {
            Rectangle2D at = place();
            if (at == null || !at.contains(e.getX(), e.getY())) return;
            onClick.accept((e.getX() - at.getMinX()) / at.getWidth(), (e.getY() - at.getMinY()) / at.getHeight());
        });
    }

    /** @param spots places that were clicked and carry nothing yet */
    public void show(Optional<Image> picture, List<PhotoMark> drawn, List<double[]> spots) {
        image.setImage(picture.orElse(null));
        marks = drawn;
        this.spots = spots;
        draw();
    }

    /** @param picture over the left part; empty for none */
    public void compare(Optional<Image> picture) {
        other.setImage(picture.orElse(null));
        draw();
    }

    /** @param part of the width that the other photo covers, 0 to 1 */
    public void divide(double part) {
        share = part;
        draw();
    }

    @Override
    protected void layoutChildren() {}

    /** Where the picture lies. */
    private Rectangle2D place() {
        Image i = image.getImage();
        if (i == null || getWidth() <= 0 || getHeight() <= 0) return null;
        double scale = Math.min(getWidth() / i.getWidth(), getHeight() / i.getHeight());
        double w = i.getWidth() * scale;
        double h = i.getHeight() * scale;
        return new Rectangle2D((getWidth() - w) / 2, (getHeight() - h) / 2, w, h);
    }

    private void draw() {
        getChildren().clear();
        Rectangle2D at = place();
        if (at == null) return;
        put(image, at);
        if (other.getImage() != null) {
            Image o = other.getImage();
            other.setViewport(new Rectangle2D(0, 0, Math.max(1, o.getWidth() * share), o.getHeight()));
            other.setPreserveRatio(false);
            other.setFitWidth(at.getWidth() * share);
            other.setFitHeight(at.getHeight());
            other.relocate(at.getMinX(), at.getMinY());
            double x = at.getMinX() + at.getWidth() * share;
            Line edge = new Line(x, at.getMinY(), x, at.getMaxY());
            edge.getStyleClass().add("photo-edge");
            getChildren().addAll(other, edge);
        }
        List<Label> numbers = new ArrayList<>();
        for (int n = 0; n < marks.size(); n++) {
            PhotoMark m = marks.get(n);
            double x = at.getMinX() + m.x() * at.getWidth();
            double y = at.getMinY() + m.y() * at.getHeight();
            double toX = at.getMinX() + m.toX() * at.getWidth();
            double toY = at.getMinY() + m.toY() * at.getHeight();
            shape(m, x, y, toX, toY);
            numbers.add(number(
                    n + 1, m.kind() == PhotoMark.Kind.ARROW ? x : toX, m.kind() == PhotoMark.Kind.ARROW ? y : toY));
        }
        getChildren().addAll(numbers);
        for (double[] s : spots) {
            Circle spot = new Circle(at.getMinX() + s[0] * at.getWidth(), at.getMinY() + s[1] * at.getHeight(), 6);
            spot.getStyleClass().add("photo-spot");
            getChildren().add(spot);
        }
    }

    private void put(ImageView view, Rectangle2D at) {
        view.setFitWidth(at.getWidth());
        view.setFitHeight(at.getHeight());
        view.relocate(at.getMinX(), at.getMinY());
        getChildren().add(view);
    }

    private void shape(PhotoMark m, double x, double y, double toX, double toY) {
        switch (m.kind()) {
            case PIN -> {} // its number is all
            case WIRE -> {
                double sag = SAG * Math.hypot(toX - x, toY - y);
                CubicCurve wire = new CubicCurve(x, y, x, y + sag, toX, toY + sag, toX, toY);
                CubicCurve edge = new CubicCurve(x, y, x, y + sag, toX, toY + sag, toX, toY);
                edge.getStyleClass().add("photo-wire-edge");
                add(edge);
                wire.setStroke(COLOURS.getOrDefault(
                        m.colour().toLowerCase(Locale.ROOT).split("[/ -]")[0], Color.web("#C97B12")));
                wire.getStyleClass().add("photo-wire");
                add(wire);
                Circle end = new Circle(x, y, 4);
                end.getStyleClass().add("photo-spot");
                add(end);
            }
            case CIRCLE -> {
                Circle ring = new Circle(x, y, Math.hypot(toX - x, toY - y));
                ring.getStyleClass().add("photo-ring");
                add(ring);
            }
            case ARROW -> {
                Line shaft = new Line(x, y, toX, toY);
                shaft.getStyleClass().add("photo-ring");
                add(shaft);
                double a = Math.atan2(toY - y, toX - x);
                Polygon head = new Polygon(
                        toX,
                        toY,
                        toX - HEAD * Math.cos(a - 0.4),
                        toY - HEAD * Math.sin(a - 0.4),
                        toX - HEAD * Math.cos(a + 0.4),
                        toY - HEAD * Math.sin(a + 0.4));
                head.getStyleClass().add("photo-head");
                add(head);
            }
        }
    }

    private void add(Shape shape) {
        shape.setMouseTransparent(true);
        getChildren().add(shape);
    }

    private static Label number(int n, double x, double y) {
        Label label = Texts.label(String.valueOf(n), "photo-number");
        label.setMinSize(2 * PIN, 2 * PIN);
        label.setMouseTransparent(true);
        label.resizeRelocate(x - PIN, y - PIN, 2 * PIN, 2 * PIN);
        return label;
    }
}
