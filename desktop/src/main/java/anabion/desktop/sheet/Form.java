package anabion.desktop.sheet;

import anabion.core.error.InputException;
import anabion.core.json.Coded;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;

/** Fields in two columns, each stored as it is left. Rebuilding keeps the focus and what is being typed. */
final class Form {
    private final Session session;
    private final VBox body;
    private final Consumer<Throwable> trouble;
    private Optional<Typing> typing = Optional.empty();

    /** The field in hand, what stands in it, and from where to where that is selected. */
    private record Typing(String id, Optional<String> text, int anchor, int caret) {}

    Form(Session session, VBox body, Consumer<Throwable> trouble) {
        this.session = session;
        this.body = body;
        this.trouble = trouble;
    }

    /** Notes where the focus is, before the fields are made anew. */
    void remember() {
        Node focused = body.getScene() == null ? null : body.getScene().getFocusOwner();
        boolean mine = focused != null && focused.getId() != null && body.lookup("#" + focused.getId()) == focused;
        typing = !mine
                ? Optional.empty()
                : focused instanceof TextField f
                        ? Optional.of(
                                new Typing(f.getId(), Optional.of(f.getText()), f.getAnchor(), f.getCaretPosition()))
                        : Optional.of(new Typing(focused.getId(), Optional.empty(), 0, 0));
    }

    /** Gives the focus, and what was typed or selected meanwhile, back to the field of the same name. */
    void recover() {
        typing.ifPresent(t -> {
            Node node = body.lookup("#" + t.id());
            if (node == null) return;
            node.requestFocus();
            if (node instanceof TextField f && t.text().isPresent()) {
                if (!f.getText().equals(t.text().get())) f.setText(t.text().get());
                f.selectRange(t.anchor(), t.caret());
            }
        });
    }

    GridPane grid(String heading) {
        GridPane grid = new GridPane();
        grid.setHgap(10);
        grid.setVgap(6);
        for (int i = 0; i < 2; i++) {
            ColumnConstraints label = new ColumnConstraints(96);
            ColumnConstraints field = new ColumnConstraints(80, 190, Double.MAX_VALUE);
            field.setHgrow(Priority.ALWAYS);
            grid.getColumnConstraints().addAll(label, field);
        }
        Label head = Texts.label(session.say(heading), "strong", "petrol");
        head.setPadding(new Insets(8, 0, 0, 0));
        body.getChildren().addAll(head, grid);
        return grid;
    }

    TextField field(GridPane grid, int column, int row, String key, String value, Consumer<String> store) {
        TextField field = prompted(key, value, store);
        Label label = Texts.label(session.say("arrival." + key), "soft");
        label.setLabelFor(field);
        field.setPromptText("");
        grid.add(label, column * 2, row);
        grid.add(field, column * 2 + 1, row);
        return field;
    }

    /** A field that says itself what belongs there, while it is empty. */
    TextField prompted(String key, String value, Consumer<String> store) {
        TextField field = new TextField(value);
        field.setId("arrival-" + key);
        field.setPromptText(session.say("arrival." + key));
        field.setAccessibleText(field.getPromptText());
        String[] stored = {value};
        Runnable leave = () -> {
            if (field.getText().equals(stored[0])) return;
            String text = field.getText();
            try {
                store.accept(text.strip());
                stored[0] = text;
            } catch (InputException e) {
                trouble.accept(e);
            }
        };
        field.setOnAction(e -> leave.run());
        field.focusedProperty().addListener((o, was, is) -> {
            if (was && !is) leave.run();
        });
        return field;
    }

    /** A field for a sentence, which has a row of its own. */
    void wide(GridPane grid, int row, String key, String value, Consumer<String> store) {
        GridPane.setColumnSpan(field(grid, 0, row, key, value, store), 3);
    }

    <E extends Enum<E> & Coded> ComboBox<String> choice(String id, E[] all, E now, String stem, Consumer<E> store) {
        ComboBox<String> box = new ComboBox<>();
        for (E e : all) box.getItems().add(session.say(stem + e.code()));
        box.getSelectionModel().select(now.ordinal());
        box.setId(id);
        box.setMaxWidth(Double.MAX_VALUE);
        box.getSelectionModel().selectedIndexProperty().addListener((o, a, b) -> {
            if (b.intValue() >= 0 && b.intValue() != now.ordinal()) store.accept(all[b.intValue()]);
        });
        return box;
    }
}
