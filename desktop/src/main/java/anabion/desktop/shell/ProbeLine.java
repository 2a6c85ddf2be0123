package anabion.desktop.shell;

import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.ArrayList;
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
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;

/**
 * The always-ready entry at the foot. A refused line stays in it, selected, with the reason beside it; a reason that is longer than the line
 * stands above it. While the line holds text, Up and Down go through earlier lines.
 */
public final class ProbeLine extends VBox {
    private static final int EARLIER = 100;

    private final Label where = Texts.label("", "where");
    private final TextField field = new TextField();
    private final Label said = Texts.label("", "soft");
    private final Label whole = Texts.wrapped("", "trouble");
    private final HintBar hints = new HintBar();
    private List<List<String>> hinted = List.of();
    private final List<String> earlier = new ArrayList<>();
    private int recalled;
    /** What was being typed before earlier lines were brought back. */
    private String draft = "";

    private String refused = "";
    /** The text of a row, put here to be edited. */
    private String offered = "";

    private Consumer<String> entered = t -> {};
    private Consumer<KeyCode> moved = k -> {};

    public ProbeLine(Session session) {
        getStyleClass().addAll("dial", "probe");
        setPadding(new Insets(0, 14, 0, 14));
        setMinHeight(USE_PREF_SIZE);
        setMaxHeight(USE_PREF_SIZE);
        field.setId("probe");
        field.setAccessibleText(session.say("ui.probe.name"));
        field.setMinWidth(150);
        HBox.setHgrow(field, Priority.ALWAYS);
        where.setMinWidth(USE_PREF_SIZE);
        said.setMinWidth(0);
        said.setId("probe-said");
        whole.setId("probe-whole");
        whole.setPadding(new Insets(6, 0, 0, 0));
        HBox line = new HBox(12, where, field, said, hints);
        line.setAlignment(Pos.CENTER_LEFT);
        line.setMinHeight(42);
        line.setMaxHeight(42);
        getChildren().addAll(whole, line);
        unfold(false);
        field.setOnAction(e -> enter());
        field.addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        field.textProperty().addListener((o, a, b) -> {
            if (!b.isEmpty() && !b.equals(refused) && said.getStyleClass().contains("trouble")) quiet();
        });
        widthProperty().addListener((o, a, b) -> {
            if (said.getStyleClass().contains("trouble")) fit();
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

    private void enter() {
        String text = field.getText();
        if (!text.isBlank()
                && (earlier.isEmpty() || !earlier.get(earlier.size() - 1).equals(text))) earlier.add(text);
        if (earlier.size() > EARLIER) earlier.remove(0);
        recalled = earlier.size();
        entered.accept(text);
    }

    private void pressed(KeyEvent e) {
        boolean arrow = e.getCode() == KeyCode.UP || e.getCode() == KeyCode.DOWN;
        if (!arrow || e.isAltDown() || e.isControlDown()) return;
        if (field.getText().isEmpty()) moved.accept(e.getCode());
        else recall(e.getCode() == KeyCode.UP ? -1 : 1);
        e.consume();
    }

    private void recall(int step) {
        if (recalled == earlier.size()) {
            boolean isLast = recalled > 0 && earlier.get(recalled - 1).equals(field.getText());
            draft = isLast ? "" : field.getText();
            if (step < 0 && isLast) recalled--;
        }
        recalled = Math.max(0, Math.min(earlier.size(), recalled + step));
        field.setText(recalled < earlier.size() ? earlier.get(recalled) : draft);
        field.end();
    }

    /** Names what the line is for now: the lit row, or the sheet. */
    public void show(String what, String prompt) {
        where.setText(what);
        field.setPromptText(prompt);
    }

    public void hints(List<String[]> pairs) {
        List<List<String>> now = pairs.stream().map(List::of).toList();
        if (now.equals(hinted)) return;
        hinted = now;
        hints.set(pairs.stream()
                .map(pair -> {
                    HBox hint = new HBox(4, Texts.label(pair[0], "keyname"), Texts.label(pair[1], "soft", "small"));
                    hint.setAlignment(Pos.CENTER_RIGHT);
                    return hint;
                })
                .toList());
    }

    /** Puts the text of a row in the line, to be edited. */
    public void offer(String text) {
        offered = text;
        field.setText(text);
        field.end();
    }

    public void clear() {
        refused = "";
        offered = "";
        field.clear();
    }

    /** Another sheet is in hand: a line that was refused on the last one, or offered there and not changed, goes, with what was said of it. */
    public void left() {
        String text = field.getText();
        if (text.equals(refused) || text.equals(offered)) field.clear();
        offered = "";
        if (said.getStyleClass().contains("trouble")) quiet();
        refused = "";
    }

    public void say(String text) {
        quiet();
        said.setText(text);
    }

    /** Takes back what was said, if it is what still stands there. */
    public void unsay(String text) {
        if (said.getText().equals(text)) quiet();
    }

    /**
     * Says what went wrong.
     *
     * @param entry the refused line: it stays, or comes back, and is selected, so that the next key replaces it; empty for none
     */
    public void complain(String text, String entry) {
        refused = entry;
        if (!entry.isEmpty() && field.getText().isEmpty()) field.setText(entry);
        said.getStyleClass().setAll("label", "trouble");
        said.setText(text);
        if (field.getText().equals(entry)) field.selectAll();
        fit();
    }

    /** Shows above the line what it has no room for. */
    private void fit() {
        unfold(false);
        applyCss();
        layout();
        boolean cut = said.getWidth() + 1 < said.prefWidth(-1) || field.getWidth() < widthOf(field.getText());
        whole.setText(cut ? said.getText() : "");
        unfold(cut);
    }

    private double widthOf(String text) {
        Text measured = new Text(text);
        measured.setFont(field.getFont());
        return measured.getLayoutBounds().getWidth()
                + field.getInsets().getLeft()
                + field.getInsets().getRight();
    }

    private void unfold(boolean shown) {
        whole.setVisible(shown);
        whole.setManaged(shown);
        said.setVisible(!shown);
        said.setManaged(!shown);
    }

    private void quiet() {
        said.getStyleClass().setAll("label", "soft");
        said.setText("");
        unfold(false);
    }

    /** A printable key pressed elsewhere comes here. */
    public void type(String character) {
        boolean replaces = !refused.isEmpty() && field.getText().equals(refused);
        field.requestFocus();
        if (replaces) field.clear();
        field.end();
        field.appendText(character);
    }
}
