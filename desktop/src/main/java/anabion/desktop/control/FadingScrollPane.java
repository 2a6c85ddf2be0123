package anabion.desktop.control;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;

/** A scroll pane that fades out where there is more above or below, so that no line looks cut off by mistake. */
public class FadingScrollPane extends ScrollPane {
    private static final double HEIGHT = 24;

    private final Region above = fade("fade-above");
    private final Region below = fade("fade-below");

    public FadingScrollPane(Node content) {
        super(content);
        skinProperty().addListener((o, a, b) -> {
            if (!getChildren().contains(below)) getChildren().addAll(above, below);
        });
        vvalueProperty().addListener((o, a, b) -> requestLayout());
        viewportBoundsProperty().addListener((o, a, b) -> requestLayout());
        content.layoutBoundsProperty().addListener((o, a, b) -> requestLayout());
    }

    private static Region fade(String style) {
        Region fade = new Region();
        fade.getStyleClass().add(style);
        fade.setManaged(false);
        fade.setMouseTransparent(true);
        return fade;
    }

    @Override
    protected void layoutChildren() {
        super.layoutChildren();
        double view = getViewportBounds().getHeight();
        double hidden = Math.max(0, getContent().getLayoutBounds().getHeight() - view);
        place(above, hidden * getVvalue(), 0);
        place(below, hidden * (1 - getVvalue()), view - HEIGHT);
    }

    private void place(Region fade, double hidden, double at) {
        fade.setVisible(hidden > 2);
        fade.resizeRelocate(
                snappedLeftInset(), snappedTopInset() + at, getViewportBounds().getWidth(), HEIGHT);
        fade.toFront();
    }
}
