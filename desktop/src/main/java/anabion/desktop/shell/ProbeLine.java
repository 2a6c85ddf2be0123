package anabion.desktop.shell;

import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** The always-ready entry at the foot. It keeps what could not be stored, and says why. */
public final class ProbeLine extends HBox {
    private final Label where = Texts.label("", "where");
    private final TextField field = new TextField();
    private final Label said = Texts.label("", "soft");
    private final HBox hints = new HBox(14);
    private Consumer<String> entered = t -> {};
    private Consumer<KeyCode> moved = k -> {};

    public ProbeLine(Session session) {
        super(12);
        getStyleClass().addAll("dial", "probe");
        setAlignment(Pos.CENTER_LEFT);
        setPadding(new Insets(0, 14, 0, 14));
        setMinHeight(42);
        setMaxHeight(42);
        field.setId("probe");
        field.setAccessibleText(session.say("ui.probe.name"));
        field.setMinWidth(150);
        HBox.setHgrow(field, Priority.ALWAYS);
        where.setMinWidth(USE_PREF_SIZE);
        said.setMinWidth(0);
        said.setId("probe-said");
        hints.setAlignment(Pos.CENTER_RIGHT);
        hints.setMinWidth(USE_PREF_SIZE);
        getChildren().addAll(where, field, said, hints);
        field.setOnAction(e -> entered.accept(field.getText()));
        field.addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if ((e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN) && !e.isAltDown() && !e.isControlDown()) {
                moved.accept(e.getCode());
                e.consume();
            }
        });
        field.textProperty().addListener((o, a, b) -> {
            if (!b.isEmpty() && said.getStyleClass().contains("trouble")) quiet();
        });
    }

    public void onEntered(Consumer<String> handler) {
        entered = handler;
    }

    /** Called with UP or DOWN when the lit row shall move. */
    public void onMoved(Consumer<KeyCode> handler) {
        moved = handler;
    }

    public TextField field() {
        return field;
    }

    /** Names what the line is for now: the lit row, or the sheet. */
    public void show(String what, String prompt) {
        where.setText(what);
        field.setPromptText(prompt);
    }

    public void hints(List<String[]> pairs) {
        hints.getChildren().clear();
        for (String[] pair : pairs) {
            HBox hint = new HBox(4, Texts.label(pair[0], "keyname"), Texts.label(pair[1], "soft", "small"));
            hint.setAlignment(Pos.CENTER_RIGHT);
            hints.getChildren().add(hint);
        }
    }

    public void clear() {
        field.clear();
    }

    public void say(String text) {
        quiet();
        said.setText(text);
    }

    /** Says what went wrong; the text goes back into the line so that nothing is lost. */
    public void complain(String text, String entry) {
        if (!entry.isEmpty() && field.getText().isEmpty()) {
            field.setText(entry);
            field.end();
        }
        said.getStyleClass().setAll("label", "trouble");
        said.setText(text);
    }

    private void quiet() {
        said.getStyleClass().setAll("label", "soft");
        said.setText("");
    }

    /** A printable key pressed elsewhere comes here. */
    public void type(String character) {
        field.requestFocus();
        field.end();
        field.appendText(character);
    }
}
