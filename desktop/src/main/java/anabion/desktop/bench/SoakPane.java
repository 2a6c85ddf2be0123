package anabion.desktop.bench;

import anabion.core.quantity.Figures;
import anabion.core.soak.SoakRun;
import anabion.core.soak.SoakRun.Finding;
import anabion.desktop.control.Clock;
import anabion.desktop.control.Texts;
import anabion.desktop.session.Session;
import anabion.desktop.sheet.SoakRows;
import anabion.desktop.sheet.SoakSheet;
import javafx.scene.layout.VBox;

/** Whether a set holds out: how long still, what speaks against it, what to do. */
final class SoakPane extends VBox {
    private final Session session;

    SoakPane(Session session) {
        super(8);
        this.session = session;
        Clock.whileShown(this, this::fill);
        fill();
    }

    private void fill() {
        getChildren().clear();
        SoakSheet.run(session).ifPresent(this::say);
    }

    private void say(SoakRun run) {
        getChildren()
                .add(Texts.wrapped(
                        session.say(
                                "soak.state."
                                        + run.state()
                                                .name()
                                                .toLowerCase(java.util.Locale.ROOT)
                                                .replace('_', '-'),
                                SoakRows.length(session, run.left()),
                                SoakRows.length(session, run.elapsed())),
                        "headline"));
        run.findings().forEach(f -> getChildren().add(Texts.wrapped(finding(f), "out")));
        getChildren().addAll(Texts.rule(), Texts.label(session.say("ui.next"), "soft", "small"));
        getChildren().add(Texts.wrapped(session.say(next(run))));
        getChildren().addAll(Texts.rule(), Texts.wrapped(session.say("soak.caution"), "soft"));
        getChildren()
                .add(Texts.wrapped(
                        session.say(
                                "soak.limits",
                                Figures.fixed(100 * SoakRun.RAIL_LIMIT, 0),
                                Figures.fixed(run.insulation().outside(), 0),
                                run.insulation().name()),
                        "soft",
                        "small"));
    }

    private String finding(Finding f) {
        if (f instanceof Finding.Happened h)
            return session.say(
                    "soak.found.event",
                    session.say("soak.event." + h.entry().event().orElseThrow().code()),
                    SoakRows.length(session, h.after()));
        if (f instanceof Finding.RailWanders r)
            return session.say("soak.found.rail", Figures.deviation(r.share()), SoakRows.length(session, r.after()));
        Finding.TooHot t = (Finding.TooHot) f;
        return session.say("soak.found.hot", t.part(), Figures.fixed(t.rise(), 0), Figures.fixed(t.limit(), 0));
    }

    private static String next(SoakRun run) {
        return switch (run.state()) {
            case NOT_BEGUN, SHORT, UNSEEN -> "soak.next.start";
            case RUNNING -> "soak.next.running";
            case FAILED -> "soak.next.back";
            case PASSED -> run.on() ? "soak.next.passed-on" : "soak.next.passed";
        };
    }
}
