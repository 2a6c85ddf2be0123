package anabion.desktop.control;

import javafx.scene.Node;
import javafx.scene.control.ScrollPane;

/** A scroll pane that fades out where there is more above or below, so that no line looks cut off by mistake. */
public class FadingScrollPane extends ScrollPane {
    private final Fade above = Fade.above();
    private final Fade below = Fade.below();

    public FadingScrollPane(Node content) {
        super(content);
        skinProperty().addListener((o, a, b) -> {
            if (!getChildren().contains(below)) getChildren().addAll(above, below);
        });
        vvalueProperty().addListener((o, a, b) -> requestLayout());
        viewportBoundsProperty().addListener((o, a, b) -> requestLayout());
        content.layoutBoundsProperty().addListener((o, a, b) -> requestLayout());
    }

    @Override
    protected void layoutChildren() {
        super.layoutChildren();
        double view = getViewportBounds().getHeight();
        double hidden = Math.max(0, getContent().getLayoutBounds().getHeight() - view);
        place(above, hidden * getVvalue(), 0);
        place(below, hidden * (1 - getVvalue()), view - Fade.HEIGHT);
    }

    private void place(Fade fade, double hidden, double at) {
        fade.setVisible(hidden > 2);
        fade.resizeRelocate(
                snappedLeftInset(), snappedTopInset() + at, getViewportBounds().getWidth(), Fade.HEIGHT);
        fade.toFront();
    }
}
