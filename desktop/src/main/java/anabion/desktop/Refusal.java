package anabion.desktop;

import anabion.core.text.Vocabulary;
import anabion.core.text.Words;
import anabion.desktop.control.Texts;
import anabion.desktop.shell.BackupList;
import anabion.desktop.theme.Look;
import anabion.workshop.Restore;
import anabion.workshop.Workshop;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;

/** A workshop that could not be opened, said in a window of its own: who starts the program from a menu sees no terminal. */
final class Refusal {
    private static final Words WORDS = new Words(Vocabulary.STANDARD);

    private Refusal() {}

    /**
     * Starts the toolkit and says it; the program ends when the window is closed.
     *
     * @param what went wrong and what to do
     * @param code with which the program ends
     */
    static void show(String what, int code) {
        Toolkit.run(() -> {
            Stage stage = ending(code);
            fill(stage, what);
            stage.show();
        });
    }

    /** As {@link #show}, with the folder's backups: once one is restored, the workshop opens. */
    static void offer(String what, Path folder, int code) {
        Toolkit.run(() -> {
            Stage stage = ending(code);
            fill(stage, what, folder, workshop -> {
                AnabionApp.open(new Stage(), workshop, Optional.empty(), (shell, session) -> {});
                stage.setOnHidden(e -> {});
                stage.hide();
            });
            stage.show();
        });
    }

    private static Stage ending(int code) {
        Stage stage = new Stage();
        stage.setOnHidden(e -> System.exit(code));
        return stage;
    }

    /** Fills a window with what went wrong. */
    static void fill(Stage stage, String what) {
        fill(stage, List.of(Texts.wrapped(what)));
    }

    /** Fills a window with what went wrong, and with backups to choose from. */
    static void fill(Stage stage, String what, Path folder, Consumer<Workshop> restored) {
        Clock clock = Clock.system(ZoneId.systemDefault());
        Label said = Texts.wrapped(WORDS.say("restore.looking"), "soft");
        said.managedProperty().bind(said.textProperty().isNotEmpty());
        VBox choice = new VBox();
        fill(stage, List.of(Texts.wrapped(what), Texts.wrapped(WORDS.say("restore.text")), choice, said));
        aside(choice, said, () -> Restore.choices(folder), backups -> {
            BackupList list = new BackupList(
                    backups,
                    WORDS,
                    clock.getZone(),
                    b -> aside(
                            choice,
                            said,
                            () -> {
                                Restore.from(folder, b.name(), clock);
                                return Workshop.open(folder, clock);
                            },
                            restored));
            choice.getChildren().setAll(list);
            list.list().requestFocus();
            stage.sizeToScene();
        });
    }

    /** Works on the disk, not on the interface thread; what goes wrong is said under the list. */
    private static <T> void aside(Node waits, Label said, Supplier<T> work, Consumer<T> then) {
        waits.setDisable(true);
        CompletableFuture.supplyAsync(work)
                .whenComplete((result, e) -> Platform.runLater(() -> {
                    waits.setDisable(false);
                    said.setText(e == null ? "" : e.getCause().getMessage());
                    if (e == null) then.accept(result);
                }));
    }

    private static void fill(Stage stage, List<Node> content) {
        Look.loadFonts();
        Label title = Texts.label(WORDS.say("ui.refused.title"), "title");
        Button close = new Button(WORDS.say("ui.refused.close"));
        close.setCancelButton(true);
        close.setOnAction(e -> stage.hide());
        HBox foot = new HBox(close);
        foot.setAlignment(Pos.CENTER_RIGHT);
        VBox box = new VBox(14, title);
        box.getChildren().addAll(content);
        box.getChildren().add(foot);
        box.setPadding(new Insets(20));
        box.getStyleClass().add("sheet");
        Look.dress(box, false);
        stage.setTitle(WORDS.say("ui.name"));
        box.setPrefWidth(620);
        stage.setScene(new Scene(box));
    }
}
