package anabion.desktop.control;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** A list of rows of which one is lit: by click, by the arrow keys, or from outside; the lit one is kept in sight. */
public final class LitRows {
    private final VBox list = new VBox();
    private final ScrollPane scroll = new FadingScrollPane(list);
    private final List<HBox> rows = new ArrayList<>();
    private final Runnable onLit;
    private int lit;

    /** @param onLit called whenever another row may be lit */
    public LitRows(Runnable onLit) {
        this.onLit = onLit;
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setFocusTraversable(false);
    }

    public Node node() {
        return scroll;
    }

    public void clear() {
        list.getChildren().clear();
        rows.clear();
    }

    /** A line between rows. */
    public void heading(String words) {
        HBox box = new HBox(Texts.label(words, "strong", "petrol"));
        box.getStyleClass().add("group");
        list.getChildren().add(box);
    }

    /** A row, in the style of rows. */
    public void add(HBox row) {
        int index = rows.size();
        row.getStyleClass().add("row");
        row.setOnMouseClicked(e -> light(index));
        rows.add(row);
        list.getChildren().add(row);
    }

    /** What stands where there are no rows. */
    public void empty(String words) {
        Label label = Texts.wrapped(words, "soft");
        label.setPadding(new javafx.geometry.Insets(20));
        list.getChildren().add(label);
    }

    /** The place of the lit row; it may lie before or behind the rows where there are none. */
    public int lit() {
        return lit;
    }

    public void light(int index) {
        lit = Math.max(0, Math.min(index, rows.size() - 1));
        for (int i = 0; i < rows.size(); i++) {
            rows.get(i).getStyleClass().remove("lit");
            if (i == lit) rows.get(i).getStyleClass().add("lit");
        }
        if (lit < rows.size()) Reveal.row(scroll, list, rows.get(lit));
        onLit.run();
    }

    public void moved(KeyCode key) {
        light(lit + (key == KeyCode.DOWN ? 1 : -1));
    }
}
