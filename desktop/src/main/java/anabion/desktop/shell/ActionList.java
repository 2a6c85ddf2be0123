package anabion.desktop.shell;

import anabion.desktop.control.RowList;
import anabion.desktop.control.Texts;
import java.util.List;
import java.util.Locale;
import javafx.geometry.Pos;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Everything that can be done, with its key, narrowed by typing. */
final class ActionList {
    private ActionList() {}

    static void show(Shell shell) {
        TextField search = new TextField();
        search.setId("action-search");
        search.setPromptText(shell.session().say("actions.prompt"));
        search.setAccessibleText(shell.session().say("actions.prompt"));
        ListView<Action> list = new RowList<>(31);
        list.setPrefHeight(440);
        list.setFocusTraversable(false);
        list.setCellFactory(v -> new ListCell<>() {
            @Override
            protected void updateItem(Action a, boolean empty) {
                super.updateItem(a, empty);
                setText(null);
                if (empty || a == null) {
                    setGraphic(null);
                    return;
                }
                HBox row = new HBox(
                        10, Texts.label(shell.session().say(a.words())), Texts.gap(), Texts.label(a.keyText(), "key"));
                row.setAlignment(Pos.CENTER_LEFT);
                row.setStyle("-fx-padding: 3 10 0 8;");
                setGraphic(row);
            }
        });
        Runnable narrow = () -> {
            String wanted = search.getText().strip().toLowerCase(Locale.ROOT);
            List<Action> found = shell.actions().all().stream()
                    .filter(a -> shell.session()
                            .say(a.words())
                            .toLowerCase(Locale.ROOT)
                            .contains(wanted))
                    .toList();
            list.getItems().setAll(found);
            list.getSelectionModel().selectFirst();
        };
        Runnable choose = () -> {
            Action chosen = list.getSelectionModel().getSelectedItem();
            if (chosen == null) return;
            shell.overlay().close();
            shell.guarded(chosen.run());
        };
        search.textProperty().addListener((o, a, b) -> narrow.run());
        search.setOnAction(e -> choose.run());
        search.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
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
        shell.overlay()
                .open(shell.session().say("actions.title"), new VBox(8, search, list), search, () -> shell.probe()
                        .field()
                        .requestFocus());
    }
}
