package anabion.desktop.sheet;

import anabion.core.align.AlignmentLine;
import anabion.core.align.AlignmentTable;
import anabion.core.align.Lead;
import anabion.core.quantity.DialFrequency;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.reading.Standing;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import java.util.List;
import java.util.Optional;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;

/** The rows of the Align sheet. */
final class AlignRows {
    private final Session session;

    AlignRows(Session session) {
        this.session = session;
    }

    HBox head() {
        HBox head = columns(
                Texts.label(""),
                session.say("align.column.at"),
                session.say("align.column.through"),
                session.say("align.column.frequency"),
                session.say("align.column.dial"),
                session.say("align.column.turn"),
                session.say("align.column.to"),
                session.say("align.column.level"),
                session.say("align.column.gained"),
                Texts.label(""));
        head.getStyleClass().add("head");
        head.getChildren().forEach(n -> n.getStyleClass().remove("medium"));
        return head;
    }

    private static HBox columns(
            Node mark,
            String at,
            String through,
            String frequency,
            String dial,
            String turn,
            String to,
            String level,
            String gained,
            Label word) {
        HBox place = new HBox(mark);
        place.setMinWidth(22);
        place.setAlignment(Pos.CENTER_LEFT);
        HBox.setHgrow(word, Priority.ALWAYS);
        word.setMaxWidth(Double.MAX_VALUE);
        word.setMinWidth(0);
        HBox.setMargin(word, new Insets(0, 0, 0, 12));
        Label turned = Texts.column(turn, 50, false, "medium");
        HBox.setMargin(turned, new Insets(0, 0, 0, 10));
        HBox row = new HBox(
                place,
                Texts.column(at, 48, false),
                Texts.column(through, 86, false, "soft"),
                Texts.column(frequency, 68, true),
                indented(Texts.column(dial, 66, false)),
                turned,
                Texts.column(to, 38, false),
                Texts.column(level, 60, true),
                Texts.column(gained, 68, true, "medium"),
                word);
        row.setAlignment(Pos.CENTER_LEFT);
        return row;
    }

    private static Label indented(Label label) {
        HBox.setMargin(label, new Insets(0, 0, 0, 14));
        return label;
    }

    /**
     * @param next whether it is the next to be done
     * @param level the generator's, to be given now
     */
    HBox row(AlignmentTable.Row r, boolean next, Optional<Double> level) {
        AlignmentLine l = r.line();
        String word = word(r, next);
        Standing standing = r.finding() ? Standing.OUT : r.done() ? Standing.WITHIN : Standing.NOT_TAKEN;
        HBox box = columns(
                new Mark(Mark.of(standing)),
                point(l),
                through(session, l),
                hertz(l.hertz()),
                l.dial()
                        .map(d -> session.say(
                                l.rocked() ? "align.dial.rocked" : "align.dial.at", DialFrequency.printed(d)))
                        .orElse(session.say("align.dial.open")),
                l.letters(),
                session.say("align.aim." + l.aim().code()),
                level(r, level),
                r.gained().map(this::decibels).orElse(""),
                Texts.label(word, r.finding() ? "out" : "soft"));
        box.setAccessibleText(l.letters() + ", " + hertz(l.hertz()) + ", " + word);
        return box;
    }

    /** As the maker's table has it, else what the lead asks for. */
    static String through(Session session, AlignmentLine l) {
        return l.printed()
                .map(AlignmentLine.Printed::through)
                .filter(t -> !t.isEmpty())
                .orElseGet(() -> session.say("align.lead." + l.lead().code()));
    }

    /** Beside a loop; elsewhere a pin or net, where the circuit tells one. */
    private String point(AlignmentLine l) {
        if (!l.point().isEmpty()) return l.point();
        return session.say(
                l.lead() == Lead.LOOP ? "align.beside" : l.dial().isEmpty() ? "align.mixer" : "align.aerial");
    }

    /** Beside a loop the distance stands for it, where it was said. */
    private String level(AlignmentTable.Row r, Optional<Double> level) {
        double metres = r.given().metres();
        if (metres > 0) return Figures.fixed(100 * metres, 0) + " cm";
        return level.map(AlignRows::volts).orElse("");
    }

    private String word(AlignmentTable.Row r, boolean next) {
        if (r.last().isEmpty()) return next ? session.say("align.word.next") : "";
        return session.say("align.word." + r.last().get().kind().code());
    }

    String decibels(double gained) {
        return session.say("align.gained", (gained < 0 ? "−" : "+") + Figures.fixed(Math.abs(gained), 1));
    }

    static String hertz(double hertz) {
        return Figures.si(Quantity.hertz(hertz));
    }

    static String volts(double volts) {
        return Figures.si(Quantity.volts(volts), 2);
    }

    /** All rows as text, with tabs between. */
    String copy(List<AlignmentTable.Row> rows) {
        StringBuilder text = new StringBuilder("at\tthrough\tfrequency\tdial\tadjusters\tto\tlevel\tgained\n");
        for (AlignmentTable.Row r : rows) {
            AlignmentLine l = r.line();
            text.append(String.join(
                            "\t",
                            l.point(),
                            through(session, l),
                            hertz(l.hertz()),
                            l.dial().map(DialFrequency::printed).orElse(""),
                            l.letters(),
                            session.say("align.aim." + l.aim().code()),
                            l.level().map(AlignRows::volts).orElse(""),
                            r.gained().map(this::decibels).orElse("")))
                    .append('\n');
        }
        return text.toString();
    }
}
