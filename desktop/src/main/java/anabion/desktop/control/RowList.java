package anabion.desktop.control;

import javafx.geometry.Pos;
import javafx.scene.control.ListView;
import javafx.scene.layout.BorderPane;

/** A list of rows of one height that ends at a whole row, so that no line looks cut off by mistake. */
public class RowList<T> extends ListView<T> {
    /** @param rowHeight height of a row, in pixels */
    public RowList(double rowHeight) {
        setFixedCellSize(rowHeight);
        BorderPane.setAlignment(this, Pos.TOP_LEFT);
    }

    @Override
    public void resize(double width, double height) {
        double edges = snappedTopInset() + snappedBottomInset();
        double rows = Math.max(1, Math.floor((height - edges) / getFixedCellSize()));
        super.resize(width, Math.min(height, rows * getFixedCellSize() + edges));
    }
}
