package anabion.desktop.shell;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Region;

/** Hints side by side at the right. Where they find no room the last but one goes first: the first is the sheet's own, the last leads to all actions. */
final class HintBar extends Region {
    private static final double GAP = 14;

    HintBar() {
        setMinWidth(0);
    }

    void set(List<? extends Node> hints) {
        getChildren().setAll(hints);
    }

    private double wide(List<Node> hints) {
        double sum = 0;
        for (Node n : hints) sum += n.prefWidth(-1) + GAP;
        return Math.max(0, sum - GAP);
    }

    @Override
    protected double computePrefWidth(double height) {
        return snapSizeX(wide(getChildren()));
    }

    @Override
    protected double computePrefHeight(double width) {
        return getChildren().stream().mapToDouble(n -> n.prefHeight(-1)).max().orElse(0);
    }

    @Override
    protected void layoutChildren() {
        List<Node> shown = new ArrayList<>(getChildren());
        while (shown.size() > 1 && wide(shown) > getWidth() + 1) shown.remove(Math.max(0, shown.size() - 2));
        double x = getWidth() - wide(shown);
        for (Node n : getChildren()) {
            n.setVisible(shown.contains(n));
            if (!n.isVisible()) continue;
            double width = n.prefWidth(-1);
            double height = n.prefHeight(-1);
            n.resizeRelocate(x, (getHeight() - height) / 2, width, height);
            x += width + GAP;
        }
    }
}
