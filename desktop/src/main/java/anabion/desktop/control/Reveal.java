package anabion.desktop.control;

import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.Region;

/** Scrolls a list until a row of it is in sight, with the row after it, which is wanted next. */
public final class Reveal {
    private static final double ROW = 36;

    private Reveal() {}

    public static void row(ScrollPane scroll, Region list, Node row) {
        Platform.runLater(() -> {
            double view = scroll.getViewportBounds().getHeight();
            double height = list.getHeight() - view;
            if (height <= 0) return;
            double top = row.getBoundsInParent().getMinY();
            double bottom = row.getBoundsInParent().getMaxY() + ROW;
            double from = scroll.getVvalue() * height;
            if (top < from + 30) scroll.setVvalue(Math.max(0, top - 60) / height);
            else if (bottom > from + view) scroll.setVvalue(Math.min(1, (bottom - view) / height));
        });
    }
}
