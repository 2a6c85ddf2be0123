package anabion.desktop.bench;

import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.InstrumentStatus;
import anabion.desktop.session.Session;
import anabion.instruments.InstrumentRole;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.HBox;

/** The instruments beneath the work order: what each last said and when, or since when it is gone. */
public final class InstrumentRows {
    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

    private final Session session;

    InstrumentRows(Session session) {
        this.session = session;
    }

    /** Whether there is anything to show. */
    boolean any() {
        return !states().isEmpty() || session.instruments().bench().get().isPresent();
    }

    private List<InstrumentStatus> states() {
        return session.instruments().all().get();
    }

    /** @param narrow whether there is no room for times */
    List<Node> rows(boolean narrow) {
        List<Node> all = new ArrayList<>();
        for (InstrumentStatus s : states()) all.add(row(s, narrow));
        if (states().isEmpty()) {
            Label offer = Texts.wrapped(session.say("instrument.offer"), "soft", "small");
            offer.setPadding(new Insets(2, 12, 4, 13));
            all.add(offer);
        }
        return all;
    }

    private HBox row(InstrumentStatus s, boolean narrow) {
        Mark mark = new Mark(s.trouble().isPresent() ? Mark.Kind.TRIANGLE : s.met() ? Mark.Kind.DISC : Mark.Kind.RING);
        String name = session.say("instrument.role." + s.role().code());
        Label title = Texts.label(name);
        title.setMinWidth(Label.USE_PREF_SIZE);
        Label last = Texts.label(s.trouble().isPresent() ? session.say("instrument.gone") : s.last(), gone(s));
        last.setMinWidth(0);
        Label when = Texts.label(when(s), "soft", "small");
        when.setMinWidth(Label.USE_PREF_SIZE);
        // what eyes saw is long, and its time stands in the tip
        boolean timed = s.last().isEmpty() || !(narrow || s.role() == InstrumentRole.HANDS);
        HBox row = new HBox(6, mark, title, Texts.gap(), last);
        if (timed) row.getChildren().add(when);
        row.setAlignment(Pos.CENTER_LEFT);
        row.setPadding(new Insets(1, 9, 1, 13));
        row.setAccessibleText(name + " " + last.getText() + ", " + when.getText());
        Tooltip.install(row, new Tooltip(whole(s, when.getText())));
        return row;
    }

    private static String whole(InstrumentStatus s, String when) {
        return Stream.of(
                        s.name(),
                        (s.last() + " " + when).strip(),
                        s.address(),
                        s.trouble().orElse(""))
                .filter(t -> !t.isEmpty())
                .collect(Collectors.joining("\n"));
    }

    private static String gone(InstrumentStatus s) {
        return s.trouble().isPresent() ? "brick" : "medium";
    }

    /** When it last said something, or failed; before that whether it was spoken to. */
    private String when(InstrumentStatus s) {
        if (s.at().isPresent()) return time(session, s.at());
        return session.say(s.met() ? "instrument.ready" : "instrument.remembered");
    }

    /** A time of day; empty where there is none. */
    public static String time(Session session, Optional<Instant> at) {
        return at.map(t -> TIME.format(t.atZone(session.clock().getZone()))).orElse("");
    }
}
