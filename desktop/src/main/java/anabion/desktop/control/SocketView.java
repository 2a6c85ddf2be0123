package anabion.desktop.control;

import anabion.core.device.Base;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.Region;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Rectangle;

/** A tube base with its pins numbered and one of them lit, as seen from below (solder side) or from above. */
public final class SocketView extends Region {
    private static final double PIN = 10;

    /** One pin as drawn. */
    private record Pin(double degrees, Circle circle, Label number) {}

    private final Circle outer = ring();
    private final Circle inner = ring();
    private final Rectangle key = new Rectangle(12, 6);
    private final List<Pin> pins = new ArrayList<>();
    private double radius;

    public SocketView() {
        setMinSize(108, 108);
        setPrefSize(112, 112);
        key.getStyleClass().add("socket-key");
        setMouseTransparent(true);
    }

    private static Circle ring() {
        Circle circle = new Circle();
        circle.getStyleClass().add("socket-ring");
        return circle;
    }

    /**
     * Draws a base.
     *
     * @param functions pin to function; pins that are missing or {@code nc} are drawn faint
     * @param lit the wanted pin; 0 for none
     */
    public void show(Base base, Map<String, String> functions, int lit, boolean fromBelow) {
        pins.clear();
        List<Node> nodes = new ArrayList<>(List.of(outer, inner, key));
        for (int pin = 1; pin <= base.pins(); pin++) {
            Circle circle = new Circle(PIN);
            Label number = new Label(String.valueOf(pin));
            circle.getStyleClass().add("socket-pin");
            number.getStyleClass().add("socket-number");
            if (pin == lit) {
                circle.getStyleClass().add("lit");
                number.getStyleClass().add("lit");
            } else if (functions.getOrDefault(String.valueOf(pin), "nc").equals("nc")) {
                circle.getStyleClass().add("unused");
                number.getStyleClass().add("soft");
            }
            double degrees = base.degrees(pin);
            pins.add(new Pin(fromBelow ? degrees : -degrees, circle, number));
            nodes.add(circle);
            nodes.add(number);
        }
        getChildren().setAll(nodes);
        requestLayout();
    }

    @Override
    protected void layoutChildren() {
        double c = Math.min(getWidth(), getHeight()) / 2;
        radius = c - PIN - 4;
        center(outer, c, c - 2);
        center(inner, c, c * 0.45);
        key.relocate(c - 6, 2 * c - 9);
        for (Pin pin : pins) {
            // the key is at six o'clock; clockwise from there runs to the left first
            double angle = Math.toRadians(90 + pin.degrees());
            double x = c + radius * Math.cos(angle);
            double y = c + radius * Math.sin(angle);
            pin.circle().setCenterX(x);
            pin.circle().setCenterY(y);
            pin.number().autosize();
            pin.number()
                    .relocate(x - pin.number().getWidth() / 2, y - pin.number().getHeight() / 2);
        }
    }

    private static void center(Circle circle, double at, double radius) {
        circle.setCenterX(at);
        circle.setCenterY(at);
        circle.setRadius(radius);
    }
}
