package anabion.desktop.control;

import anabion.core.schematic.StageDrawing;
import anabion.core.schematic.Symbol;
import anabion.core.schematic.SymbolStrokes;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.Group;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.SVGPath;
import javafx.scene.transform.Scale;

/** One stage of the circuit as a drawing, with one part lit. */
public final class StageView extends Pane {
    private static final double UNIT = 11;
    private static final double EARTH = 0.7;
    private static final double LETTER = 6.3;
    private static final double SMALLEST = 0.6;

    /** A part's symbol with its words, and a field around it that can be lit and chosen. */
    private record Placed(String part, Rectangle field, Group symbol) {}

    private final List<Placed> placed = new ArrayList<>();

    /** @param chosen told the reference of a part that is clicked */
    public StageView(StageDrawing drawing, Consumer<String> chosen) {
        drawing.wires().forEach(w -> getChildren().add(line(w.x1(), w.y1(), w.x2(), w.y2())));
        drawing.dots().forEach(d -> getChildren().add(dot(d.x(), d.y(), 2.5)));
        drawing.earths().forEach(e -> earth(e.x(), e.y()));
        drawing.rails().forEach(r -> {
            getChildren().add(dot(r.x(), r.y(), 3));
            text(r.name(), r.x() + 0.5, r.y() - 0.4, "circuit-rail");
        });
        drawing.nets().forEach(n -> text(n.name(), n.x(), n.y() - 0.55, "circuit-net"));
        drawing.symbols().forEach(s -> symbol(s, chosen));
        setMinSize(drawing.width() * UNIT, drawing.height() * UNIT);
        setPrefSize(drawing.width() * UNIT, drawing.height() * UNIT);
        setMaxSize(drawing.width() * UNIT, drawing.height() * UNIT);
    }

    /** Draws it smaller where it would not fit into a width, down to where it could not be read. */
    public Group within(double width) {
        double factor = Math.max(SMALLEST, Math.min(1, width / getPrefWidth()));
        getTransforms().setAll(new Scale(factor, factor, 0, 0));
        return new Group(this);
    }

    /** Lights a part; gives whether this stage has it. */
    public boolean light(String part) {
        boolean here = false;
        for (Placed p : placed) {
            boolean lit = p.part().equals(part);
            here |= lit;
            p.field().getStyleClass().setAll(lit ? "circuit-lit" : "circuit-field");
            for (Node n : p.symbol().getChildren()) {
                n.getStyleClass().remove("lit");
                if (lit) n.getStyleClass().add("lit");
            }
        }
        return here;
    }

    private void symbol(Symbol s, Consumer<String> chosen) {
        SymbolStrokes.Paths drawn = SymbolStrokes.of(s, UNIT);
        // A device's words have one line: between what leaves its middle and what leaves its foot there is no more
        // room.
        boolean device = s.kind().amplifies();
        Label words = Texts.label(s.label() + (s.upright() && !device ? "\n" : " ") + s.value());
        words.getStyleClass().add("circuit-words");
        if (s.upright()) words.relocate((s.x() + s.beside()) * UNIT, (s.y() + (device ? 0.1 : -1.3)) * UNIT);
        else {
            double width = LETTER * (words.getText().length() + 2);
            words.setMinWidth(width);
            words.setAlignment(Pos.CENTER);
            words.relocate(s.x() * UNIT - width / 2, (s.y() - 2.3) * UNIT);
        }
        Group group = new Group(path(drawn.line(), "circuit-line"), path(drawn.filled(), "circuit-filled"), words);
        double reach = s.kind().amplifies() ? Symbol.RADIUS : Symbol.HALF;
        double above = s.upright() ? reach : 2.4;
        Rectangle field = new Rectangle(
                (s.x() - reach) * UNIT - 3,
                (s.y() - above) * UNIT - 3,
                2 * reach * UNIT + 6,
                (above + (s.upright() ? reach : 1)) * UNIT + 6);
        field.setArcWidth(8);
        field.setArcHeight(8);
        field.getStyleClass().setAll("circuit-field");
        field.setOnMouseClicked(e -> chosen.accept(s.part()));
        group.setMouseTransparent(true);
        placed.add(new Placed(s.part(), field, group));
        getChildren().addAll(field, group);
    }

    private static SVGPath path(String data, String style) {
        SVGPath path = new SVGPath();
        path.setContent(data);
        path.getStyleClass().add(style);
        return path;
    }

    private void earth(double x, double y) {
        for (int n = 0; n < 3; n++) {
            double half = EARTH * (1 - 0.32 * n);
            getChildren().add(line(x - half, y + 0.32 * n, x + half, y + 0.32 * n));
        }
    }

    private static Line line(double x1, double y1, double x2, double y2) {
        Line line = new Line(x1 * UNIT, y1 * UNIT, x2 * UNIT, y2 * UNIT);
        line.getStyleClass().add("circuit-wire");
        line.setMouseTransparent(true);
        return line;
    }

    private static Circle dot(double x, double y, double radius) {
        Circle dot = new Circle(x * UNIT, y * UNIT, radius);
        dot.getStyleClass().add("circuit-dot");
        dot.setMouseTransparent(true);
        return dot;
    }

    private void text(String text, double x, double y, String style) {
        Label label = Texts.label(text, style);
        label.relocate(x * UNIT, (y - 0.6) * UNIT);
        label.setMouseTransparent(true);
        getChildren().add(label);
    }
}
