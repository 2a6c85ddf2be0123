package anabion.desktop;

import anabion.core.words.Vocabulary;
import anabion.core.words.Words;
import anabion.desktop.control.Texts;
import anabion.desktop.look.Look;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;

/** A workshop that could not be opened, said in a window of its own: who starts the program from a menu sees no terminal. */
final class Refusal {
    private Refusal() {}

    /**
     * Starts the toolkit and says it; the program ends when the window is closed.
     *
     * @param what went wrong and what to do
     * @param code with which the program ends
     */
    static void show(String what, int code) {
        Platform.startup(() -> {
            Stage stage = new Stage();
            stage.setOnHidden(e -> System.exit(code));
            fill(stage, what);
            stage.show();
        });
    }

    static void fill(Stage stage, String what) {
        Words words = new Words(Vocabulary.STANDARD);
        Look.loadFonts();
        Label title = Texts.label(words.say("ui.refused.title"), "title");
        Button close = new Button(words.say("ui.refused.close"));
        close.setDefaultButton(true);
        close.setCancelButton(true);
        close.setOnAction(e -> stage.hide());
        HBox foot = new HBox(close);
        foot.setAlignment(Pos.CENTER_RIGHT);
        VBox box = new VBox(14, title, Texts.wrapped(what), foot);
        box.setPadding(new Insets(20));
        box.getStyleClass().add("sheet");
        Look.dress(box, false);
        stage.setTitle(words.say("ui.name"));
        box.setPrefWidth(520);
        stage.setScene(new Scene(box));
    }
}
