package anabion.desktop.control;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.beans.property.SimpleObjectProperty;
import javafx.beans.value.ChangeListener;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.skin.VirtualFlow;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;

/**
 * A list of rows of which one is lit: by click, by the arrow keys, or from outside; the lit one is kept in sight. Only the rows in sight are drawn, so that a
 * list of thousands is as quick as one of ten.
 */
public final class LitRows {
    /** Height of a row and of a heading, in pixels, as the style sheet has it. */
    private static final double HEIGHT = 31;
    /** Rows that a jump leaves in sight beyond the lit one. */
    private static final int BEYOND = 2;

    private final ListView<Slot> list = new ListView<>();
    private final FadingList node = new FadingList(list);
    private final List<Item> next = new ArrayList<>();
    private final IntegerProperty lit = new SimpleIntegerProperty();
    private final Runnable onLit;
    private int rows;

    /**
     * A row, or what stands between rows. Two that show the same are equal, so that only those that change are drawn anew.
     *
     * @param row its place among the rows; −1 for what is none
     * @param tall whether it may be higher than a row
     * @param shows all that its looks follow from
     */
    private record Item(int row, boolean tall, Object shows, Supplier<? extends Region> drawn) {
        @Override
        public boolean equals(Object o) {
            return o instanceof Item i && i.row == row && i.shows.equals(shows);
        }

        @Override
        public int hashCode() {
            return 31 * row + shows.hashCode();
        }
    }

    /** The place of an item in the list. It stays when the item changes: a list that is told of a change styles all that is in sight anew. */
    private static final class Slot {
        private final ObjectProperty<Item> item;

        Slot(Item first) {
            item = new SimpleObjectProperty<>(first);
        }

        Item item() {
            return item.get();
        }
    }

    /** @param onLit called whenever another row may be lit */
    public LitRows(Runnable onLit) {
        this.onLit = onLit;
        list.getStyleClass().add("lit-rows");
        list.setFocusTraversable(false);
        list.setCellFactory(l -> new Cell());
        list.heightProperty().addListener((o, a, b) -> Platform.runLater(this::reveal));
    }

    public Node node() {
        return node;
    }

    /** Takes all rows away; they go from the screen with {@link #light}. */
    public void clear() {
        next.clear();
        rows = 0;
    }

    /** A line between rows. */
    public void heading(String words) {
        group(words, () -> {
            HBox box = new HBox(Texts.label(words, "strong", "petrol"));
            box.getStyleClass().add("group");
            return box;
        });
    }

    /**
     * A line between rows, as high as a row.
     *
     * @param shows all that its looks follow from
     */
    public void group(Object shows, Supplier<? extends Region> drawn) {
        next.add(new Item(-1, false, shows, drawn));
    }

    /**
     * Something between rows, as high as it is.
     *
     * @param shows all that its looks follow from
     */
    public void between(Object shows, Supplier<? extends Region> drawn) {
        next.add(new Item(-1, true, shows, drawn));
    }

    /**
     * @param shows all that the row's looks follow from
     * @param drawn the row, made anew whenever it comes into sight
     */
    public void add(Object shows, Supplier<HBox> drawn) {
        next.add(new Item(rows++, false, shows, drawn));
    }

    /** What stands where there are no rows. */
    public void empty(String words) {
        between(words, () -> {
            Label label = Texts.wrapped(words, "soft");
            label.setPadding(new javafx.geometry.Insets(20));
            return label;
        });
    }

    /** The place of the lit row; it may lie before or behind the rows where there are none. */
    public int lit() {
        return lit.get();
    }

    /** Shows the rows that were put in, and lights one. */
    public void light(int index) {
        show();
        lit.set(Math.max(0, Math.min(index, rows - 1)));
        Platform.runLater(this::reveal);
        onLit.run();
    }

    private void show() {
        List<Slot> shown = list.getItems();
        // where all are as high, the list need not draw what is out of sight to find its own length
        double height = next.stream().anyMatch(Item::tall) ? Region.USE_COMPUTED_SIZE : HEIGHT;
        if (list.getFixedCellSize() != height) list.setFixedCellSize(height);
        if (shown.size() != next.size()) {
            list.getItems().setAll(next.stream().map(Slot::new).toList());
            return;
        }
        for (int n = 0; n < shown.size(); n++)
            if (!shown.get(n).item().equals(next.get(n))) shown.get(n).item.set(next.get(n));
    }

    public void moved(KeyCode key) {
        light(lit.get() + (key == KeyCode.DOWN ? 1 : -1));
    }

    private void reveal() {
        int at = place();
        if (at < 0 || !(list.lookup(".virtual-flow") instanceof VirtualFlow<?> flow)) return;
        if (flow.getFirstVisibleCell() == null) return;
        int first = flow.getFirstVisibleCell().getIndex();
        int last = flow.getLastVisibleCell().getIndex();
        // the rows next to the edges lie in the fade; where few are in sight nothing else would be left
        int edge = last - first >= 2 * BEYOND ? 1 : 0;
        boolean above = at <= first || (first > 0 && at <= first + edge);
        boolean below = at >= last || (last < list.getItems().size() - 1 && at >= last - edge);
        if (above) list.scrollTo(Math.max(0, at - BEYOND));
        else if (below) list.scrollTo(Math.max(0, at - (last - first) + BEYOND));
    }

    private int place() {
        List<Slot> slots = list.getItems();
        for (int n = 0; n < slots.size(); n++) if (slots.get(n).item().row() == lit.get()) return n;
        return -1;
    }

    /** Draws what is in sight, across the whole width. */
    private final class Cell extends ListCell<Slot> {
        private final ChangeListener<Item> changed = (o, a, b) -> draw(b);

        Cell() {
            setPrefWidth(0);
            lit.addListener((o, a, b) -> shade());
            setOnMouseClicked(e -> {
                if (getItem() != null && getItem().item().row() >= 0)
                    light(getItem().item().row());
            });
        }

        @Override
        protected void updateItem(Slot slot, boolean empty) {
            Slot before = getItem();
            super.updateItem(slot, empty);
            if (before != null) before.item.removeListener(changed);
            if (slot == null || empty) {
                setGraphic(null);
                setAccessibleText(null);
                return;
            }
            slot.item.addListener(changed);
            draw(slot.item());
        }

        private void draw(Item item) {
            Region drawn = item.drawn().get();
            drawn.prefWidthProperty().bind(widthProperty());
            // what is known need not be asked of every label in the row
            drawn.setMinWidth(0);
            if (!item.tall()) {
                drawn.setMinHeight(HEIGHT);
                drawn.setPrefHeight(HEIGHT);
            }
            if (item.row() >= 0 && !drawn.getStyleClass().contains("row"))
                drawn.getStyleClass().add("row");
            setGraphic(drawn);
            setAccessibleText(drawn.getAccessibleText());
            shade();
        }

        private void shade() {
            Node drawn = getGraphic();
            if (drawn == null || getItem() == null) return;
            int row = getItem().item().row();
            boolean on = row >= 0 && row == lit.get();
            if (!on) drawn.getStyleClass().remove("lit");
            else if (!drawn.getStyleClass().contains("lit"))
                drawn.getStyleClass().add("lit");
        }
    }
}
