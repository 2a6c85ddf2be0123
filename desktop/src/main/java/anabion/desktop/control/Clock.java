package anabion.desktop.control;

import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.scene.Node;
import javafx.util.Duration;

/** Says anew, while it is in sight, what stands on a screen by the clock. */
public final class Clock {
    private static final double SECONDS = 20;

    private Clock() {}

    /** @param tick called again and again while the node is in a window */
    public static void whileShown(Node node, Runnable tick) {
        Timeline clock = new Timeline(new KeyFrame(Duration.seconds(SECONDS), e -> tick.run()));
        clock.setCycleCount(Animation.INDEFINITE);
        node.sceneProperty().addListener((o, a, b) -> {
            if (b == null) clock.stop();
            else clock.play();
        });
    }
}
