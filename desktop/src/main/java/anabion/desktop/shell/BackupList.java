package anabion.desktop.shell;

import anabion.core.text.Words;
import anabion.desktop.control.RowList;
import anabion.desktop.control.Texts;
import anabion.workshop.storage.Backup;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** Backups to choose one from: when each was made and what is in it. */
public final class BackupList extends VBox {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("yyyy-MM-dd  HH:mm", Locale.ROOT);
    private static final int ROWS = 8;
    private static final int ROW = 31;

    private final ListView<Backup> list = new RowList<>(ROW);

    /**
     * Shows backups.
     *
     * @param zone in which their times are shown
     * @param restore called with the chosen one
     */
    public BackupList(List<Backup> backups, Words words, ZoneId zone, Consumer<Backup> restore) {
        super(10);
        list.setId("backups");
        list.setPrefHeight(ROW * Math.max(1, Math.min(ROWS, backups.size())) + 2);
        list.setAccessibleText(words.say("restore.title"));
        list.setPlaceholder(Texts.label(words.say("restore.none"), "soft"));
        list.setCellFactory(v -> new ListCell<>() {
            @Override
            protected void updateItem(Backup b, boolean empty) {
                super.updateItem(b, empty);
                setText(null);
                setGraphic(empty || b == null ? null : row(b, words, zone));
            }
        });
        list.getItems().setAll(backups);
        backups.stream().filter(BackupList::isSound).findFirst().ifPresent(list.getSelectionModel()::select);
        Button button = new Button(words.say("restore.do"));
        button.setId("restore");
        button.setDefaultButton(true);
        button.disableProperty()
                .bind(list.getSelectionModel()
                        .selectedItemProperty()
                        .map(b -> !isSound(b))
                        .orElse(true));
        Runnable choose = () -> restore.accept(list.getSelectionModel().getSelectedItem());
        button.setOnAction(e -> choose.run());
        list.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER && !button.isDisabled()) choose.run();
        });
        HBox foot = new HBox(button);
        foot.setAlignment(Pos.CENTER_RIGHT);
        getChildren().addAll(list, foot);
    }

    /** What gets the focus. */
    public ListView<Backup> list() {
        return list;
    }

    private static HBox row(Backup b, Words words, ZoneId zone) {
        boolean sound = isSound(b);
        String content = sound
                ? words.say("restore.holds", b.sets(), b.readings())
                : words.say("restore." + b.state().name().toLowerCase(Locale.ROOT));
        HBox row = new HBox(
                10,
                Texts.label(DAY.format(b.made().atZone(zone)), "strong"),
                Texts.label(content, sound ? "soft" : "brick"),
                Texts.gap(),
                Texts.label(b.name(), "soft", "small"));
        row.setAlignment(Pos.CENTER_LEFT);
        row.setStyle("-fx-padding: 3 10 0 8;");
        return row;
    }

    private static boolean isSound(Backup b) {
        return b.state() == Backup.State.SOUND;
    }
}
