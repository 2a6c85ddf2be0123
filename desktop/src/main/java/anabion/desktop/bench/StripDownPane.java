package anabion.desktop.bench;

import anabion.core.job.StripDownEntry;
import anabion.core.job.StripDownEntry.State;
import anabion.core.stripdown.Reassembly;
import anabion.core.stripdown.StripDownWords;
import anabion.desktop.control.Mark;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.StripDownSheet;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;

/** How a set goes together again: a checklist, the last thing that came off first. A click puts a thing on, or takes it off again. */
final class StripDownPane extends VBox {
    private final Session session;

    StripDownPane(Session session) {
        super(4);
        this.session = session;
        Reassembly all = Reassembly.of(session.need().job().stripDown());
        getChildren().add(Texts.wrapped(headline(all), "headline"));
        if (!all.hanging().isEmpty()) getChildren().add(Texts.wrapped(session.say("stripdown.no-power"), "out"));
        all.order().forEach(e -> getChildren().add(row(e)));
        if (all.leftOver().isEmpty()) return;
        getChildren().addAll(Texts.rule(), Texts.label(session.say("stripdown.left-over"), "soft", "small"));
        all.leftOver().forEach(e -> getChildren().add(row(e)));
    }

    private String headline(Reassembly all) {
        if (all.order().isEmpty()) return session.say("stripdown.nothing");
        int leads = all.hanging().size();
        if (leads > 0) return session.say(leads == 1 ? "stripdown.hangs-one" : "stripdown.hangs", leads);
        int off = all.missing().size();
        return off > 0
                ? session.say(off == 1 ? "stripdown.off-one" : "stripdown.off", off)
                : session.say("stripdown.together");
    }

    private HBox row(StripDownEntry e) {
        String what = StripDownWords.of(e, session.words().get());
        Label label = Texts.wrapped(
                e.place().isEmpty() || e.lead().isPresent() ? what : what + ", " + e.place(),
                e.state() == State.ON ? "soft" : e.isOpenEnd() ? "out" : "medium");
        HBox row = new HBox(10, new Mark(StripDownSheet.mark(e)), label);
        row.getStyleClass().add("step");
        row.setPadding(new Insets(5, 4, 5, 2));
        row.setAlignment(Pos.CENTER_LEFT);
        row.setAccessibleRole(AccessibleRole.CHECK_BOX);
        row.setAccessibleText(
                what + ", " + session.say("stripdown.state." + e.state().code()));
        row.setFocusTraversable(true);
        row.setOnMouseClicked(x -> turn(e));
        row.setOnKeyPressed(k -> {
            if (k.getCode() == KeyCode.ENTER || k.getCode() == KeyCode.SPACE) turn(e);
        });
        return row;
    }

    private void turn(StripDownEntry e) {
        StripDownSheet.put(session, e, e.state() == State.ON ? State.OFF : State.ON)
                .exceptionally(t -> {
                    session.report(t);
                    return null;
                });
    }
}
