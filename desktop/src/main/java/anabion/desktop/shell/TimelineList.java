package anabion.desktop.shell;

import anabion.core.job.Note;
import anabion.core.quantity.Figures;
import anabion.core.text.Words;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.SoakRows;
import anabion.workshop.timeline.Happening;
import anabion.workshop.timeline.Timeline;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** All that happened to the set on the bench, the last first, narrowed by part, kind or words. */
final class TimelineList {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("yyyy-MM-dd  HH:mm", Locale.ROOT);

    private TimelineList() {}

    static void show(Shell shell) {
        Session session = shell.session();
        Words words = session.words().get();
        Timeline timeline = Timeline.of(session.need(), words);
        List<Happening> backwards = new ArrayList<>(timeline.all());
        Collections.reverse(backwards);
        ZoneId zone = session.clock().getZone();
        double costs = session.need().job().notes(Note.Kind.COST).stream()
                .mapToDouble(Note::amount)
                .sum();
        String head = session.say("timeline.worked", SoakRows.length(session, timeline.worked()))
                + (costs > 0 ? ", " + session.say("timeline.costs", Figures.fixed(costs, 2)) : "");
        new PickList<Happening>(
                        shell,
                        "timeline",
                        session.say("timeline.prompt"),
                        (text, found) -> found.accept(backwards.stream()
                                .filter(h -> h.matches(
                                        text,
                                        words.say("timeline.kind." + h.kind().code())))
                                .toList()),
                        h -> row(h, words, zone),
                        h -> {
                            if (!h.part().isEmpty())
                                session.part()
                                        .set(java.util.Optional.of(h.part().split("\\.")[0]));
                        })
                .otherwise(Texts.label(session.say("timeline.none"), "soft"))
                .under(Texts.label(head, "soft"))
                .open(shell, session.say("timeline.title"));
    }

    private static HBox row(Happening h, Words words, ZoneId zone) {
        Label text = Texts.label(h.text(), "medium");
        text.setMinWidth(0);
        Label detail = Texts.label(h.detail(), "soft");
        detail.setMinWidth(0);
        HBox.setHgrow(detail, Priority.ALWAYS);
        return new HBox(
                10,
                Texts.column(TIME.format(h.at().atZone(zone)), 122, false, "soft", "small"),
                Texts.column(words.say("timeline.kind." + h.kind().code()), 70, false, "petrol", "small"),
                text,
                detail);
    }
}
