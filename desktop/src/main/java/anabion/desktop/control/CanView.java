package anabion.desktop.control;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;

/** A can from below: each section's tag with its mark, value and net, the common rim, and one section lit. */
public final class CanView extends Region {
    private static final double RADIUS = 42;
    private static final double WIDTH = 250;
    private static final double TAG = 13;
    private static final double TOP = 18;

    /**
     * One section.
     *
     * @param mark square, half-moon, triangle, or a lead's colour; empty for not known
     */
    public record Section(String name, String value, String net, String mark, boolean lit) {}

    private final List<Section> sections = new ArrayList<>();
    private String common = "";

    public CanView() {
        setMinSize(WIDTH, 2 * RADIUS + 2 * TOP);
        setPrefSize(WIDTH, 2 * RADIUS + 2 * TOP);
        setMaxSize(WIDTH, 2 * RADIUS + 2 * TOP);
        // words have a size only once a scene gives them their letters
        sceneProperty().addListener((o, a, b) -> draw());
    }

    /** @param rim the net of the common end */
    public void show(List<Section> all, String rim) {
        sections.clear();
        sections.addAll(all);
        common = rim;
        StringBuilder said = new StringBuilder();
        all.forEach(s -> said.append(s.name())
                .append(' ')
                .append(s.value())
                .append(' ')
                .append(s.mark())
                .append(' ')
                .append(s.net())
                .append(". "));
        setAccessibleText(said + rim);
        draw();
    }

    /** All is placed when it is shown. */
    @Override
    protected void layoutChildren() {}

    private void draw() {
        getChildren().clear();
        double cx = RADIUS + 6;
        double cy = RADIUS + TOP;
        Circle rim = new Circle(cx, cy, RADIUS);
        rim.getStyleClass().add("socket-ring");
        getChildren().add(rim);
        for (int n = 0; n < sections.size(); n++) {
            double angle = Math.PI * (0.5 + 2.0 * n / Math.max(2, sections.size()));
            double x = cx + 0.52 * RADIUS * Math.cos(angle) * (sections.size() == 1 ? 0 : 1);
            double y = cy - 0.52 * RADIUS * Math.sin(angle) * (sections.size() == 1 ? 0 : 1);
            section(sections.get(n), x, y, cx + RADIUS + 26, TOP + (n + 0.5) * 2 * RADIUS / sections.size());
        }
        Label foot = Texts.label(common, "soft", "small");
        place(foot, cx - RADIUS, cy + RADIUS + 1);
    }

    private void section(Section s, double x, double y, double textX, double textY) {
        Line lead = new Line(x, y, textX - 6, textY);
        lead.getStyleClass().add(s.lit() ? "can-lead-lit" : "circuit-wire");
        Shape tag = tag(s.mark(), x, y);
        tag.getStyleClass().add(s.lit() ? "can-lit" : "can-tag");
        Label words = Texts.label(
                s.name() + "  " + s.value() + "  " + s.net() + (s.mark().isEmpty() ? "" : "  " + s.mark()),
                s.lit() ? "strong" : "small");
        getChildren().addAll(lead, tag);
        place(words, textX, textY - 10);
    }

    private void place(Label label, double x, double y) {
        getChildren().add(label);
        label.applyCss();
        label.autosize();
        label.relocate(x, y);
    }

    /** The marks that makers stamped beside the tags; a lead's colour is a plain tag with its word. */
    private static Shape tag(String mark, double x, double y) {
        double r = TAG / 2;
        if (mark.startsWith("square")) return new Rectangle(x - r, y - r, TAG, TAG);
        if (mark.startsWith("triangle")) return new Polygon(x, y - r, x + r, y + r, x - r, y + r);
        if (mark.startsWith("half")) {
            Shape disc = new Circle(x, y, r);
            return Shape.subtract(disc, new Rectangle(x, y - r, r, TAG));
        }
        return new Circle(x, y, r);
    }
}
