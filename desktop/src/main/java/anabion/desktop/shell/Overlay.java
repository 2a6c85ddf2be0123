package anabion.desktop.shell;

import anabion.desktop.control.Texts;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;

/** A card over the window, inside the scene. Escape closes it and gives the focus back. */
public final class Overlay extends StackPane {
    private final VBox card = new VBox(10);
    private Runnable closed = () -> {};

    public Overlay() {
        getStyleClass().add("veil");
        card.getStyleClass().add("card");
        card.setMaxSize(620, USE_PREF_SIZE);
        StackPane.setAlignment(card, Pos.TOP_CENTER);
        StackPane.setMargin(card, new Insets(70, 20, 60, 20));
        getChildren().add(card);
        setVisible(false);
        setManaged(false);
        addEventFilter(KeyEvent.KEY_PRESSED, e -> {
            if (e.getCode() == KeyCode.ESCAPE) {
                close();
                e.consume();
            }
        });
        setOnMouseClicked(e -> {
            if (e.getTarget() == this) close();
        });
    }

    public boolean isOpen() {
        return isVisible();
    }

    /** Opens with a title and content; the first field gets the focus. */
    public void open(String title, Node content, Node focus, Runnable whenClosed) {
        closed = whenClosed;
        card.setAccessibleText(title);
        card.getChildren().setAll(Texts.label(title, "title"), content);
        setManaged(true);
        setVisible(true);
        toFront();
        focus.requestFocus();
        if (focus instanceof TextInputControl text) text.end();
    }

    public void close() {
        setVisible(false);
        setManaged(false);
        card.getChildren().clear();
        closed.run();
    }
}
