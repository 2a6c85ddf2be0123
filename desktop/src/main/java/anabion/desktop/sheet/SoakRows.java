package anabion.desktop.sheet;

import anabion.core.job.SoakEntry;
import anabion.core.job.SoakEntry.Event;
import anabion.core.job.SoakEntry.Kind;
import anabion.core.job.SoakEntry.Value;
import anabion.core.quantity.Figures;
import anabion.core.reading.Standing;
import anabion.core.soak.SoakRun;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** The rows of the Soak sheet. */
public final class SoakRows {
    private static final double SMALL = 20;

    private final Session session;

    SoakRows(Session session) {
        this.session = session;
    }

    HBox head() {
        HBox head = columns(
                Texts.label(""),
                session.say("soak.column.after"),
                session.say("soak.column.line"),
                session.say("soak.column.rail"),
                session.say("soak.column.corrected"),
                session.say("soak.column.watts"),
                session.say("soak.column.avc"),
                session.say("soak.column.hottest"),
                session.say("soak.column.rise"),
                Texts.label(""));
        head.getStyleClass().add("head");
        return head;
    }

    HBox row(SoakRun.Row r) {
        SoakEntry e = r.entry();
        boolean bad = e.kind() == Kind.EVENT
                || r.drift().filter(d -> Math.abs(d) > SoakRun.RAIL_LIMIT).isPresent();
        String word = e.event()
                .map(x -> session.say("soak.event." + x.code()) + (e.text().isEmpty() ? "" : ", " + e.text()))
                .orElseGet(() -> r.drift().map(Figures::deviation).orElse(""));
        HBox row = columns(
                new Mark(Mark.of(bad ? Standing.OUT : Standing.WITHIN)),
                length(session, r.after()),
                volts(e.value(Value.LINE)),
                volts(e.value(Value.RAIL)),
                volts(r.rail()),
                number(e, Value.WATTS, 0),
                number(e, Value.AVC, 1),
                e.part() + (e.part().isEmpty() ? "" : " ") + number(e, Value.HOTTEST, 0),
                r.rise().map(v -> Figures.fixed(v, 0)).orElse(""),
                Texts.label(word, bad ? "out" : "soft"));
        row.setAccessibleText(length(session, r.after()) + ", " + word);
        return row;
    }

    /** Small ones with the decimals that matter there. */
    private static String volts(Optional<Double> value) {
        return value.map(v -> Figures.fixed(v, Math.abs(v) < SMALL ? 2 : 0)).orElse("");
    }

    private static String number(SoakEntry e, Value v, int decimals) {
        return e.value(v).map(x -> Figures.fixed(x, decimals)).orElse("");
    }

    private static HBox columns(
            Node mark,
            String after,
            String line,
            String rail,
            String corrected,
            String watts,
            String avc,
            String hottest,
            String rise,
            Label word) {
        HBox first = new HBox(mark);
        first.setMinWidth(22);
        first.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(word, Priority.ALWAYS);
        word.setMaxWidth(Double.MAX_VALUE);
        word.setMinWidth(0);
        HBox.setMargin(word, new Insets(0, 0, 0, 16));
        HBox row = new HBox(
                first,
                Texts.column(after, 78, true, "medium"),
                Texts.column(line, 56, true),
                Texts.column(rail, 60, true),
                Texts.column(corrected, 78, true, "medium"),
                Texts.column(watts, 58, true),
                Texts.column(avc, 56, true),
                Texts.column(hottest, 78, true),
                Texts.column(rise, 52, true),
                word);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    /** Hours and minutes. */
    public static String length(Session session, Duration d) {
        return d.toHours() == 0
                ? session.say("soak.minutes", d.toMinutes())
                : d.toMinutesPart() == 0
                        ? session.say("soak.hours", d.toHours())
                        : session.say("soak.hours-minutes", d.toHours(), d.toMinutesPart());
    }

    /** All rows as text, with tabs between. */
    String copy(List<SoakRun.Row> rows) {
        StringBuilder text = new StringBuilder("minutes\tline\trail\tcorrected\twatts\tavc\thottest\trise\tevent\n");
        rows.forEach(r -> text.append(String.join(
                        "\t",
                        String.valueOf(r.after().toMinutes()),
                        number(r.entry(), Value.LINE, 1),
                        number(r.entry(), Value.RAIL, 1),
                        r.rail().map(v -> Figures.fixed(v, 1)).orElse(""),
                        number(r.entry(), Value.WATTS, 1),
                        number(r.entry(), Value.AVC, 2),
                        number(r.entry(), Value.HOTTEST, 1),
                        r.rise().map(v -> Figures.fixed(v, 1)).orElse(""),
                        r.entry().event().map(Event::code).orElse("")))
                .append('\n'));
        return text.toString();
    }
}
