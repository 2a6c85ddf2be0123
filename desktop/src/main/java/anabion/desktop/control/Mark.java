package anabion.desktop.control;

import anabion.core.job.StepState;
import anabion.core.reading.Standing;
import javafx.scene.layout.Pane;
import javafx.scene.shape.Arc;
import javafx.scene.shape.ArcType;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Polygon;
import javafx.scene.shape.Rectangle;
import javafx.scene.shape.Shape;

/** A state drawn as a shape: disc, half disc, ring, triangle or open square. A word always stands near it. */
public final class Mark extends Pane {
    private static final double SIZE = 12;

    /** The shapes; each has its own meaning and colour role. */
    public enum Kind {
        DISC,
        HALF,
        RING,
        TRIANGLE,
        SQUARE
    }

    public Mark(Kind kind) {
        setMinSize(SIZE, SIZE);
        setMaxSize(SIZE, SIZE);
        setPrefSize(SIZE, SIZE);
        setMouseTransparent(true);
        show(kind);
    }

    public void show(Kind kind) {
        getChildren().setAll(shapes(kind));
    }

    private static Shape[] shapes(Kind kind) {
        double c = SIZE / 2;
        return switch (kind) {
            case DISC -> new Shape[] {styled(new Circle(c, c, c - 1.5), "mark-fill-moss")};
            case RING -> new Shape[] {styled(new Circle(c, c, c - 1.7), "mark-ring")};
            case HALF -> {
                Arc half = new Arc(c, c, c - 1.5, c - 1.5, -90, 180);
                half.setType(ArcType.ROUND);
                yield new Shape[] {styled(new Circle(c, c, c - 1.7), "mark-half-ring"), styled(half, "mark-half")};
            }
            case TRIANGLE ->
                new Shape[] {styled(new Polygon(c, 0.8, SIZE - 0.8, SIZE - 1.2, 0.8, SIZE - 1.2), "mark-fill-brick")};
            case SQUARE -> new Shape[] {styled(new Rectangle(1.5, 1.5, SIZE - 3, SIZE - 3), "mark-square")};
        };
    }

    private static Shape styled(Shape shape, String style) {
        shape.getStyleClass().add(style);
        return shape;
    }

    public static Kind of(Standing standing) {
        return switch (standing) {
            case WITHIN -> Kind.DISC;
            case DRIFTING, DOUBTFUL -> Kind.HALF;
            case OUT -> Kind.TRIANGLE;
            case NOT_TAKEN, UNCHARTED, OFF_BY_DESIGN -> Kind.RING;
        };
    }

    public static Kind of(StepState state) {
        return switch (state) {
            case DONE -> Kind.DISC;
            case UNDER_WAY -> Kind.HALF;
            case OPEN -> Kind.RING;
        };
    }
}
