package anabion.desktop.control;

import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollBar;
import javafx.scene.layout.Region;

/** A list that fades out where there is more above or below, so that no line looks cut off by mistake. */
final class FadingList extends Region {
    private final ListView<?> list;
    private final Fade above = Fade.above();
    private final Fade below = Fade.below();

    FadingList(ListView<?> list) {
        this.list = list;
        getChildren().addAll(list, above, below);
        list.skinProperty().addListener((o, a, b) -> followed());
        list.itemsProperty().addListener((o, a, b) -> requestLayout());
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
        above.resizeRelocate(0, 0, width, Fade.HEIGHT);
        below.resizeRelocate(0, Math.max(0, getHeight() - Fade.HEIGHT), width, Fade.HEIGHT);
    }
}
