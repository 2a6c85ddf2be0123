package anabion.desktop.shell;

import anabion.desktop.control.RowList;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** A card with a field and what it finds, to choose one of: arrow keys, Enter, a click. */
final class PickList<T> {
    private static final double ROW = 31;
    private static final double HEIGHT = 440;

    private final TextField field = new TextField();
    private final ListView<T> list = new RowList<>(ROW);
    private final VBox box = new VBox(8, field, list);

    /**
     * @param id of the field
     * @param prompt in it
     * @param find for a text, gives what was found to the other, at once or later
     * @param row of one thing
     * @param chosen what was chosen, after the card was closed
     */
    PickList(
            Shell shell,
            String id,
            String prompt,
            BiConsumer<String, Consumer<List<T>>> find,
            Function<T, HBox> row,
            Consumer<T> chosen) {
        field.setId(id);
        field.setPromptText(prompt);
        field.setAccessibleText(prompt);
        list.setPrefHeight(HEIGHT);
        list.setFocusTraversable(false);
        list.setCellFactory(v -> new ListCell<>() {
            {
                setPrefWidth(0); // as wide as the list: what is longer ends in dots
            }

            @Override
            protected void updateItem(T item, boolean empty) {
                super.updateItem(item, empty);
                setText(null);
                setGraphic(empty || item == null ? null : styled(row.apply(item)));
            }
        });
        Runnable narrow = () -> {
            String wanted = field.getText();
            find.accept(wanted, found -> {
                if (!field.getText().equals(wanted)) return; // somebody has typed on
                list.getItems().setAll(found);
                list.getSelectionModel().selectFirst();
            });
        };
        Runnable choose = () -> {
            T one = list.getSelectionModel().getSelectedItem();
            if (one == null) return;
            shell.overlay().close();
            chosen.accept(one);
        };
        field.textProperty().addListener((o, a, b) -> narrow.run());
        field.setOnAction(e -> choose.run());
        field.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() != KeyCode.UP && e.getCode() != KeyCode.DOWN) return;
            int at = list.getSelectionModel().getSelectedIndex() + (e.getCode() == KeyCode.DOWN ? 1 : -1);
            if (at >= 0 && at < list.getItems().size()) {
                list.getSelectionModel().select(at);
                list.scrollTo(Math.max(0, at - 5));
            }
            e.consume();
        });
        list.setOnMouseClicked(e -> choose.run());
        narrow.run();
    }

    private static HBox styled(HBox row) {
        row.setAlignment(Pos.CENTER_LEFT);
        row.setStyle("-fx-padding: 3 10 0 8;");
        return row;
    }

    /** What stands where nothing is found. */
    PickList<T> otherwise(Label words) {
        list.setPlaceholder(words);
        return this;
    }

    /** Something above the field. */
    PickList<T> under(Node head) {
        box.getChildren().add(0, head);
        return this;
    }

    /** Opens it over the window; the probe line gets the focus when it closes. */
    void open(Shell shell, String title) {
        shell.overlay().open(title, box, field, () -> shell.probe().field().requestFocus());
    }
}
