package anabion.desktop.sheet;

import anabion.core.chassis.Chassis;
import anabion.desktop.control.RowList;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.function.Function;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** A list with columns, one of them lit, on a tab of the Study sheet. */
abstract class StudyTab {
    /** A column: its word key, width (0 takes what is left), whether numbers stand in it, and its text. */
    record Column<T>(String title, double width, boolean number, Function<T, String> text) {}

    final Session session;
    final VBox pane = new VBox();
    final ListView<Object> list = new RowList<>(31);

    private boolean narrow;

    StudyTab(Session session) {
        this.session = session;
        VBox.setVgrow(list, Priority.ALWAYS);
        list.setFocusTraversable(false);
    }

    /** Word key of the tab's name; with {@code .prompt} behind it, that of the probe line's prompt. */
    abstract String title();

    abstract int count();

    abstract void rebuild();

    /** Fills the tab anew for a sheet that is narrow, or no longer. */
    void rebuild(boolean inNarrow) {
        narrow = inNarrow;
        rebuild();
    }

    boolean narrow() {
        return narrow;
    }

    /** The chassis with a typed line carried out. */
    abstract Chassis line(String line, Chassis chassis);

    abstract String edit();

    Node node() {
        return pane;
    }

    @SuppressWarnings("unchecked")
    <T> void show(List<T> items, List<Column<T>> columns, String emptyKey) {
        int selected = list.getSelectionModel().getSelectedIndex();
        list.setCellFactory(v -> new ListCell<>() {
            {
                setPrefWidth(0);
            }

            @Override
            protected void updateItem(Object item, boolean empty) {
                super.updateItem(item, empty);
                setText(null);
                setGraphic(empty || item == null ? null : row((T) item, columns));
            }
        });
        list.getItems().setAll(items);
        Label empty = Texts.wrapped(session.say(emptyKey), "soft");
        empty.setPadding(new Insets(0, 14, 0, 14));
        list.setPlaceholder(empty);
        if (!items.isEmpty()) list.getSelectionModel().select(Math.max(0, Math.min(selected, items.size() - 1)));
    }

    HBox head(List<? extends Column<?>> columns) {
        HBox head = new HBox(14);
        head.getStyleClass().add("head");
        head.setMinWidth(0);
        columns.forEach(c -> head.getChildren().add(cell(session.say(c.title()), c, "soft")));
        return head;
    }

    private static <T> HBox row(T item, List<Column<T>> columns) {
        HBox row = new HBox(14);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setStyle("-fx-padding: 4 14 0 10;");
        for (int i = 0; i < columns.size(); i++)
            row.getChildren()
                    .add(cell(
                            columns.get(i).text().apply(item),
                            columns.get(i),
                            i == 0 ? "medium" : columns.get(i).width() == 0 ? "soft" : ""));
        return row;
    }

    private static Label cell(String text, Column<?> column, String style) {
        Label label = column.width() > 0 ? Texts.column(text, column.width(), column.number()) : Texts.label(text);
        if (!style.isEmpty()) label.getStyleClass().add(style);
        if (column.width() == 0) {
            HBox.setHgrow(label, Priority.ALWAYS);
            label.setMinWidth(0);
            label.setPrefWidth(60);
            label.setMaxWidth(Double.MAX_VALUE);
        }
        return label;
    }

    void moved(KeyCode key) {
        int at = list.getSelectionModel().getSelectedIndex() + (key == KeyCode.DOWN ? 1 : -1);
        if (at < 0 || at >= list.getItems().size()) return;
        list.getSelectionModel().select(at);
        list.scrollTo(Math.max(0, at - 4));
    }

    abstract String copy();

    Chassis chassis() {
        return session.need().chassis();
    }

    boolean hasSet() {
        return session.set().get().isPresent();
    }
}
