package anabion.desktop.bench;

import anabion.core.handback.ClosingGate;
import anabion.core.job.Job;
import anabion.core.job.Note;
import anabion.core.quantity.Figures;
import anabion.core.quantity.Quantity;
import anabion.core.quantity.Unit;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.HandBackSheet;
import javafx.scene.layout.VBox;

/** What still bars a set from leaving, how the tests are made, and what the next one to open it must know. */
final class HandBackPane extends VBox {
    private final Session session;

    HandBackPane(Session session) {
        super(8);
        this.session = session;
        HandBackSheet.gate(session).ifPresent(this::say);
    }

    private void say(ClosingGate gate) {
        int open = gate.open().size();
        getChildren()
                .add(Texts.wrapped(
                        open == 0
                                ? session.say("closing.ready")
                                : session.say(open == 1 ? "closing.open-one" : "closing.open", open),
                        "headline"));
        gate.open().stream().filter(r -> r.state() == ClosingGate.State.FAILED).forEach(r -> getChildren()
                .add(Texts.wrapped(
                        session.say("closing.item." + r.item().code()) + ": "
                                + session.words().get().say(r.says()),
                        "out")));
        getChildren().addAll(Texts.rule(), Texts.label(session.say("ui.next"), "soft", "small"));
        getChildren().add(Texts.wrapped(session.say(open == 0 ? "closing.next.report" : "closing.next")));
        known();
        if (gate.rows().stream().anyMatch(r -> r.item().isMeasured())) {
            getChildren().addAll(Texts.rule(), Texts.label(session.say("closing.tests"), "soft", "small"));
            getChildren().add(Texts.wrapped(session.say(gate.toChassis() ? "closing.test" : "closing.test.touchable")));
            getChildren()
                    .add(Texts.wrapped(
                            session.say(
                                    "closing.limits",
                                    Figures.si(
                                            Quantity.ohms(session.limits().get().insulation())),
                                    Figures.si(
                                            new Quantity(session.limits().get().touch(), Unit.AMPERE)),
                                    Figures.si(
                                            Quantity.ohms(session.limits().get().earth()))),
                            "soft",
                            "small"));
        }
    }

    /** Modifications and fragile places come up once more. */
    private void known() {
        Job job = session.need().job();
        for (Note.Kind kind : new Note.Kind[] {Note.Kind.MODIFICATION, Note.Kind.FRAGILE, Note.Kind.STAYS})
            job.notes(kind).forEach(n -> getChildren()
                    .add(Texts.wrapped(
                            session.say("timeline.note." + kind.code(), n.text())
                                    + (n.reason().isEmpty() ? "" : " (" + n.reason() + ")"),
                            "soft")));
    }
}
