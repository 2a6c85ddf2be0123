package anabion.desktop.shell;

import anabion.core.job.Note;
import anabion.core.quantity.Figures;
import anabion.core.text.Words;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.SoakRows;
import anabion.workshop.SetRecord;
import anabion.workshop.timeline.Happening;
import anabion.workshop.timeline.Timeline;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** All that happened to the set on the bench, the last first, narrowed by part, kind or words. It is put together beside the window, for it may be long. */
final class TimelineList {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyy-MM-dd  HH:mm", Locale.ROOT);
    private static final double PICTURE_WIDTH = 38;
    private static final double PICTURE_HEIGHT = 27;

    private final Session session;
    private final Words words;
    private final SetRecord set;
    private final CompletableFuture<Timeline> timeline;

    private TimelineList(Session session) {
        this.session = session;
        this.words = session.words().get();
        this.set = session.need();
        SetRecord told = set;
        Words said = words;
        this.timeline = session.compute().answer(() -> Timeline.of(told, said));
    }

    static void show(Shell shell) {
        new TimelineList(shell.session()).over(shell);
    }

    private void over(Shell shell) {
        Label head = Texts.label(session.say("ui.computing"), "soft");
        timeline.whenComplete((t, e) -> Platform.runLater(() -> {
            if (t != null) head.setText(head(t));
            else session.report(e);
        }));
        new PickList<Happening>(shell, "timeline", session.say("timeline.prompt"), this::find, this::row, h -> {
                    if (!h.part().isEmpty())
                        session.part().set(Optional.of(h.part().split("\\.")[0]));
                })
                .otherwise(Texts.label(session.say("timeline.none"), "soft"))
                .under(head)
                .open(shell, session.say("timeline.title"));
    }

    private String head(Timeline t) {
        double costs = set.job().notes(Note.Kind.COST).stream()
                .mapToDouble(Note::amount)
                .sum();
        return session.say("timeline.worked", SoakRows.length(session, t.worked()))
                + (costs > 0 ? ", " + session.say("timeline.costs", Figures.fixed(costs, 2)) : "");
    }

    private void find(String text, Consumer<List<Happening>> found) {
        timeline.thenApplyAsync(t -> {
                    List<Happening> all = new ArrayList<>(
                            t.all().stream().filter(h -> h.matches(text, words)).toList());
                    Collections.reverse(all);
                    return all;
                })
                .thenAccept(all -> Platform.runLater(() -> found.accept(all)));
    }

    private HBox row(Happening h) {
        Label text = Texts.label(h.text(), "medium");
        text.setMinWidth(0);
        Label detail = Texts.label(h.detail(), "soft");
        detail.setMinWidth(0);
        HBox.setHgrow(detail, Priority.ALWAYS);
        HBox row = new HBox(
                10,
                Texts.column(TIME.format(h.at().atZone(session.clock().getZone())), 122, false, "soft", "small"),
                Texts.column(words.say("timeline.kind." + h.kind().code()), 70, false, "petrol", "small"),
                text,
                detail);
        if (h.picture().isPresent())
            row.getChildren().add(2, session.photos().framed(h.picture(), PICTURE_WIDTH, PICTURE_HEIGHT));
        return row;
    }
}
