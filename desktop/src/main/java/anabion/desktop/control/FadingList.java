package anabion.desktop.control;

import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollBar;
import javafx.scene.layout.Region;

/** A list that fades out where there is more above or below, so that no line looks cut off by mistake. */
final class FadingList extends Region {
    private static final double HEIGHT = 24;

    private final ListView<?> list;
    private final Region above = fade("fade-above");
    private final Region below = fade("fade-below");

    FadingList(ListView<?> list) {
        this.list = list;
        getChildren().addAll(list, above, below);
        list.skinProperty().addListener((o, a, b) -> followed());
        list.itemsProperty().addListener((o, a, b) -> requestLayout());
    }

    private static Region fade(String style) {
        Region fade = new Region();
        fade.getStyleClass().add(style);
        fade.setManaged(false);
        fade.setMouseTransparent(true);
        return fade;
    }

    private void followed() {
        for (Node n : list.lookupAll(".scroll-bar"))
            if (n instanceof ScrollBar bar && bar.getOrientation() == Orientation.VERTICAL) {
                bar.valueProperty().addListener((o, a, b) -> shade(bar));
                bar.visibleProperty().addListener((o, a, b) -> shade(bar));
                bar.visibleAmountProperty().addListener((o, a, b) -> shade(bar));
                shade(bar);
            }
    }

    private void shade(ScrollBar bar) {
        boolean more = bar.isVisible();
        above.setVisible(more && bar.getValue() > bar.getMin() + 1e-3);
        below.setVisible(more && bar.getValue() < bar.getMax() - 1e-3);
    }

    @Override
    protected void layoutChildren() {
        list.resizeRelocate(0, 0, getWidth(), getHeight());
        double width = Math.max(0, getWidth() - 9);
        above.resizeRelocate(0, 0, width, HEIGHT);
        below.resizeRelocate(0, Math.max(0, getHeight() - HEIGHT), width, HEIGHT);
    }
}
